package org.evenhand.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ProportionTest {

    /** Newcombe 1998, Stat. Med. 17:857-872: 81 of 263, printed to four digits. */
    @Test
    void wilson_agrees_with_the_published_example() {
        Proportion.Interval wilson = new Proportion(81, 263).wilson(0.95);

        assertThat(wilson.lower()).isCloseTo(0.2553, within(6e-5));
        assertThat(wilson.upper()).isCloseTo(0.3662, within(6e-5));
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void every_interval_holds_the_share_mirrors_and_narrows(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int n = 1 + random.nextInt(300);
        int x = random.nextInt(n + 1);
        Proportion p = new Proportion(x, n);
        Proportion mirrored = new Proportion(n - x, n);

        assertThat(p.wilson(0.95).lower()).isLessThanOrEqualTo(p.share());
        assertThat(p.wilson(0.95).upper()).isGreaterThanOrEqualTo(p.share());
        assertThat(p.wilson(0.95).lower()).isCloseTo(1 - mirrored.wilson(0.95).upper(), within(1e-12));
        assertThat(p.clopperPearson(0.95).lower())
                .isLessThanOrEqualTo(p.jeffreys(0.95).lower() + 1e-12);
        assertThat(p.wilson(0.8).upper()).isLessThanOrEqualTo(p.wilson(0.95).upper());
    }

    @Test
    void parts_are_pooled_by_their_counts_not_by_their_shares() {
        assertThat(Proportion.pooled(List.of(new Proportion(1, 1), new Proportion(2, 9))))
                .contains(new Proportion(3, 10));
        assertThat(Proportion.pooled(List.of())).isEmpty();
    }

    @Test
    void shares_of_nothing_and_more_than_all_are_refused() {
        assertThatThrownBy(() -> new Proportion(0, 0)).hasMessageContaining("n: is 0");
        assertThatThrownBy(() -> new Proportion(6, 5)).hasMessageContaining("is 6; allowed is 0 to 5");
        assertThatThrownBy(() -> new Proportion(1, 5).wilson(Double.NaN)).hasMessageContaining("NaN");
    }
}
