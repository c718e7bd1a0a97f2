package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.MonthDay;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.cross.NurseryCalendar.DayOfYear;
import org.evenhand.core.cross.NurseryCalendar.Hemisphere;
import org.evenhand.core.cross.NurseryCalendar.Rule;
import org.evenhand.core.cross.NurseryCalendar.Season;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class NurseryCalendarTest {
    private static final DayOfYear LEAP_DAY = DayOfYear.of("02-29");

    private static Rule rule(String step, String after, int days, String notBefore) {
        return new Rule(step, after, days, Optional.ofNullable(notBefore).map(DayOfYear::of));
    }

    /** Oracle: one day after another, until one is that day. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_next_day_of_a_year_is_the_first_that_comes(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        LocalDate earliest = LocalDate.of(2095, 1, 1).plusDays(random.nextInt(4_000));
        MonthDay wanted = random.nextInt(4) == 0
                ? MonthDay.of(2, 29)
                : MonthDay.from(LocalDate.of(2024, 1, 1).plusDays(random.nextInt(366)));
        LocalDate day = earliest;
        while (!MonthDay.from(day).equals(wanted)
                && !(wanted.equals(MonthDay.of(2, 29))
                        && !day.isLeapYear()
                        && MonthDay.from(day).equals(MonthDay.of(3, 1)))) {
            day = day.plusDays(1);
        }
        assertThat(new DayOfYear(wanted).onOrAfter(earliest)).isEqualTo(day);
    }

    @Test
    void seeds_of_one_day_wait_for_their_own_winter() {
        Season lateWinter = new Season(DayOfYear.of("02-15"), DayOfYear.of("08-15"));
        for (Hemisphere hemisphere : Hemisphere.values()) {
            Map<String, LocalDate> dates = new NurseryCalendar(List.of(
                            rule("stratify", NurseryCalendar.HARVEST, 7, null),
                            new Rule("sow", "stratify", 90, Optional.of(lateWinter.in(hemisphere)))))
                    .dates(LocalDate.of(2026, 10, 4));
            assertThat(dates)
                    .containsExactly(
                            Map.entry("stratify", LocalDate.of(2026, 10, 11)),
                            Map.entry("sow", LocalDate.of(2027, hemisphere == Hemisphere.NORTH ? 2 : 8, 15)));
        }
    }

    @Test
    void the_century_has_no_leap_day() {
        assertThat(LEAP_DAY.onOrAfter(LocalDate.of(2100, 2, 1))).isEqualTo(LocalDate.of(2100, 3, 1));
        assertThat(LEAP_DAY.onOrAfter(LocalDate.of(2100, 3, 2))).isEqualTo(LocalDate.of(2101, 3, 1));
    }

    @Test
    void what_cannot_be_is_refused() {
        for (String none : List.of("02-30", "13-01", "2-1", "", "02-29 ")) {
            assertThatThrownBy(() -> DayOfYear.of(none)).isInstanceOf(InvalidInputException.class);
        }
        assertThatThrownBy(() -> rule("sow", "harvest", -1, null)).hasMessageContaining("days");
        assertThatThrownBy(() -> new NurseryCalendar(List.of(rule("sow", "stratify", 0, null))))
                .hasMessageContaining("no step before");
        assertThatThrownBy(() ->
                        new NurseryCalendar(List.of(rule("sow", "harvest", 0, null), rule("sow", "harvest", 0, null))))
                .hasMessageContaining("already");
        assertThatThrownBy(() -> new NurseryCalendar(List.of(rule("harvest", "harvest", 0, null))))
                .hasMessageContaining("already");
        assertThat(new NurseryCalendar(List.of()).dates(LocalDate.of(2026, 10, 4)))
                .isEmpty();
    }
}
