package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.DiscreteDistribution;
import org.apache.commons.statistics.distribution.PascalDistribution;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.evenhand.core.Cases;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowerCountTest {
    static Stream<Long> seeds() {
        return Cases.seeds();
    }

    /** Oracle: the library's distributions of the same mean and variance. */
    @ParameterizedTest
    @MethodSource("seeds")
    void the_ends_are_the_smallest_numbers_passed_once_and_nine_times_in_ten(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int size = 1 + random.nextInt(40);
        double chance = 0.02 + 0.96 * random.nextDouble();
        double rate = 50 * random.nextDouble();

        agrees(BinomialDistribution.of(size, chance));
        agrees(PoissonDistribution.of(rate));
        agrees(PascalDistribution.of(size, Math.max(chance, 1.0 * size / (size + 55))));
    }

    private static void agrees(DiscreteDistribution oracle) {
        FlowerCount count = FlowerCount.of(oracle.getMean(), oracle.getVariance());

        assertThat(count.mean()).isCloseTo(oracle.getMean(), within(1e-12));
        // A chance that stands on the edge itself may fall to either side by rounding.
        assertThat(oracle.cumulativeProbability(count.low())).isGreaterThan(0.1 - 1e-9);
        assertThat(oracle.cumulativeProbability(count.low() - 1)).isLessThan(0.1 + 1e-9);
        assertThat(oracle.cumulativeProbability(count.high())).isGreaterThan(0.9 - 1e-9);
        assertThat(oracle.cumulativeProbability(count.high() - 1)).isLessThan(0.9 + 1e-9);
    }

    @Test
    void many_flowers_are_counted_by_the_normal_curve_as_the_exact_one_would() {
        FlowerCount exact = FlowerCount.of(59.9, 40);
        FlowerCount normal = FlowerCount.of(60.1, 40);

        assertThat(normal.low()).isCloseTo(exact.low(), within(1));
        assertThat(normal.high()).isCloseTo(exact.high(), within(1));
    }

    @Test
    void what_is_certain_has_no_spread_and_none_is_none() {
        assertThat(FlowerCount.of(7, 0)).isEqualTo(new FlowerCount(7, 7, 7));
        assertThat(FlowerCount.of(0, 0)).isEqualTo(new FlowerCount(0, 0, 0));
        assertThat(FlowerCount.of(1e-7, 1e-7))
                .extracting(FlowerCount::low, FlowerCount::high)
                .containsExactly(0, 0);
    }
}
