package org.evenhand.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BetaPosteriorTest {
    /** P(K = k) by adding up the binomial over thin slices of the share. */
    private static double byIntegration(BetaPosterior belief, int m, int k) {
        int slices = 20_000;
        double sum = 0;
        for (int i = 0; i < slices; i++) {
            double p = (i + 0.5) / slices;
            double weight = belief.cumulative((i + 1.0) / slices) - belief.cumulative((double) i / slices);
            sum += weight * choose(m, k) * Math.pow(p, k) * Math.pow(1 - p, m - k);
        }
        return sum;
    }

    private static double choose(int m, int k) {
        double ways = 1;
        for (int i = 1; i <= k; i++) {
            ways *= (m - k + i) / (double) i;
        }
        return ways;
    }

    @Test
    void what_the_next_looks_show_is_the_binomial_averaged_over_the_belief() {
        Random random = new Random(17);
        for (int i = 0; i < 12; i++) {
            BetaPosterior belief = new BetaPosterior(1 + 9 * random.nextDouble(), 1 + 9 * random.nextDouble());
            int m = 1 + random.nextInt(15);
            double[] p = belief.next(m).probabilities();
            for (int k = 0; k <= m; k++) {
                assertThat(p[k]).as("%s, %d of %d", belief, k, m).isCloseTo(byIntegration(belief, m, k), within(1e-6));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"1, 1, 10", "0.2, 9, 200", "300, 2, 4000", "40, 5000, 3000"})
    void chances_add_up_to_one_with_the_mean_and_spread_they_claim(double a, double b, int m) {
        BetaPosterior.Predictive next = new BetaPosterior(a, b).next(m);
        double[] p = next.probabilities();
        double sum = 0;
        double first = 0;
        double second = 0;
        for (int k = 0; k <= m; k++) {
            sum += p[k];
            first += k * p[k];
            second += (double) k * k * p[k];
        }
        assertThat(sum).isCloseTo(1, within(1e-9));
        assertThat(first).isCloseTo(next.mean(), within(1e-6 * Math.max(1, next.mean())));
        assertThat(Math.sqrt(second - first * first))
                .isCloseTo(next.standardDeviation(), within(1e-4 * Math.max(1, next.standardDeviation())));
        assertThat(Arrays.stream(p).allMatch(x -> x >= 0)).isTrue();
    }

    @Test
    void a_quantile_is_the_first_count_that_reaches_its_share() {
        BetaPosterior.Predictive next = new BetaPosterior(10, 22).next(10);
        for (double share : new double[] {0.01, 0.05, 0.5, 0.9, 0.999}) {
            int k = next.quantile(share);
            assertThat(1 - next.atLeast(k + 1)).isGreaterThanOrEqualTo(share - 1e-12);
            assertThat(1 - next.atLeast(k)).isLessThan(share);
        }
        assertThat(next.atLeast(0)).isEqualTo(1);
        assertThat(next.atLeast(11)).isZero();
    }

    @Test
    void matching_moments_gives_back_the_belief_they_came_from() {
        BetaPosterior belief = new BetaPosterior(3.5, 8.25);
        BetaPosterior again = BetaPosterior.ofMoments(belief.mean(), belief.variance());

        assertThat(again.a()).isCloseTo(3.5, within(1e-9));
        assertThat(again.b()).isCloseTo(8.25, within(1e-9));
    }

    @Test
    void impossible_moments_and_counts_do_not_become_nonsense() {
        assertThat(BetaPosterior.ofMoments(0.5, 10).mean()).isCloseTo(0.5, within(1e-9));
        assertThat(BetaPosterior.ofMoments(0, 0).mean()).isLessThan(1e-6);
        assertThatThrownBy(() -> new BetaPosterior(0, 1)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> new BetaPosterior(Double.NaN, 1)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new BetaPosterior(1, 1).after(5, 4)).hasMessageContaining("5.0 of 4.0");
    }
}
