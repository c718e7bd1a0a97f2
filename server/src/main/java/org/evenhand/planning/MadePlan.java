package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;

/**
 * A plan with all that it was made from.
 *
 * @param request what was asked of the planner, without anybody's choices
 * @param choices what people decided beforehand
 * @param chosen the plan that keeps to it, and the one without
 */
record MadePlan(
        PlanGround ground,
        List<PlanSlot> slots,
        List<PlanSource> sources,
        PlanCrosses crosses,
        RoundRequest request,
        List<RoundChoice> choices,
        ChosenPlan chosen) {

    RoundPlan plan() {
        return chosen.plan();
    }

    /** The last round before a moment; the first of all where there is none. */
    int lastBefore(Instant end) {
        return (int)
                Math.max(0, slots.stream().filter(s -> s.at().isBefore(end)).count() - 1);
    }

    /** Flowers of a tree that could be given pollen in a round and have none by its end. */
    int leftAfter(int round, TreeId tree) {
        int open = request.mothers().stream()
                .filter(m -> m.id().equals(tree))
                .flatMap(m -> m.flowers().stream())
                .filter(f -> f.receptivity().get(round) > 0)
                .mapToInt(RoundRequest.OpenFlowers::flowers)
                .sum();
        int served = plan().stops().stream()
                .filter(s -> s.round() <= round && s.tree().equals(tree))
                .mapToInt(RoundPlan.Stop::flowers)
                .sum();
        return open - served;
    }
}
