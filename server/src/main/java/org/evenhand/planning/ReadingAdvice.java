package org.evenhand.planning;

import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.FlowerCount;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.planning.ReadingWorth;
import org.evenhand.core.planning.RoundPlan;

/** Which trees to read before the next visit: those whose doubt would cost most fruits. */
final class ReadingAdvice {
    private static final int MOST = 3;

    private final PreparedPlan made;
    private final int round;
    private final Instant at;
    private final Map<LotId, PollenOption> sources;

    ReadingAdvice(PreparedPlan made, int round) {
        this.made = made;
        this.round = round;
        this.at = made.slots().get(round).at();
        this.sources = made.sources().stream().collect(Collectors.toMap(PollenOption::id, s -> s));
    }

    List<PlanView.ReadNext> trees() {
        return made.ground().trees().stream()
                .flatMap(t -> Stream.of(asMother(t), asFather(t)))
                .filter(r -> r.fruits() >= PlanConventions.WORTH_A_READING)
                .sorted(Comparator.comparingDouble((PlanView.ReadNext r) -> -r.fruits())
                        .thenComparing(PlanView.ReadNext::tree))
                // A tree that takes and gives is read once.
                .collect(Collectors.toMap(PlanView.ReadNext::treeId, r -> r, (a, b) -> a, LinkedHashMap::new))
                .values()
                .stream()
                .limit(MOST)
                .toList();
    }

    /** As many fruits as a flower done in the visit gives; none where the tree's flowers find no pollen as it is. */
    private PlanView.ReadNext asMother(Foreseen tree) {
        List<RoundPlan.Stop> stops = made.plan().stops().stream()
                .filter(s -> s.round() == round
                        && s.tree().value().equals(tree.tree().id()))
                .toList();
        boolean moreWouldBeLost = made.plan().unserved().stream()
                .anyMatch(u -> u.tree().value().equals(tree.tree().id()));
        return advice(tree, false, flowers(stops), moreWouldBeLost ? 0 : perFlower(stops));
    }

    /** As many fruits as the flowers give that have its pollen, where more of it would find flowers. */
    private PlanView.ReadNext asFather(Foreseen tree) {
        List<RoundPlan.Stop> stops = made.plan().stops().stream()
                .filter(s -> isFreshOf(sources.get(s.lot()), tree.tree().varietyId()))
                .toList();
        int doses = made.sources().stream()
                .filter(s -> isFreshOf(s, tree.tree().varietyId()))
                .mapToInt(PollenOption::doses)
                .sum();
        boolean scarce = flowers(stops) >= doses;
        double each = made.ground().varieties().get(tree.tree().varietyId()).dosesPerFlower(tree.sheet());
        return advice(tree, true, flowers(stops), scarce ? each * perFlower(stops) : 0);
    }

    private boolean isFreshOf(PollenOption source, UUID variety) {
        return source.toCollect()
                && source.round() == round
                && source.variety().id().equals(variety);
    }

    private static int flowers(List<RoundPlan.Stop> stops) {
        return stops.stream().mapToInt(RoundPlan.Stop::flowers).sum();
    }

    private double perFlower(List<RoundPlan.Stop> stops) {
        int flowers = flowers(stops);
        double fruits = stops.stream()
                .mapToDouble(s ->
                        s.full() * made.ground().budgets().get(s.tree().value()).share())
                .sum();
        return flowers == 0 ? 0 : fruits / flowers;
    }

    private ForecastPoint forecast(Foreseen tree) {
        return made.forecasts().at(tree, round);
    }

    private PlanView.ReadNext advice(Foreseen tree, boolean sheds, int decides, double perFlower) {
        ForecastPoint then = forecast(tree);
        FlowerCount foreseen = sheds ? then.shedding() : then.receptive();
        ReadingWorth worth = ReadingWorth.of(foreseen, perFlower);
        return new PlanView.ReadNext(
                tree.tree().id(),
                tree.tree().name(),
                tree.reading().takenAt(),
                at,
                sheds,
                foreseen.low(),
                foreseen.high(),
                decides,
                worth.fruits());
    }
}
