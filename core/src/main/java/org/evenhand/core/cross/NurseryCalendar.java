package org.evenhand.core.cross;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.MonthDay;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;

/**
 * When the steps of a nursery are due, from the harvest of the fruit on: so many days after another step, and where a season is asked for, at
 * its next beginning.
 *
 * @param rules worked off in their order; each may name the harvest or a step before it
 */
public record NurseryCalendar(List<Rule> rules) {
    /** What the first step follows. */
    public static final String HARVEST = "harvest";

    /**
     * A step.
     *
     * @param after the step it follows, or {@link #HARVEST}
     * @param days whole days of the calendar after that, at the earliest; 0 or more
     * @param notBefore it waits for this day of a year, the next that comes
     */
    public record Rule(String step, String after, int days, Optional<DayOfYear> notBefore) {
        /** @throws InvalidInputException where the days are below 0 */
        public Rule {
            if (days < 0) {
                throw new InvalidInputException("days", "of " + step + " are " + days + "; a step follows another.");
            }
        }
    }

    /** A day of every year; 29 February is 1 March in a year that has none. */
    public record DayOfYear(MonthDay day) {
        /**
         * As {@code 02-29}.
         *
         * @throws InvalidInputException where no year has such a day
         */
        public static DayOfYear of(String monthAndDay) {
            try {
                return new DayOfYear(MonthDay.parse("--" + monthAndDay));
            } catch (DateTimeException e) {
                throw new InvalidInputException("notBefore", "is " + monthAndDay + "; no year has such a day.");
            }
        }

        LocalDate in(int year) {
            return day.isValidYear(year) ? day.atYear(year) : LocalDate.of(year, 3, 1);
        }

        /** The first such day that is not before another. */
        public LocalDate onOrAfter(LocalDate earliest) {
            LocalDate thisYear = in(earliest.getYear());
            return thisYear.isBefore(earliest) ? in(earliest.getYear() + 1) : thisYear;
        }
    }

    /** Where seasons come at other times of the year. */
    public enum Hemisphere {
        NORTH,
        SOUTH;

        /** @param latitude degrees, north positive; the equator counts as north */
        public static Hemisphere at(double latitude) {
            return latitude < 0 ? SOUTH : NORTH;
        }
    }

    /** When a season begins. */
    public record Season(DayOfYear north, DayOfYear south) {
        public DayOfYear in(Hemisphere hemisphere) {
            return hemisphere == Hemisphere.NORTH ? north : south;
        }
    }

    /** @throws InvalidInputException where a step is there twice, is called harvest, or follows one that does not come before it */
    public NurseryCalendar {
        rules = List.copyOf(rules);
        for (int i = 0; i < rules.size(); i++) {
            Set<String> before = rules.subList(0, i).stream().map(Rule::step).collect(Collectors.toSet());
            Rule rule = rules.get(i);
            if (rule.step().equals(HARVEST) || before.contains(rule.step())) {
                throw new InvalidInputException("step", "'" + rule.step() + "' is there already.");
            }
            if (!rule.after().equals(HARVEST) && !before.contains(rule.after())) {
                throw new InvalidInputException(
                        "after", "'" + rule.after() + "' is no step before '" + rule.step() + "'.");
            }
        }
    }

    /** Days of all steps, in their order. */
    public Map<String, LocalDate> dates(LocalDate harvest) {
        Map<String, LocalDate> dates = new LinkedHashMap<>();
        for (Rule rule : rules) {
            LocalDate after = dates.getOrDefault(rule.after(), harvest);
            LocalDate earliest = after.plusDays(rule.days());
            dates.put(
                    rule.step(),
                    rule.notBefore().map(d -> d.onOrAfter(earliest)).orElse(earliest));
        }
        return dates;
    }
}
