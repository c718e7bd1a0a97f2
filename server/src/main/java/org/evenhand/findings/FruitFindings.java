package org.evenhand.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.findings.FindingsView.SeedView;
import org.evenhand.findings.FindingsView.SetRate;
import org.evenhand.findings.FindingsView.YieldView;
import org.evenhand.fruitset.HarvestSums;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Component;

/** Seeds, shape and yield of a season. */
@Component
class FruitFindings {
    private final HarvestSums sums;

    FruitFindings(HarvestSums sums) {
        this.sums = sums;
    }

    List<SeedView> seeds(Caller caller, int season, String crop) {
        List<SeedView> seeds = new ArrayList<>();
        for (HarvestSums.Seeds s : sums.seeds(caller, season, crop)) {
            seeds.add(new SeedView(
                    of(s),
                    s.fruits(),
                    s.seeds().map(FindingsView.MeanView::of).orElse(null),
                    s.shaped(),
                    rate(s.whole(), s.shaped()),
                    s.seedless()));
        }
        return seeds;
    }

    List<FindingsView.CoverView> byCover(Caller caller, int season, String crop) {
        return sums.byCover(caller, season, crop).stream()
                .map(t -> new FindingsView.CoverView(
                        strokes(t.strokes()),
                        t.taken(),
                        t.fruitsOf() == 0 ? null : (double) t.fruits() / t.fruitsOf(),
                        rate(t.resting(), t.restingOf()),
                        rate(t.misshapen(), t.shaped())))
                .toList();
    }

    /** Whether one-sided and crooked fruit differ by how the stigma was covered. */
    Optional<FactorContrast> misshapen(Caller caller, int season, String crop) {
        return FactorContrast.of(sums.byCover(caller, season, crop).stream()
                .filter(t -> !t.strokes().isEmpty() && t.shaped() >= FactorContrast.LEAST_FLOWERS)
                .map(t -> new FactorContrast.Class(t.strokes(), new Proportion(t.misshapen(), t.shaped())))
                .toList());
    }

    private static SetRate rate(int of, int all) {
        return all == 0 ? null : SetRate.of(new Proportion(of, all));
    }

    private static String strokes(String strokes) {
        return switch (strokes) {
            case "FULL" -> "many strokes, all round";
            case "LIGHT" -> "once in and out";
            default -> "strokes not recorded";
        };
    }

    private static String of(HarvestSums.Seeds s) {
        String strokes = strokes(s.strokes());
        String treated = s.treatment().isEmpty()
                ? "not known from which flower"
                : FactorNames.TREATMENTS.get(s.treatment()).toLowerCase(Locale.ROOT);
        return s.treatment().equals("HAND") ? strokes + (s.visits() > 1 ? ", pollen twice" : ", pollen once") : treated;
    }

    List<YieldView> yield(Caller caller, int season, String crop) {
        return sums.yield(caller, season, crop).stream()
                .map(y -> new YieldView(
                        y.variety(),
                        y.fruits(),
                        y.grams().map(m -> m.n() * m.mean() / 1000).orElse(0.0),
                        y.grams().map(FindingsView.MeanView::of).orElse(null)))
                .toList();
    }
}
