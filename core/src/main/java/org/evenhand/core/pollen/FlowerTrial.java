package org.evenhand.core.pollen;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * A lot tried on spare flowers, if possible beside others done with fresh pollen.
 *
 * @param flowers flowers done with the lot, at least 1
 * @param taken of them, those that took
 * @param freshFlowers flowers done with fresh pollen beside them, 0 when there were none
 * @param freshTaken of them, those that took
 */
public record FlowerTrial(int flowers, int taken, int freshFlowers, int freshTaken) {
    private static final int STEPS = 240;

    /** Logarithm of a likelihood against the largest below which nothing is left. */
    private static final double NOTHING = -40;

    public FlowerTrial {
        Require.within("flowers", flowers, 1, 20_000);
        Require.within("taken", taken, 0, flowers);
        Require.within("freshFlowers", freshFlowers, 0, 20_000);
        Require.within("freshTaken", freshTaken, 0, freshFlowers);
    }

    /**
     * What to believe of the lot's viability v after the trial. A flower takes with chance {@code s · min(1, v / fresh)}, s being the
     * chance with fresh pollen, about which nothing is known beforehand but what the flowers beside it show. Summed over a grid of
     * v where anything is left of it, and for each over s about its likeliest value; matched to a Beta distribution. The proportion is an assumption of ours.
     *
     * @param before what was believed of v
     * @param fresh the crop's fresh viability, 0 to 1
     */
    public BetaPosterior learn(BetaPosterior before, double fresh) {
        double[] likelihoods = IntStream.range(0, STEPS)
                .mapToDouble(i -> logLikelihood((i + 0.5) / STEPS, fresh))
                .toArray();
        double most = Arrays.stream(likelihoods).max().orElseThrow();
        int first = 0;
        int last = STEPS - 1;
        while (likelihoods[first] < most + NOTHING) {
            first++;
        }
        while (likelihoods[last] < most + NOTHING) {
            last--;
        }
        return matched(before, fresh, Math.max(0, first - 1.0) / STEPS, Math.min(STEPS, last + 2.0) / STEPS, most);
    }

    private BetaPosterior matched(BetaPosterior before, double fresh, double from, double to, double most) {
        double width = (to - from) / STEPS;
        double sum = 0;
        double first = 0;
        double second = 0;
        for (int i = 0; i < STEPS; i++) {
            double low = from + i * width;
            double weight = before.cumulative(low + width) - before.cumulative(low);
            double v = low + width / 2;
            double p = weight * Math.exp(logLikelihood(v, fresh) - most);
            sum += p;
            first += p * v;
            second += p * v * v;
        }
        if (!(sum > 0)) {
            throw new InvalidInputException(
                    "taken",
                    "cannot be with what was believed of the lot; is it the right one, and are the counts right?");
        }
        double mean = first / sum;
        return BetaPosterior.ofMoments(mean, Math.max(1e-9, second / sum - mean * mean));
    }

    /** Logarithm of the chance of the counts were the lot's viability v, whatever s. The counts' chance is log-concave in s. */
    private double logLikelihood(double v, double fresh) {
        double vigour = Math.min(1, v / fresh);
        double low = 0;
        double high = 1;
        for (int cut = 0; cut < 60; cut++) {
            double left = low + (high - low) / 3;
            double right = high - (high - low) / 3;
            if (log(left, vigour) < log(right, vigour)) {
                low = left;
            } else {
                high = right;
            }
        }
        double top = (low + high) / 2;
        double most = log(top, vigour);
        // Never wider than this is what is left of s: the sharpest binomial has this spread about its top.
        double spread = 0.5 / Math.sqrt(Math.max(1, Math.max(flowers * vigour * vigour / 4, freshFlowers) / 4.0));
        double from = Math.max(0, top - 10 * spread);
        double width = (Math.min(1, top + 10 * spread) - from) / STEPS;
        double sum = 0;
        for (int j = 0; j < STEPS; j++) {
            sum += Math.exp(log(from + (j + 0.5) * width, vigour) - most) * width;
        }
        return most + Math.log(sum);
    }

    private double log(double s, double vigour) {
        return log(taken, flowers, s * vigour) + log(freshTaken, freshFlowers, s);
    }

    private static double log(int x, int n, double p) {
        return (x == 0 ? 0 : x * Math.log(p)) + (x == n ? 0 : (n - x) * Math.log1p(-p));
    }
}
