package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;

class DailyTemperaturesTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));

    /** Oracle: Linvill's two curves written out in Python, 3 equal days 4..18 °C, sunrise 6, sunset 19; tolerance is rounding. */
    @Test
    void the_hours_follow_the_published_curves() {
        DailyTemperatures day = new DailyTemperatures(4, 18);

        assertThat(day.byDay(0, 13)).isCloseTo(4.0, within(1e-9));
        assertThat(day.byDay(5, 13)).isCloseTo(15.172241181923352, within(1e-9));
        assertThat(day.byDay(13, 13)).isCloseTo(13.4317390110518, within(1e-9));
        assertThat(day.byNight(0.5, 13, 11, 4)).isCloseTo(13.4317390110518, within(1e-9));
        assertThat(day.byNight(4, 13, 11, 4)).isCloseTo(7.978971012841129, within(1e-9));
        assertThat(day.byNight(11, 13, 11, 4)).isCloseTo(4.0, within(1e-9));
    }

    @Test
    void a_southern_november_day_is_coldest_at_sunrise_and_warmest_in_the_afternoon() {
        LocalDate date = LocalDate.of(2026, 11, 24);
        Instant midnight = date.atStartOfDay(COAST.zone()).toInstant();
        HourlyTemperatures hours = new DailyTemperatures(13, 24).repeated(COAST, midnight, 24);
        Instant sunrise = SunDay.of(COAST, date).sunrise().moment().orElseThrow();

        assertThat(hours.celsiusAt(sunrise)).isBetween(13.0, 14.0);
        assertThat(hours.celsiusAt(midnight.plusSeconds(15 * 3600))).isBetween(23.5, 24.0);
        for (double celsius : hours.toArray()) {
            assertThat(celsius).isBetween(12.9, 24.0);
        }
    }

    @Test
    void polar_day_and_exchanged_extremes_are_handled() {
        Site north = new Site(69.65, 18.96, ZoneId.of("Europe/Oslo"));
        Instant start = LocalDate.of(2025, 6, 21).atStartOfDay(north.zone()).toInstant();

        assertThat(new DailyTemperatures(4, 10).repeated(north, start, 48).toArray())
                .hasSize(49);
        assertThatThrownBy(() -> new DailyTemperatures(20, 10))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("below the lowest of the day, 20");
        assertThatThrownBy(() -> new DailyTemperatures(Double.NaN, 10)).isInstanceOf(InvalidInputException.class);
    }

    @Test
    void a_place_off_the_earth_is_refused_by_field() {
        assertThatThrownBy(() -> new Site(Double.NaN, 0, COAST.zone()))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("latitude")
                .hasMessageContaining("-90 to 90");
    }
}
