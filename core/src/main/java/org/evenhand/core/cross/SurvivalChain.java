package org.evenhand.core.cross;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * The stages that seeds pass on their way to judged trees, in their order. The share that survives a stage is drawn once for a whole batch,
 * from what is believed of it, and the shares of the stages independently of one another; so given {@code j} plants before a stage, the
 * number after it is beta-binomial (Skellam 1948, J. R. Stat. Soc. B 10: 257–261), and stages are chained exactly, without simulation.
 *
 * @param stages at least one
 */
public record SurvivalChain(List<Stage> stages) {
    /** As many seeds as one batch is reckoned for; the time grows with the square. */
    public static final int MOST_SEEDS = 20_000;

    /** So far a probability may stay below the confidence and count as equal: what rounding leaves. */
    private static final double ROUNDING = 1e-9;

    /** @param share of the plants before it that is alive after it */
    public record Stage(String name, BetaPosterior share) {
        /**
         * What is believed after some came through.
         *
         * @param prior of the share, before anything was seen
         * @param survived of {@code seen} so far, from 0 to {@code seen}
         * @throws InvalidInputException where more survived than were seen, or either is below 0
         */
        public static Stage of(String name, BetaPosterior prior, int survived, int seen) {
            return new Stage(name, prior.after(survived, seen));
        }
    }

    /**
     * How many are alive at the end.
     *
     * @param probabilities of 0, 1, … plants
     * @param mean plants
     * @param standardDeviation plants
     */
    public record Survivors(List<Double> probabilities, double mean, double standardDeviation) {
        public Survivors {
            probabilities = List.copyOf(probabilities);
        }

        /**
         * The chance of at least so many: 1 for none, 0 for more than there were seeds.
         *
         * @throws InvalidInputException where {@code k} is below 0
         */
        public double atLeast(int k) {
            Require.within("atLeast", k, 0, Integer.MAX_VALUE);
            if (k == 0) {
                return 1;
            }
            double sum = 0;
            // The small ones first, so that none is lost beside a large one.
            for (int i = probabilities.size() - 1; i >= k; i--) {
                sum += probabilities.get(i);
            }
            return Math.min(1, sum);
        }
    }

    /**
     * Seeds for as many plants at the end as are wanted.
     *
     * @param seeds the smallest number that is enough; empty where the limit is not
     * @param probability of enough with it, or with the limit where that is not enough
     * @param probabilityOneFewer with one seed fewer; empty where none is fewer, or the limit is not enough
     * @param probabilityAtLimit with as many as the limit
     */
    public record Needed(
            Optional<Integer> seeds,
            double probability,
            Optional<Double> probabilityOneFewer,
            double probabilityAtLimit) {}

    /** @throws InvalidInputException where there is no stage */
    public SurvivalChain {
        if (stages.isEmpty()) {
            throw new InvalidInputException("stages", "are none; give at least one.");
        }
        stages = List.copyOf(stages);
    }

    /**
     * Plants alive after each stage, on average.
     *
     * @param seeds from 0 to {@link #MOST_SEEDS}
     */
    public List<Double> expectedAfterStage(int seeds) {
        double alive = requireSeeds("seeds", seeds);
        List<Double> expected = new ArrayList<>();
        for (Stage stage : stages) {
            alive *= stage.share().mean();
            expected.add(alive);
        }
        return expected;
    }

    /**
     * Plants alive after the last stage.
     *
     * @param seeds from 0 to {@link #MOST_SEEDS}
     */
    public Survivors survivors(int seeds) {
        double[] alive = new double[requireSeeds("seeds", seeds) + 1];
        alive[seeds] = 1;
        for (Stage stage : stages) {
            alive = after(stage, alive);
        }
        List<Double> probabilities = new ArrayList<>(alive.length);
        for (double p : alive) {
            probabilities.add(p);
        }
        return new Survivors(probabilities, expectedAfterStage(seeds).get(stages.size() - 1), deviation(seeds));
    }

    private static double[] after(Stage stage, double[] before) {
        double[] after = new double[before.length];
        for (int j = 0; j < before.length; j++) {
            if (before[j] > 0) {
                double[] of = stage.share().next(j).probabilities();
                for (int l = 0; l <= j; l++) {
                    after[l] += before[j] * of[l];
                }
            }
        }
        return after;
    }

    /** Given the product S of the shares the number is binomial: m (E S − E S²) + m² (E S² − (E S)²). */
    private double deviation(int seeds) {
        double mean = 1;
        double square = 1;
        for (Stage stage : stages) {
            mean *= stage.share().mean();
            square *= stage.share().variance()
                    + stage.share().mean() * stage.share().mean();
        }
        double m = seeds;
        return Math.sqrt(Math.max(0, m * (mean - square) + m * m * (square - mean * mean)));
    }

    /**
     * The smallest number of seeds with P(at least {@code wanted} at the end) ≥ {@code confidence}.
     *
     * @param wanted plants, 0 or more
     * @param confidence in (0, 1)
     * @param limit as many seeds as there can be, from 0 to {@link #MOST_SEEDS}
     * @throws InvalidInputException where one of them lies outside
     */
    public Needed needed(int wanted, double confidence, int limit) {
        Require.within("wanted", wanted, 0, Integer.MAX_VALUE);
        requireSeeds("limit", limit);
        if (!(confidence > 0 && confidence < 1)) {
            throw new InvalidInputException("confidence", "is " + confidence + "; it must lie between 0 and 1.");
        }
        double[] enough = enough(wanted, limit);
        for (int m = 0; m <= limit; m++) {
            if (enough[m] >= confidence - ROUNDING) {
                Optional<Double> fewer = m == 0 ? Optional.empty() : Optional.of(enough[m - 1]);
                return new Needed(Optional.of(m), enough[m], fewer, enough[limit]);
            }
        }
        return new Needed(Optional.empty(), enough[limit], Optional.empty(), enough[limit]);
    }

    /** P(at least {@code wanted} at the end) by the number of seeds, from the last stage back to the first. */
    private double[] enough(int wanted, int limit) {
        double[] enough = new double[limit + 1];
        for (int j = wanted; j <= limit; j++) {
            enough[j] = 1;
        }
        for (int s = stages.size() - 1; s >= 0; s--) {
            double[] before = new double[limit + 1];
            for (int j = 0; j <= limit; j++) {
                double[] of = stages.get(s).share().next(j).probabilities();
                for (int l = j; l >= 0; l--) {
                    before[j] += of[l] * enough[l];
                }
                before[j] = Math.min(1, before[j]);
            }
            enough = before;
        }
        return enough;
    }

    private static int requireSeeds(String field, int seeds) {
        return Require.within(field, seeds, 0, MOST_SEEDS);
    }
}
