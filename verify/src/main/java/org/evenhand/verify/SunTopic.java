package org.evenhand.verify;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;
import org.evenhand.core.weather.SunEvent;

/** Dawn, sunrise, noon, sunset and dusk of a date at a place. */
final class SunTopic implements Topic {
    @Override
    public String name() {
        return "sun";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        LocalDate date = inputs.date("date");
        ZoneId zone;
        try {
            zone = ZoneId.of(inputs.text("zone"));
        } catch (DateTimeException e) {
            throw new BrokenCaseException(inputs.where() + ", inputs: " + e.getMessage());
        }
        SunDay day = SunDay.of(new Site(inputs.number("lat"), inputs.number("lon"), zone), date);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("local", events(day, zone));
        answer.put("utc", events(day, ZoneOffset.UTC));
        answer.put("local_calendar_day_hours", calendarDayHours(date, zone));
        day.sunrise()
                .moment()
                .ifPresent(rise -> day.sunset()
                        .moment()
                        .ifPresent(set -> answer.put(
                                "day_length_minutes",
                                Duration.between(rise, set).toMillis() / 60_000.0)));
        return Optional.of(answer);
    }

    private static Map<String, Object> events(SunDay day, ZoneId zone) {
        Map<String, Object> events = new LinkedHashMap<>();
        events.put("civil_dawn", said(day.civilDawn(), zone));
        events.put("sunrise", said(day.sunrise(), zone));
        events.put("solar_noon", said(day.solarNoon(), zone));
        events.put("sunset", said(day.sunset(), zone));
        events.put("civil_dusk", said(day.civilDusk(), zone));
        return events;
    }

    private static String said(SunEvent event, ZoneId zone) {
        return event.moment()
                .map(at -> said(at, zone))
                .orElseGet(() -> event instanceof SunEvent.AlwaysAbove ? "always_above" : "always_below");
    }

    private static String said(Instant at, ZoneId zone) {
        return at.atZone(zone).toOffsetDateTime().toString();
    }

    private static double calendarDayHours(LocalDate date, ZoneId zone) {
        return Duration.between(date.atStartOfDay(zone), date.plusDays(1).atStartOfDay(zone))
                        .toMinutes()
                / 60.0;
    }
}
