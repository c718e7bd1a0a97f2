package org.evenhand.core.bloom;

import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * How many of a tree's flowers are in a phase: the mean and an interval that holds the true number eight times in ten.
 *
 * <p>The flowers read in stage s are each in the phase with probability p(s), independently; the number is then a sum of
 * binomials, computed exactly up to {@link #EXACT_UP_TO} flowers and by the normal approximation beyond. The interval covers the
 * chance of single flowers only, not the doubt about the crop sheet's durations or the weather.
 *
 * @param mean expected flowers
 * @param low whole flowers below which the number lies about once in ten
 * @param high whole flowers above which it lies about once in ten
 */
public record FlowerCount(double mean, int low, int high) {
    static final int EXACT_UP_TO = 400;
    private static final double TAIL = 0.1;
    private static final int ONE_BY_ONE = 30;

    /**
     * @param flowers flowers by starting stage
     * @param probability chance of one flower of that stage to be in the phase, 0 to 1
     */
    static FlowerCount of(double[] flowers, double[] probability) {
        double[] whole = new double[flowers.length];
        java.util.Arrays.fill(whole, 1);
        return of(flowers, probability, whole);
    }

    /**
     * @param share for each starting stage, the share of its flowers that was counted; the rest is reckoned, which adds the
     *     spread of a count of a part
     */
    static FlowerCount of(double[] flowers, double[] probability, double[] share) {
        double mean = 0;
        double variance = 0;
        double total = 0;
        boolean inPart = false;
        for (int s = 0; s < flowers.length; s++) {
            double p = probability[s];
            mean += flowers[s] * p;
            variance += flowers[s] * p * (1 - p);
            // Counted k of N flowers, each seen with chance q: N is k / q give or take the root of k (1 − q) / q².
            variance += p * p * flowers[s] * (1 - share[s]) / share[s];
            total += flowers[s] / share[s];
            inPart |= share[s] < 1;
        }
        if (variance < 1e-12) {
            return new FlowerCount(mean, (int) Math.round(mean), (int) Math.round(mean));
        }
        return total <= EXACT_UP_TO && !inPart
                ? exact(mean, distribution(flowers, probability))
                : normal(mean, Math.sqrt(variance), total);
    }

    /** The ends whose tails come nearest to one in ten: with few flowers no end can be exact. */
    private static FlowerCount exact(double mean, double[] chance) {
        return new FlowerCount(mean, nearestEnd(chance, TAIL), nearestEnd(chance, 1 - TAIL) - 1);
    }

    /** The number below which lies a share of chances as near as can be to the wanted one. */
    private static int nearestEnd(double[] chance, double wanted) {
        double below = 0;
        int end = 0;
        while (end < chance.length && Math.abs(below + chance[end] - wanted) <= Math.abs(below - wanted)) {
            below += chance[end++];
        }
        return end;
    }

    private static FlowerCount normal(double mean, double deviation, double total) {
        NormalDistribution normal = NormalDistribution.of(mean, deviation);
        // Half a flower is added below and taken off above, since a whole number stands for the half on either side.
        long low = Math.round(normal.inverseCumulativeProbability(TAIL) + 0.5);
        long high = Math.round(normal.inverseCumulativeProbability(1 - TAIL) - 0.5);
        return new FlowerCount(
                mean, (int) Math.max(0, Math.min(low, high)), (int) Math.min(total, Math.max(low, high)));
    }

    /** Chance of each number of flowers, the binomials of the starting stages folded together. */
    private static double[] distribution(double[] flowers, double[] probability) {
        double[] folded = {1};
        for (int s = 0; s < flowers.length; s++) {
            int n = (int) Math.round(flowers[s]);
            double p = Math.min(1, Math.max(0, probability[s]));
            if (n > 0 && p > 1e-12) {
                folded = fold(folded, n, p);
            }
        }
        return folded;
    }

    private static double[] fold(double[] before, int n, double p) {
        return n <= ONE_BY_ONE ? foldOneByOne(before, n, p) : foldBinomial(before, n, p);
    }

    /** For a few flowers it is quickest to add one after the other. */
    private static double[] foldOneByOne(double[] before, int n, double p) {
        double[] folded = java.util.Arrays.copyOf(before, before.length + n);
        for (int flower = 0; flower < n; flower++) {
            for (int k = before.length + flower; k > 0; k--) {
                folded[k] = folded[k] * (1 - p) + folded[k - 1] * p;
            }
            folded[0] *= 1 - p;
        }
        return folded;
    }

    private static double[] foldBinomial(double[] before, int n, double p) {
        BinomialDistribution binomial = BinomialDistribution.of(n, p);
        double[] after = new double[before.length + n];
        for (int k = 0; k <= n; k++) {
            double chance = binomial.probability(k);
            for (int j = 0; chance > 1e-15 && j < before.length; j++) {
                after[j + k] += before[j] * chance;
            }
        }
        return after;
    }
}
