package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.GateRule;
import org.evenhand.core.crop.WorkWindow;
import org.evenhand.core.planning.WorkingHours.TimeWindow;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;
import org.evenhand.core.weather.SunEvent;

/** The hours in which a crop is worked at a place, as its sheet says. */
public final class WorkHours {
    /** Stand-ins where the sun neither rises nor sets, local hours: the work then only follows the clock. Our convention. */
    private static final double POLAR_SUNRISE = 6;

    private static final double POLAR_SUNSET = 18;

    private WorkHours() {}

    /** The windows of a crop that end after a moment and begin before another, in order of time. */
    public static List<TimeWindow> of(CropSheet sheet, Site site, Instant from, Instant until) {
        List<TimeWindow> windows = new ArrayList<>();
        LocalDate last = until.atZone(site.zone()).toLocalDate();
        // Yesterday's night may still last.
        for (LocalDate day = from.atZone(site.zone()).toLocalDate().minusDays(1);
                !day.isAfter(last);
                day = day.plusDays(1)) {
            for (WorkWindow window : sheet.workHours()) {
                Instant opens = at(window.opens(), site, day);
                Instant closes = at(window.closes(), site, day);
                Instant end = closes.isAfter(opens) ? closes : at(window.closes(), site, day.plusDays(1));
                if (end.isAfter(from) && opens.isBefore(until)) {
                    windows.add(new TimeWindow(opens, end));
                }
            }
        }
        windows.sort(Comparator.comparing(TimeWindow::from));
        return windows;
    }

    /**
     * The first day, of those between two moments, on which the sun neither rises nor sets where a crop's hours go by it; its hours are
     * then by the clock, 06:00 for sunrise and 18:00 for sunset.
     */
    public static Optional<LocalDate> byClockFrom(CropSheet sheet, Site site, Instant from, Instant until) {
        LocalDate first = from.atZone(site.zone()).toLocalDate();
        LocalDate last = until.atZone(site.zone()).toLocalDate();
        return first.datesUntil(last.plusDays(1))
                .filter(day -> sheet.workHours().stream()
                        .flatMap(w -> Stream.of(w.opens(), w.closes()))
                        .anyMatch(edge -> sunless(edge, site, day)))
                .findFirst();
    }

    private static boolean sunless(GateRule.Edge edge, Site site, LocalDate day) {
        return switch (edge.anchor()) {
            case CLOCK -> false;
            case SUNRISE -> SunDay.of(site, day).sunrise().moment().isEmpty();
            case SUNSET -> SunDay.of(site, day).sunset().moment().isEmpty();
        };
    }

    private static Instant at(GateRule.Edge edge, Site site, LocalDate day) {
        double hours = edge.hours().value();
        return switch (edge.anchor()) {
            case CLOCK -> clock(site, day, hours);
            case SUNRISE -> sun(SunDay.of(site, day).sunrise(), site, day, POLAR_SUNRISE, hours);
            case SUNSET -> sun(SunDay.of(site, day).sunset(), site, day, POLAR_SUNSET, hours);
        };
    }

    private static Instant sun(SunEvent event, Site site, LocalDate day, double polar, double hours) {
        return event.moment().orElse(clock(site, day, polar)).plus(minutes(hours));
    }

    private static Instant clock(Site site, LocalDate day, double hours) {
        return day.atStartOfDay().plus(minutes(hours)).atZone(site.zone()).toInstant();
    }

    private static Duration minutes(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}
