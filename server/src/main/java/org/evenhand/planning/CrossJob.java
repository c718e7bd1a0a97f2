package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.IntPredicate;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CrossHabit;
import org.evenhand.core.crossing.CrossWork;
import org.evenhand.orchard.VarietyView;

/**
 * A cross as a plan sees it: one that is being made, or one that a wish calls for.
 *
 * @param crossing absent where it is not begun
 * @param wishId absent where nobody wished it
 * @param start when its first step is taken, where none was
 */
record CrossJob(
        UUID crossing,
        String label,
        UUID wishId,
        Foreseen tree,
        VarietyView father,
        int flowers,
        CrossWork work,
        Instant start,
        double weight) {
    /** A flower given pollen once more counts for less than one given it first. Our convention. */
    private static final double SECOND_COUNTS = 0.5;

    private static final String FIRST = "cross ";
    private static final String AGAIN = "again ";

    CrossHabit habit() {
        return tree.sheet().cross().orElseThrow();
    }

    double secondWeight() {
        return weight * SECOND_COUNTS;
    }

    /** Names of its groups of flowers in the planner's request. */
    String firstKey() {
        return FIRST + key();
    }

    String againKey() {
        return AGAIN + key();
    }

    private String key() {
        return crossing != null
                ? crossing.toString()
                : wishId + " on " + tree.tree().id();
    }

    boolean owns(String stage) {
        return stage.equals(firstKey()) || stage.equals(againKey());
    }

    RoundView.Cross ref() {
        return new RoundView.Cross(crossing, wishId, father.id(), father.name(), label);
    }

    /** Its steps in each of several rounds, given those in which it is visited. */
    List<List<CrossWork.Step>> steps(List<Instant> rounds, IntPredicate visited) {
        return work.inRounds(rounds, start, visited);
    }
}
