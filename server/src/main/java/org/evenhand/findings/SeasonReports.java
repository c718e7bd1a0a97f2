package org.evenhand.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.Plural;
import org.evenhand.core.Units;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.evenhand.findings.FindingsView.FactorView;
import org.evenhand.findings.FindingsView.LevelView;
import org.evenhand.findings.FindingsView.SetRate;
import org.evenhand.findings.FindingsView.YieldView;
import org.evenhand.fruitset.FlowerOutcomes;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;

/** Puts a season together: what was done, what took, what to do differently. */
@Service
class SeasonReports {
    private static final int MOST_FATHERS = 8;

    private final Findings findings;
    private final FruitFindings fruit;
    private final FlowerOutcomes outcomes;
    private final FactorNames names;
    private final Orchards orchards;

    SeasonReports(
            Findings findings, FruitFindings fruit, FlowerOutcomes outcomes, FactorNames names, Orchards orchards) {
        this.findings = findings;
        this.fruit = fruit;
        this.outcomes = outcomes;
        this.names = names;
        this.orchards = orchards;
    }

    SeasonReportView of(Caller caller, Integer season, String crop) {
        FindingsView found = findings.of(caller, season, crop);
        String orchard = orchards.orchard(caller).name();
        if (found.shown() == null) {
            return new SeasonReportView(
                    found.seasons(),
                    null,
                    orchard,
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    "");
        }
        Map<Factor, List<FlowerOutcomes.Level>> levels =
                outcomes.levels(caller, found.shown().season(), found.shown().crop()).stream()
                        .collect(Collectors.groupingBy(FlowerOutcomes.Level::factor));
        FactorNames.OfCrop named = names.of(caller, found.shown().crop());
        List<SeasonReportView.Year> years = years(caller, found);
        return new SeasonReportView(
                found.seasons(),
                found.shown(),
                orchard,
                done(caller, found, levels),
                took(found, named.units()),
                shares(levels, Factor.VARIETY, named, Integer.MAX_VALUE),
                shares(levels, Factor.FATHER, named, MOST_FATHERS),
                otherwise(found),
                years,
                between(years, found.shown().season()));
    }

    private List<String> done(Caller caller, FindingsView found, Map<Factor, List<FlowerOutcomes.Level>> levels) {
        List<String> done = new ArrayList<>();
        done.add(found.shown().cropName() + ", " + found.shown().season() + ": "
                + Plural.of(byHand(caller, found), "flower")
                + " by hand on "
                + Plural.of(count(levels, Factor.TREE), "tree") + ", on "
                + Plural.of(count(levels, Factor.EVENING), "day") + ", from "
                + Plural.of(count(levels, Factor.LOT), "jar") + ", by "
                + Plural.of(count(levels, Factor.HELPER), "person", "people") + ".");
        levels.getOrDefault(Factor.TREATMENT, List.of()).stream()
                .filter(l -> !l.level().equals("HAND"))
                .forEach(l -> done.add(Plural.of(l.flowers(), "flower") + " " + FactorNames.TREATMENTS.get(l.level())
                        + ", to compare with."));
        return done;
    }

    /** All of them, those that are shown apart too. */
    private int byHand(Caller caller, FindingsView found) {
        return outcomes.byEvidence(caller, found.shown().season(), found.shown().crop()).values().stream()
                .mapToInt(FlowerOutcomes.Level::flowers)
                .sum();
    }

    private static long count(Map<Factor, List<FlowerOutcomes.Level>> levels, Factor factor) {
        return levels.getOrDefault(factor, List.of()).stream()
                .filter(l -> !l.level().isEmpty())
                .count();
    }

    private static List<String> took(FindingsView found, Units units) {
        List<String> took = new ArrayList<>();
        SetRate all = found.all();
        took.add(
                all == null
                        ? "No flower is decided yet."
                        : all.taken() + " of " + Plural.of(all.decided(), "flower") + " set, "
                                + FindingWords.percent(all.share())
                                + " (95 % interval " + FindingWords.percent(all.lower()) + " to "
                                + FindingWords.percent(all.upper()) + ")"
                                + (found.undecided() > 0 ? "; " + found.undecided() + " are not known yet." : "."));
        found.apart()
                .forEach(a -> took.add("Apart, " + Plural.of(a.flowers(), "flower") + " " + a.what()
                        + (a.rate() == null
                                ? "."
                                : ": " + a.rate().taken() + " of " + a.rate().decided() + " set.")));
        if (found.drop() != null && found.drop().rate().taken() > 0) {
            took.add(found.drop().sentence());
        }
        if (found.hand() != null) {
            took.add(found.hand().sentence());
        }
        for (YieldView y : found.yield()) {
            took.add(String.format(
                    Locale.ROOT,
                    "%s: %s harvested%s.",
                    y.variety(),
                    Plural.of(y.fruits(), "fruit"),
                    y.grams() == null
                            ? ""
                            : ", " + units.harvest(y.kilograms()) + " weighed, "
                                    + units.fruit(y.grams().mean()) + " a fruit"));
        }
        return took;
    }

    /** Those with flowers decided, the best first by the lower end of their interval: few flowers do not come first by luck. */
    private static List<LevelView> shares(
            Map<Factor, List<FlowerOutcomes.Level>> levels, Factor factor, FactorNames.OfCrop named, int most) {
        return levels.getOrDefault(factor, List.of()).stream()
                .filter(l -> l.decided() > 0 && !l.level().isEmpty())
                .map(l -> Findings.level(factor, l, named))
                .sorted(Comparator.comparingDouble((LevelView l) -> -l.rate().lower())
                        .thenComparing(LevelView::name))
                .limit(most)
                .toList();
    }

    private static List<SeasonReportView.Advice> otherwise(FindingsView found) {
        return found.factors().stream()
                .filter(f -> f.sure() && !f.change().isEmpty())
                .sorted(Comparator.comparing((FactorView f) -> !f.sureAmongAll()))
                .map(f -> new SeasonReportView.Advice(f.change(), f.sentence()))
                .toList();
    }

    private List<SeasonReportView.Year> years(Caller caller, FindingsView found) {
        Map<Integer, FlowerOutcomes.Level> byHand =
                outcomes.byHand(caller, found.shown().crop());
        return found.seasons().stream()
                .filter(s -> s.crop().equals(found.shown().crop()))
                .map(s -> year(
                        s,
                        Optional.ofNullable(byHand.get(s.season())),
                        s.season() == found.shown().season()
                                ? found.yield()
                                : fruit.yield(caller, s.season(), s.crop())))
                .toList();
    }

    private static SeasonReportView.Year year(
            FindingsView.SeasonView s, Optional<FlowerOutcomes.Level> hand, List<YieldView> yield) {
        return new SeasonReportView.Year(
                s.season(),
                hand.map(FlowerOutcomes.Level::flowers).orElse(0),
                hand.filter(h -> h.decided() > 0)
                        .map(h -> SetRate.of(h.share().orElseThrow()))
                        .orElse(null),
                hand.map(h -> h.decided() < FactorContrast.FEW_FLOWERS).orElse(true),
                yield.stream().mapToInt(YieldView::fruits).sum(),
                yield.stream().mapToDouble(YieldView::kilograms).sum());
    }

    private static String between(List<SeasonReportView.Year> years, int season) {
        Optional<SeasonReportView.Year> now =
                years.stream().filter(y -> y.season() == season).findFirst();
        Optional<SeasonReportView.Year> before = years.stream()
                .filter(y -> y.season() < season && y.rate() != null)
                .max(Comparator.comparingInt(SeasonReportView.Year::season));
        if (now.isEmpty() || now.get().rate() == null || before.isEmpty()) {
            return "";
        }
        SetRate a = now.get().rate();
        SetRate b = before.get().rate();
        TwoProportions.Estimate d = new TwoProportions(
                        new Proportion(a.taken(), a.decided()), new Proportion(b.taken(), b.decided()))
                .difference(Proportion.USUAL_CONFIDENCE);
        String said = "Against " + before.get().season() + ": " + FindingWords.percent(a.share()) + ", then "
                + FindingWords.percent(b.share()) + "; ";
        return d.lower() > 0 || d.upper() < 0
                ? said + (d.value() > 0 ? "better" : "worse") + " by "
                        + FindingWords.points(d.value() > 0 ? d.lower() : d.upper()) + " to "
                        + FindingWords.points(d.value() > 0 ? d.upper() : d.lower())
                        + " points. Weather, trees and hands differ between years, so the year alone does not say why."
                : said + "that may be chance.";
    }

    /** The report as lines for paper. */
    byte[] pdf(Caller caller, Integer season, String crop) {
        SeasonReportView r = of(caller, season, crop);
        Units units = orchards.details(caller).units();
        ReportPdf pdf = new ReportPdf(
                r.shown() == null
                        ? r.orchard()
                        : r.orchard() + ": " + r.shown().cropName() + ", season "
                                + r.shown().season());
        pdf.section("What was done", r.done());
        pdf.section("What set", r.took());
        pdf.table("By variety", List.of("Variety", "Took", "Share", "95 % interval"), rows(r.varieties()));
        pdf.table("Best fathers", List.of("Father", "Took", "Share", "95 % interval"), rows(r.fathers()));
        pdf.section(
                "What to do differently",
                r.otherwise().isEmpty()
                        ? List.of("Nothing is sure enough to change it. Trials in random order make it so.")
                        : r.otherwise().stream()
                                .flatMap(a -> Stream.of(a.change(), "    " + a.because()))
                                .toList());
        pdf.table(
                "Year against year",
                List.of("Season", "By hand", "Took", "Share", "Fruits", "Weighed"),
                r.years().stream().map(y -> row(y, units)).toList());
        pdf.section("", r.between().isEmpty() ? List.of() : List.of(r.between()));
        return pdf.bytes();
    }

    private static ReportPdf.Row row(SeasonReportView.Year y, Units units) {
        Optional<SetRate> rate = Optional.ofNullable(y.rate());
        return new ReportPdf.Row(
                List.of(
                        Integer.toString(y.season()),
                        Integer.toString(y.flowers()),
                        rate.map(r -> r.taken() + " of " + r.decided()).orElse("-"),
                        rate.map(r -> FindingWords.percent(r.share())).orElse("-"),
                        Integer.toString(y.fruits()),
                        units.harvest(y.kilograms())),
                rate.map(r -> ReportPdf.Bar.of(r, y.few())));
    }

    private static List<ReportPdf.Row> rows(List<LevelView> levels) {
        return levels.stream()
                .map(l -> new ReportPdf.Row(
                        List.of(
                                l.name() + (l.few() ? " (few)" : ""),
                                l.rate().taken() + " of " + l.rate().decided(),
                                FindingWords.percent(l.rate().share()),
                                FindingWords.percent(l.rate().lower()) + " to "
                                        + FindingWords.percent(l.rate().upper())),
                        Optional.of(ReportPdf.Bar.of(l.rate(), l.few()))))
                .toList();
    }
}
