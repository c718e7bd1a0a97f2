package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.planning.FlowersToDo;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.cropload.TargetView;

/** Trees as the planner sees them, for one hour or for days. */
final class PlanMothers {
    /** A flower pollinated longer ago than this takes no more pollen. */
    static final Duration DONE_MATTERS = Duration.ofDays(4);

    private PlanMothers() {}

    /** @param first the hour of the first round */
    static RoundRequest.Mother of(
            Foreseen tree, Instant first, Openings openings, PlanningContext ground, TargetView.Budget budget) {
        return new RoundRequest.Mother(
                new TreeId(tree.tree().id()),
                new Place(tree.tree().block(), tree.tree().row(), tree.tree().position()),
                budget.flowersWanted(),
                FlowersToDo.withoutMadeReady(
                        FlowersToDo.of(
                                openings.taking(tree.sheet(), tree.forecast()),
                                done(tree, first, ground),
                                budget.weight()),
                        0,
                        ground.collected().buds(tree)));
    }

    /** Expected flowers of a tree that had pollen before a moment, or were picked for theirs, and could still take it then. */
    static double done(Foreseen tree, Instant at, PlanningContext ground) {
        return ground.before().stream()
                        .filter(p -> p.treeId().equals(tree.tree().id())
                                && !p.doneAt().isAfter(at))
                        .mapToDouble(p -> p.flowers() * tree.stillReceptive(p.doneAt(), at))
                        .sum()
                + ground.collected().stillReceptive(tree, at);
    }
}
