package org.evenhand.core.statistics;

import java.util.Optional;
import org.apache.commons.statistics.distribution.HypergeometricDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.evenhand.core.InvalidInputException;

/**
 * Two shares side by side, as of flowers done by hand and flowers left to nature.
 *
 * @param one the share that is compared
 * @param other the share that it is compared with
 */
public record TwoProportions(Proportion one, Proportion other) {
    private static final NormalDistribution STANDARD_NORMAL = NormalDistribution.of(0, 1);
    /** Tables whose chances differ by less are equally likely: rounding must not leave one out. */
    private static final double ALIKE = 1e-7;

    /** A difference or a ratio with its interval, both ends included. */
    public record Estimate(double value, double lower, double upper) {}

    /**
     * Difference of the shares, from the Wilson limits of each, without continuity correction. Newcombe 1998, Stat. Med. 17:873-890,
     * method 10.
     *
     * @param confidence in (0, 1)
     */
    public Estimate difference(double confidence) {
        Proportion.Interval a = one.wilson(confidence);
        Proportion.Interval b = other.wilson(confidence);
        double p = one.share();
        double q = other.share();
        return new Estimate(
                p - q,
                p - q - Math.hypot(p - a.lower(), b.upper() - q),
                p - q + Math.hypot(a.upper() - p, q - b.lower()));
    }

    /**
     * Ratio of the shares by the logarithm's standard error; empty where one of them has no success, as no ratio can be said then.
     * Katz et al. 1978, Biometrics 34:469-474.
     *
     * @param confidence in (0, 1)
     */
    public Optional<Estimate> ratio(double confidence) {
        if (one.successes() == 0 || other.successes() == 0) {
            return Optional.empty();
        }
        double standardError =
                Math.sqrt(1.0 / one.successes() - 1.0 / one.trials() + 1.0 / other.successes() - 1.0 / other.trials());
        return Optional.of(aroundLog(one.share() / other.share(), standardError, confidence));
    }

    /**
     * A ratio with the interval that is even on its logarithm.
     *
     * @param ratio more than 0
     * @param standardErrorOfLog of its logarithm, 0 or more
     * @param confidence in (0, 1)
     * @throws InvalidInputException if {@code confidence_level} is not valid
     */
    public static Estimate aroundLog(double ratio, double standardErrorOfLog, double confidence) {
        if (!(confidence > 0 && confidence < 1)) {
            throw new InvalidInputException("confidence_level", "is " + confidence + "; it must lie between 0 and 1.");
        }
        double factor = Math.exp(STANDARD_NORMAL.inverseSurvivalProbability((1 - confidence) / 2) * standardErrorOfLog);
        return new Estimate(ratio, ratio / factor, ratio * factor);
    }

    /**
     * Fisher's exact test, two-sided: the chance, were the two shares one, of a table with these margins that is no likelier than
     * this one.
     */
    public double exactP() {
        int trials = one.trials() + other.trials();
        int successes = one.successes() + other.successes();
        HypergeometricDistribution tables = HypergeometricDistribution.of(trials, successes, one.trials());
        double here = tables.probability(one.successes()) * (1 + ALIKE);
        int low = tables.getSupportLowerBound();
        int high = tables.getSupportUpperBound();
        int top = (int) Math.min(high, Math.max(low, (one.trials() + 1L) * (successes + 1L) / (trials + 2L)));
        // Chances fall from the likeliest table to both sides: on each only those no likelier than this one count.
        double sum = tail(tables, first(tables, top, 1, high, here), 1, high)
                + (top == low ? 0 : tail(tables, first(tables, top - 1, -1, low, here), -1, low));
        return Math.min(1, sum);
    }

    /** The first table from {@code from} towards {@code end} that is no likelier than a chance; beyond the end where there is none. */
    private static int first(HypergeometricDistribution tables, int from, int step, int end, double chance) {
        int near = from;
        int far = end + step;
        while (near != far) {
            int middle = (int) (((long) near + far + (step < 0 ? 1 : 0)) >> 1);
            if (tables.probability(middle) <= chance) {
                far = middle;
            } else {
                near = middle + step;
            }
        }
        return near;
    }

    /** The sum from a table outwards, until what is left adds nothing. */
    private static double tail(HypergeometricDistribution tables, int from, int step, int end) {
        double sum = 0;
        for (int x = from; step > 0 ? x <= end : x >= end; x += step) {
            double chance = tables.probability(x);
            sum += chance;
            if (chance < sum * 1e-17) {
                break;
            }
        }
        return sum;
    }
}
