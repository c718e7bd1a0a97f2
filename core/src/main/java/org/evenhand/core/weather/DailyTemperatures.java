package org.evenhand.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * The temperature of the hours rebuilt from a day's lowest and highest.
 *
 * <p>By day, t hours after sunrise: {@code T = min + (max − min) · sin(π t / (D + 4))} with D the hours from sunrise to sunset. By
 * night, t hours after sunset: {@code T = Ts − (Ts − min') · ln t / ln N} with Ts the day curve at sunset, min' the next morning's
 * lowest and N the hours from sunset to the next sunrise; during the first hour, where ln t is negative, T is held at Ts. Linvill
 * D.E. 1990, HortScience 25:14-16; the first hour is our convention.
 *
 * @param minimumC lowest of the day, °C
 * @param maximumC highest of the day, °C, not below the lowest
 */
public record DailyTemperatures(double minimumC, double maximumC) {
    /** Sunrise and sunset used where the sun does not rise or set, as local hours: the curve then only follows the clock. */
    private static final double POLAR_SUNRISE_HOUR = 6;

    private static final double POLAR_SUNSET_HOUR = 18;

    public DailyTemperatures {
        Require.within("minimumC", minimumC, -60, 60);
        Require.within("maximumC", maximumC, -60, 60);
        if (maximumC < minimumC) {
            throw new InvalidInputException(
                    "maximumC",
                    "is " + maximumC + ", below the lowest of the day, " + minimumC + "; are they exchanged?");
        }
    }

    /** Temperature {@code hoursAfterSunrise} into a day of {@code dayHours}, °C. */
    double byDay(double hoursAfterSunrise, double dayHours) {
        return minimumC + (maximumC - minimumC) * Math.sin(Math.PI * hoursAfterSunrise / (dayHours + 4));
    }

    /** Temperature {@code hoursAfterSunset} into the night before a day with the given lowest, °C. */
    double byNight(double hoursAfterSunset, double dayHours, double nightHours, double nextMinimumC) {
        double atSunset = byDay(dayHours, dayHours);
        if (hoursAfterSunset <= 1 || nightHours <= 1) {
            return atSunset;
        }
        return atSunset - (atSunset - nextMinimumC) * Math.log(hoursAfterSunset) / Math.log(nightHours);
    }

    /**
     * Hourly temperatures where every day is like this one: what an orchard uses before any weather is known.
     *
     * @param hours how many hours from the start, at least 1
     */
    public HourlyTemperatures repeated(Site site, Instant start, int hours) {
        Map<LocalDate, SunHours> suns = new HashMap<>();
        List<Double> values = new ArrayList<>();
        for (int h = 0; h <= hours; h++) {
            Instant at = start.plus(Duration.ofHours(h));
            values.add(at(site, at, d -> this, suns, at.atZone(site.zone()).toLocalDate()));
        }
        return HourlyTemperatures.of(start, values);
    }

    /**
     * The temperature at a moment of a date, from the lowest and highest of that date and its neighbours.
     *
     * @param days lowest and highest of a date
     * @param suns the suns found so far, added to
     */
    static double at(
            Site site,
            Instant instant,
            Function<LocalDate, DailyTemperatures> days,
            Map<LocalDate, SunHours> suns,
            LocalDate date) {
        SunHours today = suns.computeIfAbsent(date, d -> SunHours.of(site, d));
        DailyTemperatures day = days.apply(date);
        if (instant.isBefore(today.rise())) {
            SunHours yesterday = suns.computeIfAbsent(date.minusDays(1), d -> SunHours.of(site, d));
            return days.apply(date.minusDays(1))
                    .byNight(
                            hours(yesterday.set(), instant),
                            yesterday.dayHours(),
                            hours(yesterday.set(), today.rise()),
                            day.minimumC);
        }
        if (instant.isAfter(today.set())) {
            SunHours tomorrow = suns.computeIfAbsent(date.plusDays(1), d -> SunHours.of(site, d));
            return day.byNight(
                    hours(today.set(), instant),
                    today.dayHours(),
                    hours(today.set(), tomorrow.rise()),
                    days.apply(date.plusDays(1)).minimumC);
        }
        return day.byDay(hours(today.rise(), instant), today.dayHours());
    }

    /**
     * The hours of the inner days of a series, as local clock hours 0 to 23, from sun times given as clock hours: for series that
     * bring their own. The first and last day only lend their neighbours.
     */
    public static List<double[]> hourly(List<DailyTemperatures> days, double[] sunrise, double[] sunset) {
        List<double[]> rows = new ArrayList<>();
        for (int d = 1; d < days.size() - 1; d++) {
            double[] row = new double[24];
            for (int h = 0; h < 24; h++) {
                row[h] = atClockHour(days, sunrise, sunset, d, h);
            }
            rows.add(row);
        }
        return rows;
    }

    private static double atClockHour(
            List<DailyTemperatures> days, double[] sunrise, double[] sunset, int d, int hour) {
        if (hour >= sunrise[d] && hour <= sunset[d]) {
            return days.get(d).byDay(hour - sunrise[d], sunset[d] - sunrise[d]);
        }
        int evening = hour < sunrise[d] ? d - 1 : d;
        double since = hour - sunset[evening] + (evening < d ? 24 : 0);
        double night = sunrise[evening + 1] + 24 - sunset[evening];
        return days.get(evening)
                .byNight(since, sunset[evening] - sunrise[evening], night, days.get(evening + 1).minimumC);
    }

    private static double hours(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 3_600_000.0;
    }

    record SunHours(Instant rise, Instant set) {
        static SunHours of(Site site, LocalDate date) {
            SunDay day = SunDay.of(site, date);
            ZonedDateTime midnight = date.atStartOfDay(site.zone());
            if (day.sunrise().moment().isEmpty() || day.sunset().moment().isEmpty()) {
                return new SunHours(
                        midnight.toInstant().plus(Duration.ofMinutes((long) (POLAR_SUNRISE_HOUR * 60))),
                        midnight.toInstant().plus(Duration.ofMinutes((long) (POLAR_SUNSET_HOUR * 60))));
            }
            return new SunHours(
                    day.sunrise().moment().get(), day.sunset().moment().get());
        }

        double dayHours() {
            return hours(rise, set);
        }
    }
}
