package org.evenhand.core.planning;

import org.evenhand.core.Require;
import org.evenhand.core.bloom.forecast.FlowerCount;

/**
 * What it is worth to read a tree again before a visit.
 *
 * <p>A visit is made ready for the flowers that are foreseen. Those that are there beyond that number find no pollen, no time and no
 * place in the walk. With a normal number of standard deviation σ they are σ / √(2π) on average, whatever the mean. A reading brings σ
 * down to what a tree that was just read is in doubt about; the difference is what it saves.
 *
 * @param flowers expected flowers that would be missed without the reading
 * @param fruits the same in fruits
 */
public record ReadingWorth(double flowers, double fruits) {
    /** Standard deviations between the two ends of an interval that holds eight in ten. */
    private static final double ENDS = 2 * 1.2815515655446004;

    /** Between a reading and the visit each flower may still move on: variance of one. Our convention. */
    private static final double EACH_MAY_MOVE = 0.25;

    /** A count is off by this share. Our convention, as in the forecast. */
    private static final double MISCOUNTED = 0.1;

    /**
     * @param foreseen flowers of the tree at the visit
     * @param fruitsPerFlower what a flower more is worth, fruits, 0 or more
     * @throws org.evenhand.core.InvalidInputException if {@code fruitsPerFlower} is not valid
     */
    public static ReadingWorth of(FlowerCount foreseen, double fruitsPerFlower) {
        Require.within("fruitsPerFlower", fruitsPerFlower, 0, 1e6);
        double before = (foreseen.high() - foreseen.low()) / ENDS;
        double counting = MISCOUNTED * foreseen.mean();
        double after = Math.sqrt(EACH_MAY_MOVE * foreseen.mean() + counting * counting);
        double missed = Math.max(0, before - after) / Math.sqrt(2 * Math.PI);
        return new ReadingWorth(missed, missed * fruitsPerFlower);
    }
}
