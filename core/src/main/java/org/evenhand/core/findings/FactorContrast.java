package org.evenhand.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/**
 * The class of a factor that stands out most against the usual one, with what can be said for sure.
 *
 * @param usual the class with most flowers
 * @param other the class that differs most for sure
 * @param difference of the other's share less the usual one's, with the interval at 90 %: each end is passed with a chance of 5 % only,
 *     so that "95 % sure that it is at least so much" can be said of the nearer end
 */
public record FactorContrast(Class usual, Class other, TwoProportions.Estimate difference) {
    /** Of fewer flowers nothing is compared. */
    public static final int LEAST_FLOWERS = 5;
    /** Fewer are called few. Our convention. */
    public static final int FEW_FLOWERS = 20;

    private static final double BOTH_ENDS = 0.9;

    /** A class and its share. */
    public record Class(String level, Proportion share) {}

    /** The contrast; empty where fewer than two classes have flowers enough. */
    public static Optional<FactorContrast> of(List<Class> classes) {
        List<Class> enough = classes.stream()
                .filter(c -> c.share().trials() >= LEAST_FLOWERS)
                .toList();
        if (enough.size() < 2) {
            return Optional.empty();
        }
        Class usual = enough.stream()
                .max(Comparator.<Class>comparingInt(c -> c.share().trials()).thenComparing(Class::level))
                .orElseThrow();
        return enough.stream()
                .filter(c -> c != usual)
                .map(c -> new FactorContrast(
                        usual, c, new TwoProportions(c.share(), usual.share()).difference(BOTH_ENDS)))
                .max(Comparator.comparingDouble(FactorContrast::atLeast)
                        .thenComparing(c -> c.other().level()));
    }

    /** How large the difference is at least, at 95 %; 0 or less where it may be none. */
    public double atLeast() {
        return Math.max(difference.lower(), -difference.upper());
    }

    public boolean sure() {
        return atLeast() > 0;
    }

    /** Fisher's exact test; reckoned when it is asked for, as it takes long for many flowers. */
    public double p() {
        return new TwoProportions(other.share(), usual.share()).exactP();
    }

    public boolean few() {
        return Math.min(usual.share().trials(), other.share().trials()) < FEW_FLOWERS;
    }

    /**
     * Whether it would still be sure, were it the most striking of so many looked at: Bonferroni's bound.
     *
     * @param comparisons how many were looked at, at least 1
     */
    public boolean sureAmong(int comparisons) {
        return p() * Math.max(1, comparisons) < 0.05;
    }
}
