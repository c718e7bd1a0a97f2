package org.evenhand.core.statistics;

import java.util.List;
import java.util.Optional;

/**
 * One ratio of two shares over several strata, as trees or evenings, each compared within itself. Mantel &amp; Haenszel 1959, JNCI
 * 22:719-748; variance of the logarithm by Greenland &amp; Robins 1985, Biometrics 41:55-68.
 *
 * @param ratio with its interval
 * @param standardErrorOfLog of the ratio's logarithm
 */
public record MantelHaenszelRatio(TwoProportions.Estimate ratio, double standardErrorOfLog) {

    /**
     * Empty where no stratum has successes on one of the two sides.
     *
     * @param strata at least one
     * @param confidence in (0, 1)
     */
    public static Optional<MantelHaenszelRatio> of(List<TwoProportions> strata, double confidence) {
        double ours = 0;
        double theirs = 0;
        double spread = 0;
        for (TwoProportions s : strata) {
            double x1 = s.one().successes();
            double n1 = s.one().trials();
            double x0 = s.other().successes();
            double n0 = s.other().trials();
            double n = n1 + n0;
            ours += x1 * n0 / n;
            theirs += x0 * n1 / n;
            spread += ((x1 + x0) * n1 * n0 - x1 * x0 * n) / (n * n);
        }
        if (ours == 0 || theirs == 0) {
            return Optional.empty();
        }
        double standardError = Math.sqrt(spread / (ours * theirs));
        return Optional.of(new MantelHaenszelRatio(
                TwoProportions.aroundLog(ours / theirs, standardError, confidence), standardError));
    }
}
