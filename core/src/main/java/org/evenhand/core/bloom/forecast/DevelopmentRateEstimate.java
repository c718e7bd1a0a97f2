package org.evenhand.core.bloom.forecast;

/**
 * How much slower or faster than its sheet a variety develops, as its trees' readings show.
 *
 * @param factor on all durations; more than 1 is slower
 * @param low it is below this with a chance of one in ten
 * @param high it is above this with a chance of one in ten
 * @param readings of its trees that it rests on
 */
public record DevelopmentRateEstimate(double factor, double low, double high, int readings) {
    private static final double NORMAL_TAIL = 1.2816;

    static DevelopmentRateEstimate of(VarietyEstimator.Estimate estimate, int readings) {
        double off = NORMAL_TAIL * estimate.logRateSd();
        return new DevelopmentRateEstimate(
                Math.exp(estimate.logRate()),
                Math.exp(estimate.logRate() - off),
                Math.exp(estimate.logRate() + off),
                readings);
    }
}
