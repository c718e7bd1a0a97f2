package org.evenhand.core.fruitset;

import java.util.Optional;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.statistics.Proportion;

/**
 * What one check at the flowers of one pollination found. Each number is of all its flowers up to that day, so that a later check takes
 * the place of an earlier one.
 *
 * @param flowers flowers that were pollinated, at least 1
 * @param taken green stalk and bulge, also where a fruitlet rests and does not grow
 * @param failed never set: browning stalk, or stalk gone
 * @param dropped fruitlets that had set and fell by themselves; the tree sheds what it cannot carry
 * @param unknown not known yet, as where the petals are still on
 * @param thinned fruitlets that somebody took off; they had taken
 * @param lost flowers whose mark is gone, so that nothing can be said of them
 */
public record CheckOutcome(int flowers, int taken, int failed, int dropped, int unknown, int thinned, int lost) {
    /** Some crops, such as pawpaw, set a cluster from one flower; more than this is a slip. Our convention. */
    public static final int MOST_FRUITS_OF_A_FLOWER = 20;

    public CheckOutcome {
        Require.within("flowers", flowers, 1, Integer.MAX_VALUE);
        Require.within("taken", taken, 0, Integer.MAX_VALUE);
        Require.within("failed", failed, 0, Integer.MAX_VALUE);
        Require.within("dropped", dropped, 0, Integer.MAX_VALUE);
        Require.within("unknown", unknown, 0, Integer.MAX_VALUE);
        Require.within("thinned", thinned, 0, Integer.MAX_VALUE);
        Require.within("lost", lost, 0, Integer.MAX_VALUE);
        long seen = (long) taken + failed + dropped + unknown + thinned + lost;
        if (seen > flowers) {
            throw new InvalidInputException(new FieldProblem(
                    "taken",
                    "together with the other numbers makes " + seen + ", but only "
                            + Plural.of(flowers, "flower was", "flowers were")
                            + " pollinated. Count again, or look whether a neighbour slipped in.",
                    Text.of("refused.check-too-many", "seen", seen, "flowers", flowers)));
        }
        if (seen == 0) {
            throw new InvalidInputException(new FieldProblem(
                    "taken",
                    "is 0 and so are the others; give at least one number.",
                    Text.of("refused.check-nothing")));
        }
    }

    /** Without any dropped or taken off, and with every mark in its place. */
    public static CheckOutcome of(int flowers, int taken, int failed, int unknown) {
        return new CheckOutcome(flowers, taken, failed, 0, unknown, 0, 0);
    }

    /** Flowers that were not found again, whether their mark is said to be gone or not; they count neither way. */
    public int notFound() {
        return flowers - taken - gone() - unknown - thinned;
    }

    /** Flowers that the numbers tell of, 1 to {@link #flowers()}. */
    public int accountedFor() {
        return flowers - notFound() + lost;
    }

    /** Flowers of which it is known what became of them, their lost mark included, 0 to {@link #flowers()}. */
    public int decided() {
        return accountedFor() - unknown;
    }

    /**
     * Whether less is known than at an earlier check of the same flowers. What is known once stays known: then only the flowers that
     * were found since may have been counted, and would take the place of all of them.
     */
    public boolean knowsLessThan(CheckOutcome earlier) {
        return decided() < earlier.decided();
    }

    /** Flowers that are gone by themselves, before or after they set. */
    public int gone() {
        return failed + dropped;
    }

    /** The share that took of those that are decided; absent while none is. */
    public Optional<Proportion> setRate() {
        int set = taken + dropped + thinned;
        return set + failed == 0 ? Optional.empty() : Optional.of(new Proportion(set, set + failed));
    }
}
