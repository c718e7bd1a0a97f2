package org.evenhand.core.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.Cases;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowerCountTest {
    static Stream<Long> seeds() {
        return Cases.seeds();
    }

    /** Oracle: every one of the 2ⁿ ways in which up to twelve flowers can fall, added up. */
    @ParameterizedTest
    @MethodSource("seeds")
    void the_ends_cut_off_a_tenth_as_nearly_as_whole_flowers_can(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] flowers = {random.nextInt(5), random.nextInt(5), random.nextInt(3)};
        double[] p = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
        double[] chance = byEnumeration(flowers, p);

        FlowerCount count = FlowerCount.of(flowers, p);

        double mean = 0;
        for (int k = 0; k < chance.length; k++) {
            mean += k * chance[k];
        }
        assertThat(count.mean()).isCloseTo(mean, within(1e-9));
        double off = Math.abs(below(chance, count.low()) - 0.1);
        double offAbove = Math.abs(below(chance, count.high() + 1) - 0.9);
        for (int k = 0; k <= chance.length; k++) {
            assertThat(off).isLessThanOrEqualTo(Math.abs(below(chance, k) - 0.1) + 1e-9);
            assertThat(offAbove).isLessThanOrEqualTo(Math.abs(below(chance, k) - 0.9) + 1e-9);
        }
    }

    @Test
    void flowers_added_one_by_one_and_by_the_binomial_agree() {
        FlowerCount small = FlowerCount.of(new double[] {30, 10}, new double[] {0.4, 0.7});
        FlowerCount large = FlowerCount.of(new double[] {31, 10}, new double[] {0.4, 0.7});

        assertThat(large.low()).isBetween(small.low(), small.low() + 1);
        assertThat(large.high()).isBetween(small.high(), small.high() + 1);
        assertThat(large.mean() - small.mean()).isCloseTo(0.4, within(1e-9));
    }

    @Test
    void what_is_certain_has_no_spread() {
        FlowerCount count = FlowerCount.of(new double[] {7, 4}, new double[] {1, 0});

        assertThat(count).isEqualTo(new FlowerCount(7, 7, 7));
    }

    private static double below(double[] chance, int k) {
        double sum = 0;
        for (int i = 0; i < Math.min(k, chance.length); i++) {
            sum += chance[i];
        }
        return sum;
    }

    private static double[] byEnumeration(double[] flowers, double[] p) {
        int n = (int) (flowers[0] + flowers[1] + flowers[2]);
        double[] chance = new double[n + 1];
        for (int way = 0; way < 1 << n; way++) {
            double product = 1;
            for (int f = 0; f < n; f++) {
                double own = p[f < flowers[0] ? 0 : f < flowers[0] + flowers[1] ? 1 : 2];
                product *= (way >> f & 1) == 1 ? own : 1 - own;
            }
            chance[Integer.bitCount(way)] += product;
        }
        return chance;
    }
}
