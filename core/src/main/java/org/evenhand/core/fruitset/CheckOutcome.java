package org.evenhand.core.fruitset;

import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.findings.Proportion;

/**
 * What one look at the flowers of one pollination found.
 *
 * @param flowers flowers that were pollinated, at least 1
 * @param taken green stalk and bulge
 * @param failed browning stalk, or stalk gone
 * @param unknown not known yet
 */
public record CheckOutcome(int flowers, int taken, int failed, int unknown) {
    public CheckOutcome {
        Require.within("flowers", flowers, 1, Integer.MAX_VALUE);
        Require.within("taken", taken, 0, Integer.MAX_VALUE);
        Require.within("failed", failed, 0, Integer.MAX_VALUE);
        Require.within("unknown", unknown, 0, Integer.MAX_VALUE);
        long seen = (long) taken + failed + unknown;
        if (seen > flowers) {
            throw new InvalidInputException(
                    "taken",
                    "together with failed and not yet known makes " + seen + ", but only " + flowers
                            + " flowers were pollinated. Count again, or look whether a neighbour slipped in.");
        }
        if (seen == 0) {
            throw new InvalidInputException("taken", "is 0 and so are the others; give at least one number.");
        }
    }

    /** Flowers that were not found again; they count neither way. */
    public int notFound() {
        return flowers - taken - failed - unknown;
    }

    /** The share that took of those that are decided; absent while none is. */
    public Optional<Proportion> setRate() {
        int decided = taken + failed;
        return decided == 0 ? Optional.empty() : Optional.of(new Proportion(taken, decided));
    }
}
