package org.evenhand.core.bloom.forecast;

import org.evenhand.core.Require;

/**
 * What is believed of a variety's development rate before its readings are asked.
 *
 * @param factor median of the factor on all durations of the sheet, 0.2 to 5; more than 1 is slower
 * @param spread standard deviation of its logarithm, 0 where the factor is known
 */
public record RatePrior(double factor, double spread) {
    /** Varieties of a crop differ by so much. Our convention. */
    public static final double USUAL_SPREAD = 0.15;

    /** Doubt that is left about a factor somebody has set for a variety. Our convention. */
    public static final double SET_SPREAD = 0.03;

    public RatePrior {
        Require.within("developmentRateFactor", factor, 0.2, 5);
        Require.within("developmentRateSpread", spread, 0, 1);
    }

    public static RatePrior usual() {
        return new RatePrior(1, USUAL_SPREAD);
    }

    /** The sheet's own rate, without doubt. */
    public static RatePrior sheet() {
        return new RatePrior(1, 0);
    }
}
