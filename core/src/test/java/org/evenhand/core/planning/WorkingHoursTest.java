package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import org.evenhand.core.planning.WorkingHours.Away;
import org.evenhand.core.planning.WorkingHours.Hours;
import org.evenhand.core.planning.WorkingHours.SingleDay;
import org.evenhand.core.planning.WorkingHours.TimeWindow;
import org.junit.jupiter.api.Test;

class WorkingHoursTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private static final Hours EVENING = new Hours(LocalTime.of(16, 0), LocalTime.of(19, 0));
    private static final Hours NIGHT = new Hours(LocalTime.of(20, 30), LocalTime.of(1, 0));

    private static Instant at(int day, int hour, int minute) {
        return TODAY.plusDays(day).atTime(hour, minute).atZone(ZONE).toInstant();
    }

    @Test
    void what_is_over_is_left_out_and_what_goes_on_begins_now() {
        WorkingHours free = new WorkingHours(List.of(EVENING, NIGHT), List.of(), List.of());

        assertThat(free.from(at(0, 17, 20), 2, ZONE))
                .containsExactly(
                        new TimeWindow(at(0, 17, 20), at(0, 19, 0)),
                        new TimeWindow(at(0, 20, 30), at(1, 1, 0)),
                        new TimeWindow(at(1, 16, 0), at(1, 19, 0)),
                        new TimeWindow(at(1, 20, 30), at(2, 1, 0)));
        assertThat(free.from(at(0, 0, 30), 1, ZONE).get(0))
                .as("yesterday's night")
                .isEqualTo(new TimeWindow(at(0, 0, 30), at(0, 1, 0)));
    }

    @Test
    void single_days_have_their_own_hours_and_days_away_none() {
        WorkingHours free = new WorkingHours(
                List.of(EVENING),
                List.of(new SingleDay(TODAY.plusDays(1), List.of(NIGHT)), new SingleDay(TODAY.plusDays(2), List.of())),
                List.of(new Away(TODAY.plusDays(3), TODAY.plusDays(4))));

        assertThat(free.from(at(0, 12, 0), 6, ZONE))
                .containsExactly(
                        new TimeWindow(at(0, 16, 0), at(0, 19, 0)),
                        new TimeWindow(at(1, 20, 30), at(2, 1, 0)),
                        new TimeWindow(at(5, 16, 0), at(5, 19, 0)));
        assertThat(free.from(at(3, 12, 0), 2, ZONE)).isEmpty();
        assertThatThrownBy(() -> new Away(TODAY, TODAY.minusDays(1))).hasMessageContaining("before it begins");
    }

    @Test
    void where_nothing_was_told_any_hour_will_do() {
        WorkingHours free = new WorkingHours(List.of(), List.of(), List.of());

        assertThat(free.isSpecified()).isFalse();
        assertThat(free.from(at(0, 15, 0), 2, ZONE))
                .as("midnight is no end of anything")
                .containsExactly(new TimeWindow(at(0, 15, 0), at(2, 0, 0)));
    }

    @Test
    void the_clock_going_forward_takes_an_hour_of_the_night() {
        LocalDate spring = LocalDate.of(2026, 9, 26);
        WorkingHours free =
                new WorkingHours(List.of(new Hours(LocalTime.of(22, 0), LocalTime.of(4, 0))), List.of(), List.of());

        TimeWindow night = free.from(spring.atTime(12, 0).atZone(ZONE).toInstant(), 1, ZONE)
                .get(0);

        assertThat(night.hours()).isEqualTo(5);
    }
}
