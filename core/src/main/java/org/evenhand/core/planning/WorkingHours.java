package org.evenhand.core.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.evenhand.core.InvalidInputException;

/**
 * When somebody can go: hours of every day, hours of single days in their stead, and days away.
 *
 * @param everyDay hours of an ordinary day; none where nothing was said
 * @param singleDays days with hours of their own; a day named without hours is not free
 * @param away days on which nobody is there
 */
public record WorkingHours(List<Hours> everyDay, List<SingleDay> singleDays, List<Away> away) {

    public WorkingHours {
        everyDay = List.copyOf(everyDay);
        singleDays = List.copyOf(singleDays);
        away = List.copyOf(away);
    }

    /** Hours by the clock; those that end at or before their beginning go on into the next day. */
    public record Hours(LocalTime from, LocalTime until) {}

    /** Hours of one day; none where it is not free. */
    public record SingleDay(LocalDate day, List<Hours> hours) {
        public SingleDay {
            hours = List.copyOf(hours);
        }
    }

    /** Days away, both named days included. */
    public record Away(LocalDate first, LocalDate last) {
        public Away {
            if (last.isBefore(first)) {
                throw new InvalidInputException("away", "ends on " + last + ", before it begins on " + first + ".");
            }
        }

        boolean holds(LocalDate day) {
            return !day.isBefore(first) && !day.isAfter(last);
        }
    }

    /** A stretch of time, the end exclusive. */
    public record TimeWindow(Instant from, Instant until) {
        /** Length, hours. */
        public double hours() {
            return java.time.Duration.between(from, until).toMinutes() / 60.0;
        }
    }

    /** Whether hours were told at all; otherwise any hour will do. */
    public boolean isSpecified() {
        return !everyDay.isEmpty() || !singleDays.isEmpty();
    }

    /**
     * The free stretches from a moment on, in order; where no hours were told, all the time one is not away.
     *
     * @param days how many days, today's included
     */
    public List<TimeWindow> from(Instant now, int days, ZoneId zone) {
        LocalDate today = now.atZone(zone).toLocalDate();
        List<TimeWindow> stretches = new ArrayList<>();
        // Yesterday's night may still last.
        for (LocalDate day = today.minusDays(1); day.isBefore(today.plusDays(days)); day = day.plusDays(1)) {
            for (Hours hours : of(day)) {
                Instant from = day.atTime(hours.from()).atZone(zone).toInstant();
                boolean overnight = !hours.until().isAfter(hours.from());
                Instant until = (overnight ? day.plusDays(1) : day)
                        .atTime(hours.until())
                        .atZone(zone)
                        .toInstant();
                if (until.isAfter(now)) {
                    stretches.add(new TimeWindow(from.isBefore(now) ? now : from, until));
                }
            }
        }
        stretches.sort(Comparator.comparing(TimeWindow::from));
        return isSpecified() ? stretches : joined(stretches);
    }

    /** Where any hour will do midnight is no end of anything. */
    private static List<TimeWindow> joined(List<TimeWindow> days) {
        List<TimeWindow> joined = new ArrayList<>();
        for (TimeWindow day : days) {
            TimeWindow last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && !day.from().isAfter(last.until())) {
                joined.set(joined.size() - 1, new TimeWindow(last.from(), day.until()));
            } else {
                joined.add(day);
            }
        }
        return joined;
    }

    private List<Hours> of(LocalDate day) {
        if (away.stream().anyMatch(a -> a.holds(day))) {
            return List.of();
        }
        return singleDays.stream()
                .filter(s -> s.day().equals(day))
                .findFirst()
                .map(SingleDay::hours)
                .orElse(isSpecified() ? everyDay : List.of(new Hours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT)));
    }
}
