package org.evenhand.core.statistics;

import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * How many flowers each of two ways needs, so that a difference in their shares will most likely be seen.
 *
 * @param flowers of each way
 * @param power the chance that the interval of the difference leaves out 0, were the shares those expected
 * @param falseAlarm the same chance were both the first share
 */
public record SampleSize(int flowers, double power, double falseAlarm) {
    /** Beyond this a trial is no grower's work. */
    public static final int MOST = 2000;

    private static final NormalDistribution STANDARD_NORMAL = NormalDistribution.of(0, 1);

    /**
     * By the usual formula with both variances, without continuity correction: Fleiss, Levin &amp; Paik 2003, Statistical Methods for
     * Rates and Proportions, 3rd edition, formula 4.14. Not rounded.
     *
     * @param one the share expected of the first way, in (0, 1)
     * @param other of the second, another
     * @param confidence of the interval, in (0, 1)
     * @param power wanted, in (0, 1)
     * @throws InvalidInputException if {@code other} is not valid
     */
    public static double byFormula(double one, double other, double confidence, double power) {
        requireShare("one", one);
        requireShare("other", other);
        if (Math.abs(one - other) < 1e-9) {
            throw new InvalidInputException(
                    "other", "is the same as the first; say how large a difference would matter to you.");
        }
        double a = STANDARD_NORMAL.inverseSurvivalProbability((1 - confidence) / 2);
        double b = STANDARD_NORMAL.inverseCumulativeProbability(power);
        double mean = (one + other) / 2;
        double sum = a * Math.sqrt(2 * mean * (1 - mean)) + b * Math.sqrt(one * (1 - one) + other * (1 - other));
        return sum * sum / ((one - other) * (one - other));
    }

    private static void requireShare(String field, double share) {
        if (!(share > 0 && share < 1)) {
            throw new InvalidInputException(field, "is " + share + "; give a share above 0 and below 1.");
        }
    }

    /**
     * The smallest trial of at least the power wanted, judged as it will be judged: Newcombe's interval of the difference leaves out 0.
     * The power is exact, summed over all outcomes; near the formula's answer it is not always rising, so that the first number is
     * taken from which on it holds for the next few too.
     *
     * @throws InvalidInputException if {@code other} is not valid
     */
    public static SampleSize of(double one, double other, double confidence, double power) {
        double formula = byFormula(one, other, confidence, power);
        if (formula > MOST) {
            throw new InvalidInputException(
                    "other",
                    "differs so little that about " + Math.round(formula)
                            + " flowers of each treatment would be needed. Look for a larger difference.");
        }
        int n = Math.max(4, (int) (formula * 0.8));
        while (n < 2 * MOST && !holds(n, one, other, confidence, power)) {
            n++;
        }
        return withFlowers(n, one, other, confidence);
    }

    private static boolean holds(int n, double one, double other, double confidence, double power) {
        return IntStream.range(n, n + 3).allMatch(m -> seen(m, one, other, confidence) >= power);
    }

    /**
     * What a trial of so many flowers of each way would show.
     *
     * @throws InvalidInputException if {@code flowers} is not valid
     */
    public static SampleSize withFlowers(int flowers, double one, double other, double confidence) {
        Require.within("flowers", flowers, 2, 2 * MOST + 10);
        requireShare("one", one);
        requireShare("other", other);
        return new SampleSize(flowers, seen(flowers, one, other, confidence), seen(flowers, one, one, confidence));
    }

    /** The chance that the interval leaves out 0. */
    private static double seen(int n, double one, double other, double confidence) {
        BinomialDistribution first = BinomialDistribution.of(n, one);
        BinomialDistribution second = BinomialDistribution.of(n, other);
        double[] chances =
                IntStream.rangeClosed(0, n).mapToDouble(second::probability).toArray();
        Proportion.Interval[] wilson = IntStream.rangeClosed(0, n)
                .mapToObj(x -> new Proportion(x, n).wilson(confidence))
                .toArray(Proportion.Interval[]::new);
        double sum = 0;
        for (int x = 0; x <= n; x++) {
            double p = first.probability(x);
            if (p < 1e-12) {
                continue;
            }
            double inside = 0;
            for (int y = 0; y <= n; y++) {
                inside += chances[y] > 1e-12 && apart(n, x, y, wilson) ? chances[y] : 0;
            }
            sum += p * inside;
        }
        return Math.min(1, sum);
    }

    private static boolean apart(int n, int x, int y, Proportion.Interval[] wilson) {
        double p = (double) x / n;
        double q = (double) y / n;
        return p > q
                ? p - q > Math.hypot(p - wilson[x].lower(), wilson[y].upper() - q)
                : q - p > Math.hypot(q - wilson[y].lower(), wilson[x].upper() - p);
    }
}
