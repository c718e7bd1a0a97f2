package org.evenhand.core.cropload;

import java.util.HashMap;
import java.util.Map;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * Flowers to pollinate to be fairly sure of some fruits: the smallest n with P(at least k of n) ≥ confidence.
 *
 * @param flowers n
 * @param chance P(at least k of n)
 * @param chanceOfOneLess the same with one flower fewer; 0 for n = 0
 */
public record FlowerBudget(int flowers, double chance, double chanceOfOneLess) {
    /** Beyond so many flowers a budget is told to be out of reach. */
    public static final int MOST_FLOWERS = 20_000;

    /** How sure one wants to be of the seeds of a wanted cross. Our convention. */
    public static final double SURE_OF_SEEDS = 0.9;

    /** The chance of at least k of n, rising in n. */
    private interface Chance {
        double of(int n);
    }

    /**
     * When the share that sets and stays is known exactly: binomial.
     *
     * @param share in (0, 1]
     * @param confidence in (0, 1)
     * @throws InvalidInputException if {@code share} is not valid
     */
    public static FlowerBudget known(int fruits, double share, double confidence) {
        if (!(share > 0 && share <= 1)) {
            throw new InvalidInputException("share", "is " + share + "; it must be more than 0 and at most 1.");
        }
        return smallest(
                fruits,
                fruits,
                confidence,
                n -> BinomialDistribution.of(n, share).survivalProbability(fruits - 1));
    }

    /** When the share is believed only: beta-binomial, so that doubt asks for more flowers. */
    public static FlowerBudget believed(int fruits, BetaPosterior share, double confidence) {
        return smallest(fruits, fruits, confidence, n -> share.next(n).atLeast(fruits));
    }

    /**
     * For so many seeds of a cross: the fruits are beta-binomial, and each holds a binomial number of seeds, so the smallest n with
     * Σ P(f of n) · P(seeds of f ≥ k) ≥ confidence.
     *
     * @param seeds wanted
     * @param share of flowers that give a fruit
     * @param perFruit seeds of a fruit on average, more than 0
     * @param most seeds of a fruit at most, at least {@code perFruit}
     * @throws InvalidInputException if {@code perFruit} is not valid
     */
    public static FlowerBudget forSeeds(int seeds, BetaPosterior share, double perFruit, int most, double confidence) {
        if (!(perFruit > 0 && perFruit <= most)) {
            throw new InvalidInputException(
                    "perFruit", "is " + perFruit + "; it must be more than 0 and at most " + most + ".");
        }
        int fewest = (seeds + most - 1) / most;
        Map<Integer, Double> enough = new HashMap<>();
        Chance chance = n -> {
            double[] fruits = share.next(n).probabilities();
            double sum = 0;
            for (int f = fewest; f <= n; f++) {
                sum += fruits[f]
                        * enough.computeIfAbsent(
                                f,
                                k -> BinomialDistribution.of(k * most, perFruit / most)
                                        .survivalProbability(seeds - 1));
            }
            return Math.min(1, sum);
        };
        return smallest(seeds, fewest, confidence, chance);
    }

    /** @param least no fewer flowers can be enough */
    private static FlowerBudget smallest(int fruits, int least, double confidence, Chance chance) {
        Require.within("fruits", fruits, 0, 100_000);
        if (!(confidence > 0 && confidence < 1)) {
            throw new InvalidInputException("confidence", "is " + confidence + "; it must lie between 0 and 1.");
        }
        if (fruits == 0) {
            return new FlowerBudget(0, 1, 0);
        }
        int enough = least;
        while (chance.of(enough) < confidence) {
            if (enough >= MOST_FLOWERS) {
                throw new InvalidInputException(
                        "fruits",
                        "are " + fruits + ", out of reach: even " + MOST_FLOWERS
                                + " flowers would not make them sure enough. Ask for fewer, or be content with less certainty.");
            }
            enough = Math.min(MOST_FLOWERS, 2 * enough);
        }
        int low = least;
        while (low < enough) {
            int middle = (low + enough) >>> 1;
            if (chance.of(middle) < confidence) {
                low = middle + 1;
            } else {
                enough = middle;
            }
        }
        return new FlowerBudget(low, chance.of(low), low == least ? 0 : chance.of(low - 1));
    }
}
