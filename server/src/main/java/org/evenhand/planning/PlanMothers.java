package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.core.planning.FlowersToDo;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.core.planning.TreeId;
import org.evenhand.cropload.TargetView;

/** Trees as the planner sees them, for one hour or for days. */
final class PlanMothers {

    private PlanMothers() {}

    /** @param visits hours of the visits, in order */
    static RoundRequest.Mother of(
            Foreseen tree,
            List<Instant> visits,
            AnthesisForecast openings,
            PlanningContext ground,
            TargetView.Budget budget) {
        List<OpenFlowers> open = FlowersToDo.of(
                openings.receptive(tree.sheet(), tree.forecast()), done(tree, visits.get(0), ground), budget.weight());
        List<OpenFlowers> left =
                FlowersToDo.withoutMadeReady(open, 0, ground.collected().buds(tree));
        return new RoundRequest.Mother(
                new TreeId(tree.tree().id()),
                new Place(tree.tree().block(), tree.tree().row(), tree.tree().position()),
                budget.flowersWanted(),
                FlowersToDo.leaveAlone(left, r -> leftAlone(tree, r, visits, ground, budget)),
                List.of(),
                IntStream.range(0, visits.size())
                        .filter(r -> ground.ruledOut(tree, visits.get(r)))
                        .boxed()
                        .collect(Collectors.toSet()),
                ground.effort(tree.sheet().key()));
    }

    /** Of a tree that is to bear nothing all, of one whose leaves are out too short a time those that open too early. */
    private static boolean leftAlone(
            Foreseen tree, int opensIn, List<Instant> visits, PlanningContext ground, TargetView.Budget budget) {
        return budget.flowersWanted() == 0
                || opensIn < visits.size()
                        && ground.begins(tree)
                                .filter(begin -> Rhythm.workday(visits.get(opensIn), ground.zone())
                                        .isBefore(begin))
                                .isPresent();
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
