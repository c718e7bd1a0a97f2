package org.evenhand.core.planning;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.InvalidInputException;

/**
 * On which days a grower goes.
 *
 * @param weekdays the days of {@link Kind#WEEKDAYS}, at least one; empty for the others
 */
public record Rhythm(Kind kind, Set<DayOfWeek> weekdays) {
    /** Whenever a visit is worth going. */
    public static final Rhythm EVERY_DAY = new Rhythm(Kind.EVERY_DAY, Set.of());

    /** A night belongs to the day on which it began, until this hour. Our convention. */
    private static final int NIGHT_ENDS = 4;

    /** What is followed. */
    public enum Kind {
        EVERY_DAY,
        /** So many days apart as each crop's sheet says. */
        AS_SHEET,
        EVERY_OTHER_DAY,
        WEEKDAYS
    }

    public Rhythm {
        weekdays = Set.copyOf(weekdays);
        if (kind == Kind.WEEKDAYS && weekdays.isEmpty()) {
            throw new InvalidInputException("weekdays", "are missing; choose at least one, or another rhythm.");
        }
    }

    /** The day to which work at a moment belongs. */
    public static LocalDate workday(Instant at, ZoneId zone) {
        return at.atZone(zone).minusHours(NIGHT_ENDS).toLocalDate();
    }

    /**
     * Whether one goes to a crop on a day.
     *
     * @param last the last day on which it was pollinated
     * @param first the first day on which there is anything to pollinate
     * @param sheetDays days from one visit to the next as the crop's sheet says, more than 0
     */
    public boolean goesOn(LocalDate day, Optional<LocalDate> last, LocalDate first, double sheetDays) {
        return switch (kind) {
            case EVERY_DAY -> true;
            case WEEKDAYS -> weekdays.contains(day.getDayOfWeek());
            case EVERY_OTHER_DAY -> inStep(day, last, first, 2);
            case AS_SHEET -> inStep(day, last, first, Math.max(1, Math.round(sheetDays)));
        };
    }

    /** Counted from the last visit while its successor is not missed; else from the first day anew. */
    private static boolean inStep(LocalDate day, Optional<LocalDate> last, LocalDate first, long every) {
        LocalDate from = last.filter(l -> !l.plusDays(every).isBefore(first)).orElse(first);
        return Math.floorMod(ChronoUnit.DAYS.between(from, day), every) == 0;
    }
}
