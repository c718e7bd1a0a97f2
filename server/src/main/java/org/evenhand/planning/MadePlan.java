package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;

/**
 * A plan with all that it was made from.
 *
 * @param request what was asked of the planner, with what people chose and the visits worth going
 * @param choices what people decided beforehand
 * @param chosen the plan that keeps to it, and the one without
 */
record MadePlan(
        PlanningContext ground,
        List<VisitWindow> slots,
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

    /** Flowers of a tree that open until a round and that no round serves. */
    int leftUntil(int round, TreeId tree) {
        List<RoundRequest.OpenFlowers> groups = request.mothers().stream()
                .filter(m -> m.id().equals(tree))
                .flatMap(m -> m.flowers().stream())
                .toList();
        int left = 0;
        for (int g = 0; g < groups.size(); g++) {
            boolean opens =
                    groups.get(g).receptivity().subList(0, round + 1).stream().anyMatch(r -> r > 0);
            left += opens ? groups.get(g).flowers() - served(tree, g) : 0;
        }
        return left;
    }

    private int served(TreeId tree, int group) {
        return plan().stops().stream()
                .filter(s -> s.tree().equals(tree))
                .flatMap(s -> s.groups().stream())
                .filter(f -> f.group() == group)
                .mapToInt(RoundPlan.OfGroup::flowers)
                .sum();
    }
}
