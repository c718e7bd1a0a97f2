package org.evenhand.core.bloom.forecast;

import org.evenhand.core.Require;

/**
 * How many of a tree's flowers are in a phase: the mean and an interval that holds the true number at least eight times in ten.
 *
 * <p>The number is taken to be binomial, Poisson or negative binomial, whichever has its mean and variance, and normal where many
 * flowers are expected. The ends are the smallest whole numbers that are passed with a chance of one and of nine in ten.
 *
 * @param mean expected flowers
 * @param low whole flowers below which the number lies at most once in ten
 * @param high whole flowers above which it lies at most once in ten
 */
public record FlowerCount(double mean, int low, int high) {
    private static final double TAIL = 0.1;
    private static final double MOST = 1e12;

    /** Standard deviations from the middle beyond which a normal number lies once in ten, on one side. */
    private static final double NORMAL_TAIL = 1.2815515655446004;

    /** Expected flowers from which the normal distribution stands in. */
    private static final double MANY = 60;

    /** So little over a whole number of flowers does not call for another one. */
    private static final double NEARLY_WHOLE = 0.01;

    /** Logarithm of the chance of none below which it cannot be known from 0: many flowers, nearly all of them there. */
    private static final double LEAST_LOG = -600;

    /**
     * @param mean expected flowers, 0 or more
     * @param variance of their number, 0 or more
     */
    static FlowerCount of(double mean, double variance) {
        Require.within("mean", mean, 0, MOST);
        Require.within("variance", variance, 0, MOST * MOST);
        if (variance < 1e-9) {
            int all = (int) Math.round(mean);
            return new FlowerCount(mean, all, all);
        }
        return mean > MANY ? normal(mean, variance) : counted(mean, variance);
    }

    private static FlowerCount normal(double mean, double variance) {
        double off = NORMAL_TAIL * Math.sqrt(variance);
        // A whole number stands for the half on either side of it.
        return new FlowerCount(mean, (int) Math.max(0, Math.ceil(mean - off - 0.5)), (int) Math.ceil(mean + off - 0.5));
    }

    /**
     * The three distributions have chances that follow from each other, p(k) = p(k − 1) · (a + b / k) [Panjer's class], with a below 0
     * for the binomial, 0 for Poisson's, above 0 for the negative binomial.
     */
    private static FlowerCount counted(double mean, double variance) {
        double ratio = variance / mean;
        double a;
        double b;
        double logNone;
        if (ratio < 1 - 1e-9) {
            // A binomial of whole flowers: the nearest number, the chance following from the mean.
            double flowers = Math.max(Math.ceil(mean - NEARLY_WHOLE), Math.round(mean / (1 - ratio)));
            double chance = mean / flowers;
            if (chance >= 1) {
                return new FlowerCount(mean, (int) flowers, (int) flowers);
            }
            a = -chance / (1 - chance);
            b = -(flowers + 1) * a;
            logNone = flowers * Math.log1p(-chance);
        } else if (ratio < 1 + 1e-6) {
            a = 0;
            b = mean;
            logNone = -mean;
        } else {
            double size = mean / (ratio - 1);
            a = 1 - 1 / ratio;
            b = (size - 1) * a;
            logNone = -size * Math.log(ratio);
        }
        if (logNone < LEAST_LOG) {
            return normal(mean, variance);
        }
        double chance = Math.exp(logNone);
        double below = chance;
        int k = 0;
        int low = below >= TAIL ? 0 : -1;
        while (below < 1 - TAIL) {
            k++;
            chance *= Math.max(0, a + b / k);
            below += chance;
            low = low < 0 && below >= TAIL ? k : low;
        }
        return new FlowerCount(mean, Math.max(low, 0), k);
    }
}
