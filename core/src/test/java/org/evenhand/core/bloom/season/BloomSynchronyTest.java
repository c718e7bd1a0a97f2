package org.evenhand.core.bloom.season;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.junit.jupiter.api.Test;

class BloomSynchronyTest {
    private static final Instant START = Instant.parse("2026-11-24T00:00:00Z");
    private static final List<Instant> HOURS = IntStream.range(0, 96)
            .mapToObj(h -> START.plus(Duration.ofHours(h)))
            .toList();

    @Test
    void a_day_with_females_and_no_pollen_says_when_to_gather_and_keep() {
        double[] receptive = flowers(12, 96, 40);
        double[] shedding = flowers(41, 46, 6);

        BloomSynchrony meeting = BloomSynchrony.of(HOURS, receptive, shedding, List.of(), ZoneOffset.UTC);

        assertThat(meeting.misses())
                .containsExactly(
                        new BloomSynchrony.Miss(LocalDate.of(2026, 11, 24), 40, java.util.Optional.empty()),
                        new BloomSynchrony.Miss(
                                LocalDate.of(2026, 11, 26), 40, java.util.Optional.of(LocalDate.of(2026, 11, 25))),
                        new BloomSynchrony.Miss(
                                LocalDate.of(2026, 11, 27), 40, java.util.Optional.of(LocalDate.of(2026, 11, 25))));
        assertThat(meeting.collect().orElseThrow().from()).isEqualTo(HOURS.get(41));
        assertThat(meeting.pollinate().orElseThrow().from())
                .as("not before there is pollen to carry")
                .isEqualTo(HOURS.get(41));
    }

    @Test
    void good_hours_end_with_dark_where_they_began_in_the_light() {
        double[] both = flowers(17, 30, 9);
        Instant dusk = HOURS.get(21);

        BloomSynchrony day = BloomSynchrony.of(HOURS, both, both, List.of(dusk), ZoneOffset.UTC);
        BloomSynchrony night =
                BloomSynchrony.of(HOURS, flowers(21, 30, 9), flowers(21, 30, 9), List.of(dusk), ZoneOffset.UTC);

        assertThat(day.collect().orElseThrow().until()).isEqualTo(dusk);
        assertThat(day.collect().orElseThrow().endsWithDark()).isTrue();
        assertThat(night.collect().orElseThrow().until()).as("a night flower").isEqualTo(HOURS.get(29));
        assertThat(night.collect().orElseThrow().endsWithDark()).isFalse();
    }

    @Test
    void two_females_are_not_worth_an_alarm_and_nothing_at_all_has_no_hours() {
        assertThat(BloomSynchrony.of(HOURS, flowers(0, 96, 2), new double[96], List.of(), ZoneOffset.UTC)
                        .misses())
                .isEmpty();
        BloomSynchrony none = BloomSynchrony.of(HOURS, new double[96], new double[96], List.of(), ZoneOffset.UTC);
        assertThat(none.collect()).isEmpty();
        assertThat(none.pollinate()).isEmpty();
    }

    static java.util.stream.Stream<Long> seeds() {
        return org.evenhand.core.Cases.seeds();
    }

    /** Whatever the flowers do: hours lie in the forecast, misses are days without pollen, what to gather lies before them. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("seeds")
    void hours_and_misses_always_fit_the_flowers(long seed) {
        java.util.SplittableRandom random = new java.util.SplittableRandom(seed);
        double[] receptive = waves(random);
        double[] shedding = waves(random);

        BloomSynchrony meeting = BloomSynchrony.of(HOURS, receptive, shedding, List.of(), ZoneOffset.UTC);

        meeting.collect().ifPresent(c -> {
            assertThat(c.from()).isBeforeOrEqualTo(c.until());
            for (int h = HOURS.indexOf(c.from()); h <= HOURS.indexOf(c.until()); h++) {
                assertThat(shedding[h]).isBetween(c.flowers() / 2, Double.MAX_VALUE);
            }
        });
        meeting.pollinate()
                .ifPresent(p -> assertThat(p.from())
                        .isAfterOrEqualTo(meeting.collect().orElseThrow().from()));
        for (BloomSynchrony.Miss miss : meeting.misses()) {
            assertThat(most(shedding, miss.date())).isLessThan(TreeOutlook.THERE);
            assertThat(most(receptive, miss.date())).isEqualTo(miss.females());
            miss.collectOn().ifPresent(day -> {
                assertThat(day).isBefore(miss.date());
                assertThat(most(shedding, day)).isGreaterThanOrEqualTo(TreeOutlook.THERE);
            });
        }
        long days = HOURS.stream()
                .map(h -> h.atZone(ZoneOffset.UTC).toLocalDate())
                .distinct()
                .filter(d -> most(shedding, d) < TreeOutlook.THERE && most(receptive, d) >= BloomSynchrony.WORTH_A_WORD)
                .count();
        assertThat(meeting.misses()).hasSize((int) days);
    }

    private static double most(double[] flowers, LocalDate date) {
        double most = 0;
        for (int h = 0; h < flowers.length; h++) {
            if (HOURS.get(h).atZone(ZoneOffset.UTC).toLocalDate().equals(date)) {
                most = Math.max(most, flowers[h]);
            }
        }
        return most;
    }

    private static double[] waves(java.util.SplittableRandom random) {
        double[] flowers = new double[96];
        int waves = random.nextInt(4);
        for (int w = 0; w < waves; w++) {
            int from = random.nextInt(90);
            int until = Math.min(96, from + 1 + random.nextInt(20));
            double many = random.nextDouble() * 12;
            for (int h = from; h < until; h++) {
                flowers[h] += many;
            }
        }
        return flowers;
    }

    private static double[] flowers(int from, int until, double many) {
        double[] flowers = new double[96];
        Arrays.fill(flowers, from, until, many);
        return flowers;
    }
}
