package org.evenhand.core.bloom;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class MeetingTest {
    private static final Instant START = Instant.parse("2026-11-24T00:00:00Z");
    private static final List<Instant> HOURS = IntStream.range(0, 96)
            .mapToObj(h -> START.plus(Duration.ofHours(h)))
            .toList();

    @Test
    void a_day_with_females_and_no_pollen_says_when_to_gather_and_keep() {
        double[] taking = flowers(12, 96, 40);
        double[] giving = flowers(41, 46, 6);

        Meeting meeting = Meeting.of(HOURS, taking, giving, List.of(), ZoneOffset.UTC);

        assertThat(meeting.misses())
                .containsExactly(
                        new Meeting.Miss(LocalDate.of(2026, 11, 24), 40, java.util.Optional.empty()),
                        new Meeting.Miss(
                                LocalDate.of(2026, 11, 26), 40, java.util.Optional.of(LocalDate.of(2026, 11, 25))),
                        new Meeting.Miss(
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

        Meeting day = Meeting.of(HOURS, both, both, List.of(dusk), ZoneOffset.UTC);
        Meeting night = Meeting.of(HOURS, flowers(21, 30, 9), flowers(21, 30, 9), List.of(dusk), ZoneOffset.UTC);

        assertThat(day.collect().orElseThrow().until()).isEqualTo(dusk);
        assertThat(day.collect().orElseThrow().endsWithDark()).isTrue();
        assertThat(night.collect().orElseThrow().until()).as("a night flower").isEqualTo(HOURS.get(29));
        assertThat(night.collect().orElseThrow().endsWithDark()).isFalse();
    }

    @Test
    void two_females_are_not_worth_an_alarm_and_nothing_at_all_has_no_hours() {
        assertThat(Meeting.of(HOURS, flowers(0, 96, 2), new double[96], List.of(), ZoneOffset.UTC)
                        .misses())
                .isEmpty();
        Meeting none = Meeting.of(HOURS, new double[96], new double[96], List.of(), ZoneOffset.UTC);
        assertThat(none.collect()).isEmpty();
        assertThat(none.pollinate()).isEmpty();
    }

    private static double[] flowers(int from, int until, double many) {
        double[] flowers = new double[96];
        Arrays.fill(flowers, from, until, many);
        return flowers;
    }
}
