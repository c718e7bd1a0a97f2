package org.evenhand.core.pollen;

import org.evenhand.core.Require;
import org.evenhand.core.findings.BetaBelief;

/**
 * A lot tried on spare flowers, if possible beside others done with fresh pollen.
 *
 * @param flowers flowers done with the lot, at least 1
 * @param taken of them, those that took
 * @param freshFlowers flowers done with fresh pollen beside them, 0 when there were none
 * @param freshTaken of them, those that took
 */
public record FlowerTrial(int flowers, int taken, int freshFlowers, int freshTaken) {
    private static final int STEPS = 120;

    public FlowerTrial {
        Require.within("flowers", flowers, 1, 20_000);
        Require.within("taken", taken, 0, flowers);
        Require.within("freshFlowers", freshFlowers, 0, 20_000);
        Require.within("freshTaken", freshTaken, 0, freshFlowers);
    }

    /**
     * What to believe of the lot's viability v after the trial. A flower takes with chance {@code s · min(1, v / fresh)}, s being the
     * chance with fresh pollen, about which nothing is known beforehand but what the flowers beside it show. Reckoned on a grid of v
     * and s and matched to a Beta distribution. The proportion is an assumption of ours.
     *
     * @param before what was believed of v
     * @param fresh the crop's fresh viability, 0 to 1
     */
    public BetaBelief learn(BetaBelief before, double fresh) {
        double sum = 0;
        double first = 0;
        double second = 0;
        for (int i = 0; i < STEPS; i++) {
            double low = before.cumulative((double) i / STEPS);
            double weight = before.cumulative((i + 1.0) / STEPS) - low;
            double v = (i + 0.5) / STEPS;
            double p = weight * likelihood(Math.min(1, v / fresh));
            sum += p;
            first += p * v;
            second += p * v * v;
        }
        double mean = first / sum;
        return BetaBelief.ofMoments(mean, Math.max(1e-9, second / sum - mean * mean));
    }

    private double likelihood(double vigour) {
        double sum = 0;
        for (int j = 0; j < STEPS; j++) {
            double s = (j + 0.5) / STEPS;
            sum += Math.exp(log(taken, flowers, s * vigour) + log(freshTaken, freshFlowers, s));
        }
        return sum;
    }

    private static double log(int x, int n, double p) {
        return (x == 0 ? 0 : x * Math.log(p)) + (x == n ? 0 : (n - x) * Math.log1p(-p));
    }
}
