package org.evenhand.core.judging;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.TDistribution;
import org.evenhand.core.statistics.MeanInterval;
import org.evenhand.core.statistics.Proportion;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * What seedlings of two parents would be like in one trait. Where three or more crosses with scored seedlings are there, their means are
 * regressed on the means of their parents (the slope is the heritability in the narrow sense: Falconer &amp; Mackay 1996, Introduction to
 * Quantitative Genetics, chapter 10), each cross counting once. With fewer the mean of the parents stands for the seedlings', which
 * expects more than heredity gives where the trait is but partly inherited.
 *
 * @param mean of the seedlings
 * @param ofMean that holds the mean of the cross nine times in ten; empty where own crosses do not say
 * @param ofOne that holds a single seedling nine times in ten; empty where no cross has two scored seedlings
 * @param slope by how much seedlings go up where the mean of the parents goes up by one; empty where own crosses do not say
 * @param crosses with scored seedlings that it is learned from
 * @param seedlings of those
 */
public record CrossForecast(
        double mean,
        Optional<Proportion.Interval> ofMean,
        Optional<Proportion.Interval> ofOne,
        Optional<Double> slope,
        int crosses,
        int seedlings) {
    /** Of the intervals of this room: what they hold is held nine times in ten. */
    public static final double CONFIDENCE = 0.9;

    private static final int LEAST_CROSSES = 3;

    /**
     * A cross that was made, by one trait.
     *
     * @param ofParents mean of both parents
     * @param seedlings a number for each scored seedling, at least one
     */
    public record Family(double ofParents, List<Double> seedlings) {
        public Family {
            seedlings = List.copyOf(seedlings);
        }

        private MeanInterval scored() {
            return MeanInterval.of(seedlings);
        }
    }

    /**
     * @param ofParents mean of both parents of the cross to be foretold
     * @param families that were made and scored
     */
    public static CrossForecast of(double ofParents, List<Family> families) {
        int seedlings = families.stream().mapToInt(f -> f.seedlings().size()).sum();
        Spread within = within(families, seedlings);
        SimpleRegression line = new SimpleRegression();
        families.forEach(f -> line.addData(f.ofParents(), f.scored().mean()));
        boolean says = families.size() >= LEAST_CROSSES && line.getXSumSquares() > 0;
        if (!says) {
            return new CrossForecast(
                    ofParents,
                    Optional.empty(),
                    within.interval(ofParents),
                    Optional.empty(),
                    families.size(),
                    seedlings);
        }
        double mean = line.predict(ofParents);
        Spread ofMean = spread(line, families, ofParents);
        return new CrossForecast(
                mean,
                ofMean.interval(mean),
                within.and(ofMean).interval(mean),
                Optional.of(line.getSlope()),
                families.size(),
                seedlings);
    }

    /** Of a new cross's mean about the line. */
    private static Spread spread(SimpleRegression line, List<Family> families, double at) {
        double off =
                at - families.stream().mapToDouble(Family::ofParents).average().orElseThrow();
        double variance = line.getMeanSquareError() * (1 + 1.0 / line.getN() + off * off / line.getXSumSquares());
        return new Spread(variance, line.getN() - 2.0);
    }

    private static Spread within(List<Family> families, int seedlings) {
        int freedom = seedlings - families.size();
        return freedom == 0
                ? Spread.UNKNOWN
                : new Spread(
                        families.stream()
                                        .mapToDouble(f -> f.scored().sumOfSquares())
                                        .sum()
                                / freedom,
                        freedom);
    }

    /** A variance, and by how many degrees of freedom it is known. */
    private record Spread(double variance, double freedom) {
        static final Spread UNKNOWN = new Spread(0, 0);

        /** Both added up, known by as many degrees as Satterthwaite 1946, Biometrics Bull. 2:110-114, gives. */
        Spread and(Spread other) {
            if (freedom == 0) {
                return UNKNOWN;
            }
            double sum = variance + other.variance;
            double parts = variance * variance / freedom + other.variance * other.variance / other.freedom;
            return new Spread(sum, parts == 0 ? Math.min(freedom, other.freedom) : sum * sum / parts);
        }

        Optional<Proportion.Interval> interval(double about) {
            if (freedom == 0) {
                return Optional.empty();
            }
            double half =
                    TDistribution.of(freedom).inverseSurvivalProbability((1 - CONFIDENCE) / 2) * Math.sqrt(variance);
            return Optional.of(new Proportion.Interval(about - half, about + half));
        }
    }
}
