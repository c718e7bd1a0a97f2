package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.evenhand.core.Cases;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class FlowerTrialTest {
    private static final double FRESH = 0.8;

    /** Oracle: the same posterior summed in the plainest way over a square of v and s, both in even steps. */
    private static double meanByPlainSums(
            BetaPosterior before, int flowers, int taken, int freshFlowers, int freshTaken) {
        int steps = 900;
        double sum = 0;
        double first = 0;
        for (int i = 0; i < steps; i++) {
            double v = (i + 0.5) / steps;
            double prior = Math.pow(v, before.a() - 1) * Math.pow(1 - v, before.b() - 1);
            double overS = 0;
            for (int j = 0; j < steps; j++) {
                double s = (j + 0.5) / steps;
                double p = s * Math.min(1, v / FRESH);
                overS += Math.pow(p, taken)
                        * Math.pow(1 - p, flowers - taken)
                        * Math.pow(s, freshTaken)
                        * Math.pow(1 - s, freshFlowers - freshTaken);
            }
            sum += prior * overS;
            first += prior * overS * v;
        }
        return first / sum;
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void what_is_learned_is_the_posterior_by_plain_sums(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        BetaPosterior before = BetaPosterior.ofMean(Cases.between(random, 0.2, 0.7), Cases.between(random, 4, 20));
        int flowers = 1 + random.nextInt(40);
        int taken = random.nextInt(flowers + 1);
        int freshFlowers = random.nextInt(40);
        int freshTaken = random.nextInt(freshFlowers + 1);

        BetaPosterior after = new FlowerTrial(flowers, taken, freshFlowers, freshTaken).learn(before, FRESH);

        assertThat(after.mean())
                .isCloseTo(
                        meanByPlainSums(before, flowers, taken, freshFlowers, freshTaken),
                        // The plain sums' own steps where a likelihood is steep.
                        within(0.003));
    }

    /** Of very many flowers the shares are known, and with them the viability: FRESH · (taken share / fresh share). */
    @ParameterizedTest
    @ValueSource(ints = {200, 2000, 20_000})
    void the_more_flowers_the_nearer_to_what_the_shares_say(int flowers) {
        BetaPosterior before = BetaPosterior.ofMean(0.5, 6);

        BetaPosterior after = new FlowerTrial(flowers, flowers / 5, flowers, flowers / 2).learn(before, FRESH);

        double known = FRESH * 0.2 / 0.5;
        double error = known * Math.sqrt((1 - 0.2) / (0.2 * flowers) + (1 - 0.5) / (0.5 * flowers));
        assertThat(after.mean()).isCloseTo(known, within(0.1 * error + 4.0 / flowers));
        assertThat(Math.sqrt(after.variance())).isBetween(0.8 * error, 1.2 * error);
    }

    /** Without any flowers beside them next to nothing can be learned: a bad day and bad pollen look alike. */
    @Test
    void flowers_done_with_fresh_pollen_beside_them_are_what_tells() {
        BetaPosterior before = BetaPosterior.ofMean(0.5, 8);
        BetaPosterior alone = new FlowerTrial(30, 3, 0, 0).learn(before, FRESH);
        BetaPosterior beside = new FlowerTrial(30, 3, 30, 24).learn(before, FRESH);
        BetaPosterior badDay = new FlowerTrial(30, 3, 30, 3).learn(before, FRESH);

        assertThat(beside.mean()).isLessThan(alone.mean()).isLessThan(badDay.mean());
        assertThat(beside.variance()).isLessThan(alone.variance());
    }

    @Test
    void more_taken_than_there_were_is_refused() {
        assertThatThrownBy(() -> new FlowerTrial(30, 31, 0, 0))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("taken");
        assertThatThrownBy(() -> new FlowerTrial(30, 3, 5, 6)).hasMessageContaining("freshTaken");
        assertThatThrownBy(() -> new FlowerTrial(20_001, 3, 0, 0)).hasMessageContaining("flowers");
    }
}
