package org.evenhand.core.statistics;

import org.apache.commons.statistics.distribution.BetaDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * What is believed of a share: a Beta(a, b) distribution.
 *
 * @param a more than 0; reads as successes seen so far
 * @param b more than 0; reads as failures seen so far
 */
public record BetaPosterior(double a, double b) {
    /** Least and greatest weight of a belief that is matched to moments; keeps both ends computable. */
    private static final double LIGHTEST = 0.5;

    private static final double HEAVIEST = 1e6;

    public BetaPosterior {
        Require.positive("prior_a", a);
        Require.positive("prior_b", b);
    }

    /** A belief of a mean in (0, 1) that weighs as much as so many looks. */
    public static BetaPosterior ofMean(double mean, double looks) {
        double inside = Math.min(1 - 1e-9, Math.max(1e-9, mean));
        return new BetaPosterior(inside * looks, (1 - inside) * looks);
    }

    /** The Beta distribution with this mean and variance; where there is none, the nearest that has the mean. */
    public static BetaPosterior ofMoments(double mean, double variance) {
        double looks = mean * (1 - mean) / variance - 1;
        return ofMean(mean, Double.isNaN(looks) ? LIGHTEST : Math.min(HEAVIEST, Math.max(LIGHTEST, looks)));
    }

    /**
     * After seeing x of n: Beta(a + x, b + n − x).
     *
     * @throws InvalidInputException if {@code x} is not valid
     */
    public BetaPosterior after(double x, double n) {
        if (!(x >= 0 && x <= n)) {
            throw new InvalidInputException("x", "is " + x + " of " + n + "; it must lie between 0 and n.");
        }
        return new BetaPosterior(a + x, b + n - x);
    }

    public double mean() {
        return a / (a + b);
    }

    public double variance() {
        double n = a + b;
        return a * b / (n * n * (n + 1));
    }

    /** P(share ≤ s). */
    public double cumulative(double s) {
        return s <= 0 ? 0 : s >= 1 ? 1 : BetaDistribution.of(a, b).cumulativeProbability(s);
    }

    /** The share below which it lies with a chance in (0, 1). */
    public double quantile(double chance) {
        return BetaDistribution.of(a, b).inverseCumulativeProbability(chance);
    }

    /** Equal-tailed interval. */
    public Proportion.Interval interval(double confidence) {
        double tail = (1 - confidence) / 2;
        BetaDistribution beta = BetaDistribution.of(a, b);
        return new Proportion.Interval(beta.inverseCumulativeProbability(tail), beta.inverseSurvivalProbability(tail));
    }

    /**
     * What the next m looks will show.
     *
     * @throws InvalidInputException if {@code m} is not valid
     */
    public Predictive next(int m) {
        return new Predictive(this, Require.within("m", m, 0, 1_000_000));
    }

    /**
     * Beta-binomial: {@code P(K = k) = C(m, k) B(k + a, m − k + b) / B(a, b)}, reckoned by the ratio of neighbours.
     *
     * @param belief of the share
     * @param m number of looks
     */
    public record Predictive(BetaPosterior belief, int m) {

        /** P(K = k) for k from 0 to m. */
        public double[] probabilities() {
            double[] p = new double[m + 1];
            double a = belief.a();
            double b = belief.b();
            for (int k = 0; k < m; k++) {
                // Logarithms: P(K = 0) can be far below the smallest double.
                p[k + 1] = p[k] + Math.log((m - k) / (k + 1.0) * (k + a) / (m - k - 1 + b));
            }
            double top = java.util.Arrays.stream(p).max().orElse(0);
            double sum = 0;
            for (int k = 0; k <= m; k++) {
                p[k] = Math.exp(p[k] - top);
                sum += p[k];
            }
            for (int k = 0; k <= m; k++) {
                p[k] /= sum;
            }
            return p;
        }

        public double mean() {
            return m * belief.mean();
        }

        public double standardDeviation() {
            double n = belief.a() + belief.b();
            double mean = belief.mean();
            return Math.sqrt(m * mean * (1 - mean) * (n + m) / (n + 1));
        }

        /** P(K ≥ k). */
        public double atLeast(int k) {
            double[] p = probabilities();
            double sum = 0;
            for (int i = m; i >= Math.max(0, k); i--) {
                sum += p[i];
            }
            return Math.min(1, sum);
        }

        /** The smallest k with P(K ≤ k) of at least a share in (0, 1). */
        public int quantile(double share) {
            double[] p = probabilities();
            double sum = 0;
            for (int k = 0; k < m; k++) {
                sum += p[k];
                if (sum >= share) {
                    return k;
                }
            }
            return m;
        }
    }
}
