package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.evenhand.core.Require;

/**
 * Flowers that had pollen and may have it once more: a stigma not yet covered then can be so now. Growers go over the same flowers for a
 * day or two, as long as stigmas last and there is pollen to spare; common practice.
 *
 * @param flowers how many there is pollen for, at least 1
 * @param stillTaking chance that one of them still takes pollen, 0 to 1
 */
public record SecondVisit(int flowers, double stillTaking) {
    /** Before that a second visit adds little to the first. Our convention. */
    public static final Duration LEAST_BETWEEN = Duration.ofHours(10);
    /** When fewer of the stigmas take pollen, the pollen is better kept. Our convention. */
    public static final double LEAST_TAKING = 0.5;

    public SecondVisit {
        Require.within("flowers", flowers, 1, Integer.MAX_VALUE);
    }

    /** Whether flowers that had pollen at one moment need none yet at another. */
    public static boolean tooEarly(Instant last, Instant at) {
        return at.isBefore(last.plus(LEAST_BETWEEN));
    }

    /**
     * Whether it is worth it.
     *
     * @param flowers done before
     * @param last when they had pollen for the last time
     * @param at when they would have it again
     * @param stillTaking chance that one of them takes pollen then, 0 to 1
     * @param spareDoses doses of the same pollen that nothing else needs, 0 or more
     * @return empty where it is too early, too late, or there is no pollen to spare
     */
    public static Optional<SecondVisit> of(int flowers, Instant last, Instant at, double stillTaking, int spareDoses) {
        int served = Math.min(flowers, Require.within("spareDoses", spareDoses, 0, Integer.MAX_VALUE));
        return tooEarly(last, at) || stillTaking < LEAST_TAKING || served == 0
                ? Optional.empty()
                : Optional.of(new SecondVisit(served, stillTaking));
    }
}
