package org.evenhand.weather;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.Require;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.SunDay;
import org.evenhand.core.weather.SunEvent;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Light and temperature for the time axes. */
@RestController
@RequestMapping("/api/light")
record LightController(Orchards orchards, Weather weather) {
    private static final int LONGEST_HOURS = 24 * 14;

    /** The sun's moments on one date; those that do not come are left out. */
    @Schema(name = "SunDay")
    record SunDayView(
            LocalDate date,
            @Schema(description = OPTIONAL) Instant dawn,
            @Schema(description = OPTIONAL) Instant sunrise,
            Instant noon,
            @Schema(description = OPTIONAL) Instant sunset,
            @Schema(description = OPTIONAL) Instant dusk,
            boolean alwaysLight,
            boolean alwaysDark) {
        static SunDayView of(SunDay day) {
            return new SunDayView(
                    day.date(),
                    day.civilDawn().moment().orElse(null),
                    day.sunrise().moment().orElse(null),
                    day.solarNoon(),
                    day.sunset().moment().orElse(null),
                    day.civilDusk().moment().orElse(null),
                    day.sunrise() instanceof SunEvent.AlwaysAbove,
                    day.sunrise() instanceof SunEvent.AlwaysBelow);
        }
    }

    /** Temperature in °C every half-hour from {@code from}, the sun's days, and the deficit at {@code from} where it is known. */
    @Schema(name = "Light")
    record LightView(
            Instant from,
            Instant until,
            int stepMinutes,
            List<Double> celsius,
            List<SunDayView> suns,
            List<WeatherRequests.TimeWindow> weather,
            @Schema(description = OPTIONAL) Double deficitKpa) {}

    @GetMapping
    LightView light(
            Caller caller, @RequestParam(required = false) Instant from, @RequestParam(defaultValue = "24") int hours) {
        Require.within("hours", hours, 1, LONGEST_HOURS);
        OrchardDetails orchard = orchards.details(caller);
        Instant start = from == null ? orchards.now(caller) : from;
        Instant until = start.plus(Duration.ofHours(hours));
        WeatherSeries air = weather.air(caller, start, until);
        HourlyTemperatures temperatures = air.temperatures();
        List<Double> celsius = new ArrayList<>();
        for (int minute = 0; minute <= hours * 60; minute += 30) {
            celsius.add(temperatures.celsiusAt(start.plus(Duration.ofMinutes(minute))));
        }
        List<SunDayView> suns = weather.suns(orchard.site(), start, until).stream()
                .map(SunDayView::of)
                .toList();
        return new LightView(
                start,
                until,
                30,
                celsius,
                suns,
                Weather.stretches(air, start, until).stream()
                        .map(s -> new WeatherRequests.TimeWindow(s.from(), s.until(), s.source()))
                        .toList(),
                air.deficitAt(start).isPresent() ? air.deficitAt(start).getAsDouble() : null);
    }
}
