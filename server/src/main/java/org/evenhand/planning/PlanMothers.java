package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.planning.FlowersToDo;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.cropload.TargetView;
import org.evenhand.pollination.PollinationView;

/** Trees as the planner sees them, for one hour or for days. */
final class PlanMothers {
    /** A flower pollinated longer ago than this takes no more pollen. */
    static final Duration DONE_MATTERS = Duration.ofDays(4);

    private PlanMothers() {}

    /**
     * @param first the hour of the first round
     * @param before what was pollinated within {@link #DONE_MATTERS}, on any tree
     */
    static RoundRequest.Mother of(
            Foreseen tree, Instant first, Openings openings, List<PollinationView> before, TargetView.Budget budget) {
        double done = before.stream()
                .filter(p -> p.treeId().equals(tree.tree().id()) && !p.doneAt().isAfter(first))
                .mapToDouble(p -> p.flowers() * tree.stillReceptive(p.doneAt(), first))
                .sum();
        return new RoundRequest.Mother(
                new TreeId(tree.tree().id()),
                new Place(tree.tree().block(), tree.tree().row(), tree.tree().position()),
                budget.flowersWanted(),
                FlowersToDo.of(openings.taking(tree.sheet(), tree.forecast()), done, budget.weight()));
    }
}
