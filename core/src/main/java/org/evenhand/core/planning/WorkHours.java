package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
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
    public static final LocalTime POLAR_SUNRISE = LocalTime.of(6, 0);

    public static final LocalTime POLAR_SUNSET = LocalTime.of(18, 0);

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
     * then by the clock, {@link #POLAR_SUNRISE} and {@link #POLAR_SUNSET}.
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
        return event(edge, site, day).filter(e -> e.moment().isEmpty()).isPresent();
    }

    /** What the sun does that an edge goes by; empty where it goes by the clock. */
    private static Optional<SunEvent> event(GateRule.Edge edge, Site site, LocalDate day) {
        return switch (edge.anchor()) {
            case CLOCK -> Optional.empty();
            case SUNRISE -> Optional.of(SunDay.of(site, day).sunrise());
            case SUNSET -> Optional.of(SunDay.of(site, day).sunset());
        };
    }

    private static Instant at(GateRule.Edge edge, Site site, LocalDate day) {
        double hours = edge.hours().value();
        LocalTime standIn = edge.anchor() == GateRule.Anchor.SUNRISE ? POLAR_SUNRISE : POLAR_SUNSET;
        return event(edge, site, day)
                .map(e -> e.moment()
                        .orElseGet(() -> day.atTime(standIn).atZone(site.zone()).toInstant())
                        .plus(minutes(hours)))
                .orElseGet(() -> day.atStartOfDay()
                        .plus(minutes(hours))
                        .atZone(site.zone())
                        .toInstant());
    }

    private static Duration minutes(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}
