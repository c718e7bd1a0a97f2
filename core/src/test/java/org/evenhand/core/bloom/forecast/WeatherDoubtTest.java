package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collections;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.WeatherSource;
import org.junit.jupiter.api.Test;

class WeatherDoubtTest {
    private static final int FROM = 24;
    private static final double STEADY = 18;
    private static final BloomConditions CONDITIONS = conditions();

    private static BloomConditions conditions() {
        CropSheet sheet = CropSheets.shipped().find("apple").orElseThrow();
        Instant start = Instant.parse("2026-10-01T00:00:00Z");
        return BloomConditions.of(
                sheet,
                new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland")),
                HourlyTemperatures.of(start, Collections.nCopies(24 * 8, STEADY)),
                start.plus(Duration.ofDays(7)));
    }

    private static double varianceAt(WeatherDoubt doubt, int hoursAhead) {
        return doubt.courses(CONDITIONS, FROM).stream()
                .mapToDouble(c -> c.temperatures().toArray()[FROM + hoursAhead] - STEADY)
                .map(off -> off * off)
                .average()
                .orElseThrow();
    }

    /** Oracle: a random walk's variance grows with its hours; a few smooth courses hold it within a tenth of its end. */
    @Test
    void the_courses_stray_as_far_as_the_walk_they_stand_for() {
        WeatherDoubt doubt = WeatherDoubt.walking(2.5);
        double end = 2.5 * 2.5 / 48 * WeatherDoubt.SPAN_HOURS;
        for (int hours = 6; hours <= WeatherDoubt.SPAN_HOURS; hours += 6) {
            assertThat(varianceAt(doubt, hours))
                    .as("%d hours ahead", hours)
                    .isCloseTo(2.5 * 2.5 / 48 * hours, within(0.1 * end));
        }
        assertThat(varianceAt(doubt, 120))
                .as("beyond its span it goes no farther")
                .isCloseTo(varianceAt(doubt, 72), within(1e-9));
    }

    @Test
    void the_courses_lie_evenly_about_the_forecast_and_leave_what_is_known() {
        List<BloomConditions> courses = WeatherDoubt.walking(2.5).courses(CONDITIONS, FROM);
        for (int hour = 0; hour < 24 * 6; hour++) {
            int at = hour;
            assertThat(courses.stream()
                            .mapToDouble(c -> c.temperatures().toArray()[at])
                            .average()
                            .orElseThrow())
                    .isCloseTo(STEADY, within(1e-9));
            if (hour <= FROM) {
                assertThat(courses).allMatch(c -> c.temperatures().toArray()[at] == STEADY);
            }
        }
    }

    /** A typical day that stands in for a forecast is off at once, and by the same for as long as it stands in. */
    @Test
    void a_typical_day_is_in_doubt_from_the_first_hours_on() {
        WeatherDoubt usual = WeatherDoubt.of(WeatherSource.USUAL);
        double soon = varianceAt(usual, 4);
        assertThat(soon).isGreaterThan(varianceAt(WeatherDoubt.walking(2.5), 4)).isGreaterThan(4);
        assertThat(varianceAt(usual, 90)).isCloseTo(soon, within(1e-9));
    }

    @Test
    void known_weather_has_no_courses_and_no_doubt_is_less_than_none() {
        assertThat(WeatherDoubt.none().courses(CONDITIONS, FROM)).isEmpty();
        assertThatThrownBy(() -> WeatherDoubt.walking(-1))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("forecastErrorSdAfter48hC");
    }
}
