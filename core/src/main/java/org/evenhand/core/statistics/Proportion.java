package org.evenhand.core.statistics;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * So many of so many, with intervals for the share behind them.
 *
 * @param successes 0 to {@code trials}
 * @param trials at least 1
 */
public record Proportion(int successes, int trials) {
    /** The level of every interval shown to a grower. */
    public static final double USUAL_CONFIDENCE = 0.95;

    private static final NormalDistribution STANDARD_NORMAL = NormalDistribution.of(0, 1);

    public Proportion {
        if (trials < 1) {
            throw new InvalidInputException("n", "is " + trials + "; a share needs at least 1 of which to be a share.");
        }
        Require.within("x", successes, 0, trials);
    }

    /** An interval of shares, both ends included. */
    public record Interval(double lower, double upper) {}

    /** All of them together, as if counted in one; empty when there are none. */
    public static Optional<Proportion> pooled(List<Proportion> parts) {
        int successes = parts.stream().mapToInt(Proportion::successes).sum();
        int trials = parts.stream().mapToInt(Proportion::trials).sum();
        return parts.isEmpty() ? Optional.empty() : Optional.of(new Proportion(successes, trials));
    }

    /** The observed share. */
    public double share() {
        return (double) successes / trials;
    }

    /**
     * Score interval without continuity correction: {@code (p + z²/2n ∓ z √(pq/n + z²/4n²)) / (1 + z²/n)}; exactly 0 below at no
     * success, exactly 1 above at no failure. Wilson E.B. 1927, JASA 22:209-212.
     *
     * @param confidence in (0, 1)
     */
    public Interval wilson(double confidence) {
        double z = STANDARD_NORMAL.inverseSurvivalProbability(tail(confidence));
        double n = trials;
        double p = share();
        double middle = p + z * z / (2 * n);
        double half = z * Math.sqrt(p * (1 - p) / n + z * z / (4 * n * n));
        double scale = 1 + z * z / n;
        return between((middle - half) / scale, (middle + half) / scale);
    }

    /**
     * Exact interval from beta quantiles, α/2 on either side. Clopper &amp; Pearson 1934, Biometrika 26:404-413.
     *
     * @param confidence in (0, 1)
     */
    public Interval clopperPearson(double confidence) {
        double tail = tail(confidence);
        double lower = successes == 0
                ? 0
                : BetaDistribution.of(successes, trials - successes + 1.0).inverseCumulativeProbability(tail);
        double upper = successes == trials
                ? 1
                : BetaDistribution.of(successes + 1.0, trials - successes).inverseSurvivalProbability(tail);
        return between(lower, upper);
    }

    /**
     * Equal-tailed interval of Beta(x + ½, n − x + ½). Brown, Cai &amp; DasGupta 2001, Stat. Sci. 16:101-133.
     *
     * @param confidence in (0, 1)
     */
    public Interval jeffreys(double confidence) {
        double tail = tail(confidence);
        BetaDistribution beta = BetaDistribution.of(successes + 0.5, trials - successes + 0.5);
        return between(beta.inverseCumulativeProbability(tail), beta.inverseSurvivalProbability(tail));
    }

    private Interval between(double lower, double upper) {
        return new Interval(successes == 0 ? 0 : lower, successes == trials ? 1 : upper);
    }

    private static double tail(double confidence) {
        if (!(confidence > 0 && confidence < 1)) {
            throw new InvalidInputException("confidence_level", "is " + confidence + "; it must lie between 0 and 1.");
        }
        return (1 - confidence) / 2;
    }
}
