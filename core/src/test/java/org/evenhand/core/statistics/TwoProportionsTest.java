package org.evenhand.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TwoProportionsTest {
    private static TwoProportions shares(int x1, int n1, int x2, int n2) {
        return new TwoProportions(new Proportion(x1, n1), new Proportion(x2, n2));
    }

    /** 56 of 70 against 48 of 80: Newcombe 1998, Stat. Med. 17:873-890, his table II (a), method 10: 0.0524 to 0.3339. */
    @Test
    void the_printed_example_comes_out() {
        TwoProportions.Estimate difference = shares(56, 70, 48, 80).difference(0.95);
        assertThat(difference.value()).isCloseTo(0.2, within(1e-12));
        assertThat(difference.lower()).isCloseTo(0.0524, within(5e-5));
        assertThat(difference.upper()).isCloseTo(0.3339, within(5e-5));
    }

    @Test
    void where_nothing_set_on_one_side_there_is_a_difference_but_no_ratio() {
        assertThat(shares(6, 40, 0, 35).ratio(0.95)).isEmpty();
        assertThat(shares(0, 40, 3, 35).ratio(0.95)).isEmpty();
        assertThat(shares(6, 40, 0, 35).difference(0.95).lower()).isPositive();
        assertThat(MantelHaenszelRatio.of(List.of(shares(0, 9, 2, 9), shares(0, 4, 1, 7)), 0.95))
                .isEmpty();
        assertThatThrownBy(() -> shares(3, 9, 2, 9).ratio(1)).hasMessageContaining("between 0 and 1");
    }

    @Test
    void all_set_on_both_sides_is_no_difference_whatever() {
        assertThat(shares(9, 9, 12, 12).exactP()).isEqualTo(1);
        assertThat(shares(9, 9, 12, 12).ratio(0.95).orElseThrow().value()).isEqualTo(1);
    }

    /** Turned about, the difference changes its sign, the ratio becomes its inverse, the exact test stays. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void which_comes_first_does_not_matter(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int n1 = 2 + random.nextInt(60);
        int n2 = 2 + random.nextInt(60);
        TwoProportions there = shares(1 + random.nextInt(n1), n1, 1 + random.nextInt(n2), n2);
        TwoProportions back = new TwoProportions(there.other(), there.one());

        assertThat(back.difference(0.9).lower())
                .isCloseTo(-there.difference(0.9).upper(), within(1e-12));
        assertThat(back.ratio(0.9).orElseThrow().lower())
                .isCloseTo(1 / there.ratio(0.9).orElseThrow().upper(), within(1e-12));
        assertThat(back.exactP()).isCloseTo(there.exactP(), within(1e-9));
        assertThat(MantelHaenszelRatio.of(List.of(there), 0.9)
                        .orElseThrow()
                        .ratio()
                        .value())
                .as("one stratum alone is itself")
                .isCloseTo(there.ratio(0.9).orElseThrow().value(), within(1e-12));
    }

    /** Of two shares that are one, the exact test calls at most one comparison in twenty different at 5 %. */
    @Test
    void the_exact_test_seldom_cries_wolf() {
        SplittableRandom random = new SplittableRandom(8);
        int cried = 0;
        for (int i = 0; i < 4000; i++) {
            int a = 0;
            int b = 0;
            for (int f = 0; f < 25; f++) {
                a += random.nextDouble() < 0.4 ? 1 : 0;
                b += random.nextDouble() < 0.4 ? 1 : 0;
            }
            cried += shares(a, 25, b, 25).exactP() <= 0.05 ? 1 : 0;
        }
        assertThat(cried / 4000.0).isBetween(0.005, 0.05);
    }
}
