package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.evenhand.core.Cases.between;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Beside the reference cases, which run under the topic "sun": what must hold anywhere on earth. */
class SunDayTest {

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void dawn_sunrise_noon_sunset_and_dusk_come_in_this_order(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Site site = new Site(between(random, -89, 89), between(random, -180, 180), ZoneOffset.UTC);
        LocalDate date = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365));

        SunDay day = SunDay.of(site, date);

        Instant last = Instant.MIN;
        for (Optional<Instant> moment : java.util.List.of(
                day.civilDawn().moment(),
                day.sunrise().moment(),
                Optional.of(day.solarNoon()),
                day.sunset().moment(),
                day.civilDusk().moment())) {
            if (moment.isPresent()) {
                assertThat(moment.get()).isAfter(last);
                last = moment.get();
            }
        }
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_day_in_the_south_is_as_long_as_the_night_in_the_north(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double latitude = between(random, 5, 55);
        LocalDate date = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365));

        double south = hours(SunDay.of(new Site(-latitude, 10, ZoneOffset.UTC), date));
        double north = hours(SunDay.of(new Site(latitude, 10, ZoneOffset.UTC), date));

        // Refraction and the sun's size lengthen both days by some minutes, more so far from the equator.
        assertThat(south + north).isBetween(24.0, 24.5);
    }

    @Test
    void where_the_sun_stays_up_or_down_that_is_the_answer() {
        Site north = new Site(69.65, 18.96, ZoneId.of("Europe/Oslo"));

        assertThat(SunDay.of(north, LocalDate.of(2025, 6, 21)).sunset()).isInstanceOf(SunEvent.AlwaysAbove.class);
        assertThat(SunDay.of(north, LocalDate.of(2025, 12, 21)).sunrise()).isInstanceOf(SunEvent.AlwaysBelow.class);
        assertThat(SunDay.of(north, LocalDate.of(2025, 12, 21)).civilDawn().moment())
                .isPresent();
    }

    private static double hours(SunDay day) {
        return Duration.between(
                                day.sunrise().moment().orElseThrow(),
                                day.sunset().moment().orElseThrow())
                        .toSeconds()
                / 3600.0;
    }
}
