package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;

class RhythmTest {
    /** A Wednesday. */
    private static final LocalDate FIRST = LocalDate.of(2026, 11, 25);

    private static List<Integer> days(Rhythm rhythm, LocalDate last, double sheetDays) {
        return FIRST.datesUntil(FIRST.plusDays(8))
                .filter(d -> rhythm.goesOn(d, Optional.ofNullable(last), FIRST, sheetDays))
                .map(LocalDate::getDayOfMonth)
                .toList();
    }

    @Test
    void every_other_day_is_counted_from_the_last_visit_and_anew_when_one_was_missed() {
        Rhythm other = new Rhythm(Rhythm.Kind.EVERY_OTHER_DAY, Set.of());
        assertThat(days(other, null, 1)).containsExactly(25, 27, 29, 1);
        assertThat(days(other, FIRST.minusDays(1), 1)).containsExactly(26, 28, 30, 2);
        assertThat(days(other, FIRST, 1)).as("the visit that is under way").containsExactly(25, 27, 29, 1);
        assertThat(days(other, FIRST.minusDays(5), 1)).as("long ago").containsExactly(25, 27, 29, 1);
    }

    @Test
    void the_sheet_and_the_week_say_which_days() {
        assertThat(days(new Rhythm(Rhythm.Kind.AS_SHEET, Set.of()), null, 3)).containsExactly(25, 28, 1);
        assertThat(days(new Rhythm(Rhythm.Kind.AS_SHEET, Set.of()), null, 0.5)).hasSize(8);
        assertThat(days(new Rhythm(Rhythm.Kind.WEEKDAYS, Set.of(DayOfWeek.FRIDAY, DayOfWeek.MONDAY)), FIRST, 1))
                .containsExactly(27, 30);
        assertThat(days(Rhythm.EVERY_DAY, FIRST, 3)).hasSize(8);
        assertThatThrownBy(() -> new Rhythm(Rhythm.Kind.WEEKDAYS, Set.of())).isInstanceOf(InvalidInputException.class);
    }

    @Test
    void a_night_belongs_to_the_day_on_which_it_began() {
        ZoneId zone = ZoneId.of("Pacific/Auckland");
        assertThat(Rhythm.workday(Instant.parse("2026-11-24T12:30:00Z"), zone)).isEqualTo("2026-11-24");
        assertThat(Rhythm.workday(Instant.parse("2026-11-24T16:00:00Z"), zone)).isEqualTo("2026-11-25");
    }
}
