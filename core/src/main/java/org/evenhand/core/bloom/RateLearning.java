package org.evenhand.core.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.evenhand.core.crop.CropSheet;

/**
 * How much slower or faster than its sheet a variety walks, learned from readings of the same trees on different days.
 *
 * <p>For each pair of readings and each candidate factor the first reading is pushed forward to the second; the flowers then counted
 * in every stage but the first (into which uncounted buds come) are taken as Poisson about what was expected. The factor's prior is
 * lognormal about 1 with a spread of {@link #PRIOR_SPREAD}. Posterior on a grid of factors.
 *
 * @param factor posterior mean of the factor on all durations; more than 1 is slower
 * @param low 10 % quantile
 * @param high 90 % quantile
 * @param pairs pairs of readings it rests on
 * @param enough whether there are enough, and they agree enough, to use it
 */
public record RateLearning(double factor, double low, double high, int pairs, boolean enough) {
    /** Pairs from which a variety's own pace is used. Our judgement. */
    public static final int ENOUGH_PAIRS = 6;

    /** Standard deviation of the factor's logarithm before anything was read. Our judgement. */
    public static final double PRIOR_SPREAD = 0.2;

    private static final double ENOUGH_SPREAD = 0.12;
    private static final Duration SHORTEST = Duration.ofHours(4);
    private static final Duration LONGEST = Duration.ofHours(96);
    private static final int MOST_PAIRS = 60;
    private static final double LEAST_EXPECTED = 0.05;

    /** Two readings of one tree. */
    public record Pair(FlowerReading first, FlowerReading second) {}

    /** The pairs of one tree's readings that lie neither too near nor too far from each other. */
    public static List<Pair> pairs(List<FlowerReading> readings) {
        List<FlowerReading> ordered = readings.stream()
                .sorted(Comparator.comparing(FlowerReading::at))
                .toList();
        List<Pair> pairs = new ArrayList<>();
        for (int i = 1; i < ordered.size(); i++) {
            Duration apart =
                    Duration.between(ordered.get(i - 1).at(), ordered.get(i).at());
            if (apart.compareTo(SHORTEST) >= 0
                    && apart.compareTo(LONGEST) <= 0
                    && ordered.get(i - 1).total() > 0) {
                pairs.add(new Pair(ordered.get(i - 1), ordered.get(i)));
            }
        }
        return pairs;
    }

    /**
     * @param grid of the variety's crop, over the time of the readings
     * @param pairs of trees of one variety
     */
    public static RateLearning of(PaceGrid grid, List<Pair> pairs) {
        List<Pair> latest = pairs.stream()
                .sorted(Comparator.comparing((Pair p) -> p.second().at()).reversed())
                .limit(MOST_PAIRS)
                .toList();
        double[] logs = grid.logs();
        double[] weights = new double[logs.length];
        for (int g = 0; g < logs.length; g++) {
            weights[g] = -logs[g] * logs[g] / (2 * PRIOR_SPREAD * PRIOR_SPREAD);
            for (Pair pair : latest) {
                weights[g] += logLikelihood(
                        grid.sheet(),
                        grid.expected(g, pair.first(), pair.second().at()),
                        pair);
            }
        }
        return posterior(logs, weights, latest.size());
    }

    private static double logLikelihood(CropSheet sheet, double[] expected, Pair pair) {
        double[] counted = pair.second().asFlowers(sheet);
        double sum = 0;
        for (int s = 1; s < counted.length; s++) {
            double mean = Math.max(LEAST_EXPECTED, expected[s]);
            sum += (counted[s] * Math.log(mean) - mean) * pair.second().share();
        }
        return sum;
    }

    /**
     * Flowers expected in each stage at a later moment, from one reading.
     *
     * @param shapes gives the shape inside each stage
     * @param steps pushes it forward; of the same crop
     */
    static double[] expected(BudSupply shapes, BudSupply steps, FlowerReading reading, Instant later) {
        double from = shapes.hoursTo(reading.at());
        FlowerState state = shapes.at(from).correctedBy(reading.asFlowers(shapes.sheet()));
        return steps.advance(state, from, steps.hoursTo(later)).stageTotals();
    }

    private static RateLearning posterior(double[] logs, double[] logWeights, int pairs) {
        double highest = java.util.Arrays.stream(logWeights).max().orElseThrow();
        double sum = 0;
        double mean = 0;
        double square = 0;
        double[] cumulative = new double[logs.length];
        for (int g = 0; g < logs.length; g++) {
            double w = Math.exp(logWeights[g] - highest);
            sum += w;
            mean += w * logs[g];
            square += w * logs[g] * logs[g];
            cumulative[g] = sum;
        }
        mean /= sum;
        // The grid's own width is part of the doubt.
        double step = logs[1] - logs[0];
        double spread = Math.sqrt(Math.max(0, square / sum - mean * mean) + step * step / 12);
        boolean enough = pairs >= ENOUGH_PAIRS && spread <= ENOUGH_SPREAD;
        double tail = 1.2816 * spread;
        return new RateLearning(Math.exp(mean), Math.exp(mean - tail), Math.exp(mean + tail), pairs, enough);
    }
}
