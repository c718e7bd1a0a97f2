package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.IntPredicate;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.PlanWeights;
import org.evenhand.orchard.VarietyView;

/**
 * A cross as a plan sees it: one that is being made, or one that a request calls for.
 *
 * @param controlledCross absent where it is not begun
 * @param crossRequestId absent where nobody requested it
 * @param start when its first step is taken, where none was
 */
record CrossDemand(
        UUID controlledCross,
        String label,
        UUID crossRequestId,
        Foreseen tree,
        VarietyView father,
        int flowers,
        CrossProtocol work,
        Instant start,
        double weight) {
    CrossTraits traits() {
        return tree.sheet().cross().orElseThrow();
    }

    double secondWeight() {
        return weight * PlanWeights.USUAL.repeatOfCross();
    }

    /** Its flowers in the planner's request. */
    FlowerGroupId.FirstVisit firstVisit() {
        return new FlowerGroupId.FirstVisit(
                controlledCross != null ? controlledCross : crossRequestId,
                tree.tree().id());
    }

    FlowerGroupId.RepeatVisit repeatVisit() {
        return new FlowerGroupId.RepeatVisit(firstVisit().cross(), firstVisit().tree());
    }

    boolean owns(FlowerGroupId group) {
        return group.equals(firstVisit()) || group.equals(repeatVisit());
    }

    RoundView.Cross ref() {
        return new RoundView.Cross(controlledCross, crossRequestId, father.id(), father.name(), label);
    }

    /** Its steps in each of several rounds, given those in which it is visited. */
    List<List<CrossProtocol.Step>> steps(List<Instant> rounds, IntPredicate visited) {
        return work.inRounds(rounds, start, visited);
    }
}
