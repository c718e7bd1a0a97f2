package org.evenhand.core.statistics;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.TDistribution;
import org.evenhand.core.Require;

/**
 * The mean of some numbers and how sure it is.
 *
 * @param n how many, at least 1
 * @param mean their mean
 * @param sumOfSquares of their distances from the mean, 0 or more
 */
public record MeanInterval(int n, double mean, double sumOfSquares) {
    public MeanInterval {
        Require.within("n", n, 1, Integer.MAX_VALUE);
        Require.within("sumOfSquares", sumOfSquares, 0, Double.MAX_VALUE);
    }

    /** Of numbers, at least one. */
    public static MeanInterval of(List<Double> numbers) {
        double mean = numbers.stream().mapToDouble(Double::doubleValue).sum() / numbers.size();
        return new MeanInterval(
                numbers.size(),
                mean,
                numbers.stream().mapToDouble(x -> (x - mean) * (x - mean)).sum());
    }

    /**
     * Student's interval; empty for a single number.
     *
     * @param confidence in (0, 1)
     */
    public Optional<Proportion.Interval> interval(double confidence) {
        if (n < 2) {
            return Optional.empty();
        }
        double error = Math.sqrt(sumOfSquares / (n - 1) / n);
        double half = TDistribution.of(n - 1).inverseSurvivalProbability((1 - confidence) / 2) * error;
        return Optional.of(new Proportion.Interval(mean - half, mean + half));
    }
}
