package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;

/**
 * A plan with all that it was made from.
 *
 * @param request what was asked of the planner, with what people chose and the visits worth going
 * @param choices what people decided beforehand
 * @param chosen the plan that keeps to it, and the one without
 */
record PreparedPlan(
        PlanningContext ground,
        List<VisitWindow> slots,
        VisitForecasts forecasts,
        List<PollenOption> sources,
        PlanCrosses crosses,
        PlanSecondVisits again,
        RoundRequest request,
        List<PollenOverride> choices,
        OverriddenPlan chosen) {

    RoundPlan plan() {
        return chosen.plan();
    }

    /** Fruits to be expected: what each stop is worth in full flowers, times the share that sets on that tree. */
    double fruits(List<RoundPlan.Stop> stops) {
        return stops.stream()
                .mapToDouble(
                        s -> s.full() * ground.budgets().get(s.tree().value()).share())
                .sum();
    }

    /** Fruits that the plan lets expect. */
    double fruits() {
        return fruits(plan().stops());
    }

    /** The round that begins at a moment. */
    OptionalInt roundAt(Instant at) {
        return IntStream.range(0, slots.size())
                .filter(r -> slots.get(r).at().equals(at))
                .findFirst();
    }

    /** The last round before a moment; the first of all where there is none. */
    int lastBefore(Instant end) {
        return (int)
                Math.max(0, slots.stream().filter(s -> s.at().isBefore(end)).count() - 1);
    }
}
