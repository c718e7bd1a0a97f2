package org.evenhand.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.evenhand.core.Cases.between;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class BestHoursTest {
    private static final Instant FOUR = Instant.parse("2026-11-24T03:00:00Z");

    @Test
    void they_begin_with_pollen_and_end_when_half_of_the_flowers_are_past() {
        double[] taking = {20, 20, 18, 16, 14, 11, 8, 5, 2, 0};

        BestHours hours = BestHours.of(halfHours(10), taking, FOUR.plusSeconds(1800), List.of())
                .orElseThrow();

        assertThat(hours.from()).isEqualTo(FOUR.plusSeconds(1800));
        assertThat(hours.flowersAtStart()).isEqualTo(20);
        assertThat(hours.until()).as("first moment below ten").isEqualTo(FOUR.plus(Duration.ofMinutes(180)));
        assertThat(hours.endsWithDark()).isFalse();
    }

    @Test
    void darkness_ends_them_where_it_comes_first() {
        double[] taking = new double[20];
        Arrays.fill(taking, 12);
        Instant dusk = FOUR.plus(Duration.ofMinutes(250));
        Instant yesterdaysDusk = FOUR.minus(Duration.ofHours(20));

        BestHours hours = BestHours.of(halfHours(20), taking, FOUR, List.of(yesterdaysDusk, dusk))
                .orElseThrow();

        assertThat(hours.until()).isEqualTo(dusk);
        assertThat(hours.endsWithDark()).isTrue();
    }

    @Test
    void without_flowers_or_before_any_pollen_there_are_none() {
        assertThat(BestHours.of(halfHours(3), new double[] {0.4, 0.1, 0}, FOUR, List.of()))
                .isEmpty();
        assertThat(BestHours.of(halfHours(3), new double[] {9, 9, 9}, FOUR.plus(Duration.ofDays(1)), List.of()))
                .isEmpty();
    }

    @Test
    void within_a_free_stretch_the_earliest_of_nearly_the_best_that_has_pollen_too() {
        FreeHours.Stretch stretch = new FreeHours.Stretch(FOUR, FOUR.plus(Duration.ofHours(2)));
        List<Instant> moments = halfHours(6);
        double[] none = new double[6];

        assertThat(BestHours.within(stretch, moments, new double[] {9.6, 10, 9.7, 9, 99, 99}, none))
                .as("9.6 is nearly 10; what comes after the stretch does not count")
                .hasValue(0);
        assertThat(BestHours.within(
                        stretch, moments, new double[] {9.6, 10, 9.7, 9, 99, 99}, new double[] {0, 0.2, 2, 9, 9, 9}))
                .hasValue(2);
        assertThat(BestHours.within(stretch, moments, new double[] {0.4, 0.4, 0.4, 0.4, 9, 9}, none))
                .isEmpty();
    }

    @Test
    void they_wait_for_flowers_that_open_later() {
        BestHours hours = BestHours.of(halfHours(5), new double[] {0, 0, 3, 6, 6}, FOUR, List.of())
                .orElseThrow();

        assertThat(hours.from()).isEqualTo(FOUR.plus(Duration.ofHours(1)));
        assertThat(hours.until()).as("the forecast's end").isEqualTo(FOUR.plus(Duration.ofHours(2)));
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void they_never_begin_before_pollen_nor_end_before_they_begin(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] taking = random.doubles(48, 0, 20).toArray();
        Instant pollen = FOUR.plusSeconds((long) between(random, -3600, 90_000));
        Instant dusk = FOUR.plusSeconds((long) between(random, -3600, 90_000));

        Optional<BestHours> hours = BestHours.of(halfHours(48), taking, pollen, List.of(dusk));

        hours.ifPresent(h -> {
            assertThat(h.from()).isAfterOrEqualTo(pollen);
            assertThat(h.until()).isAfterOrEqualTo(h.from());
            assertThat(h.flowersAtStart()).isGreaterThanOrEqualTo(0.5);
        });
        boolean lateEnough = !pollen.isAfter(FOUR.plus(Duration.ofMinutes(30 * 47)));
        assertThat(hours.isPresent()).isEqualTo(lateEnough && hasFlowersAfter(taking, pollen));
    }

    @Test
    void moments_and_flowers_must_match() {
        assertThatThrownBy(() -> BestHours.of(halfHours(3), new double[2], FOUR, List.of()))
                .hasMessageContaining("has 2 values for 3 moments");
    }

    private static boolean hasFlowersAfter(double[] taking, Instant pollen) {
        List<Instant> moments = halfHours(taking.length);
        return IntStream.range(0, taking.length).anyMatch(i -> !moments.get(i).isBefore(pollen) && taking[i] >= 0.5);
    }

    private static List<Instant> halfHours(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> FOUR.plus(Duration.ofMinutes(30L * i)))
                .toList();
    }
}
