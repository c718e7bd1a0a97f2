package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import org.evenhand.core.Require;

/**
 * Flowers that had pollen and may have it once more: a stigma not yet covered then can be so now. Growers go over the same flowers for a
 * day or two, as long as stigmas last and there is pollen to spare; common practice.
 */
public final class SecondVisit {
    /** Before that a second visit adds little to the first. Our convention. */
    public static final Duration LEAST_BETWEEN = Duration.ofHours(10);
    /** When fewer of the stigmas take pollen, the pollen is better kept. Our convention. */
    public static final double LEAST_TAKING = 0.5;
    /**
     * What such a flower counts for beside one that had no pollen yet: so little that a flower that had none goes first wherever the
     * pollen is worth having for it. Our convention.
     */
    public static final double COUNTS = 0.2;

    private SecondVisit() {}

    /**
     * How receptive such flowers are when they would have pollen again.
     *
     * @param last when they had pollen for the last time
     * @param stillTaking chance that one of them takes pollen then, 0 to 1
     * @return the same chance; 0 where it is too early, or most of the stigmas are past it
     */
    public static double receptivity(Instant last, Instant at, double stillTaking) {
        Require.within("stillTaking", stillTaking, 0, 1);
        return at.isBefore(last.plus(LEAST_BETWEEN)) || stillTaking < LEAST_TAKING ? 0 : stillTaking;
    }
}
