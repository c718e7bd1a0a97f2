package org.evenhand.weather;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class StationStandInTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");

    /** The stand-in posts what could be: warm by day, damp by night, and the same for the same seed. */
    @Test
    void the_stand_in_makes_up_plausible_air() {
        StationStandIn station = new StationStandIn(7, new Site(-35.3, 173.9, ZONE), new DailyTemperatures(14, 24));
        Instant until = Instant.parse("2026-11-24T02:40:00Z");

        var hours = station.hours(until, 240);

        assertThat(hours).hasSize(240);
        assertThat(hours.get(239).at()).isEqualTo(Instant.parse("2026-11-24T02:00:00Z"));
        assertThat(hours).allSatisfy(h -> {
            assertThat(h.celsius()).isBetween(9.0, 30.0);
            assertThat(h.humidity()).isBetween(15.0, 100.0);
        });
        assertThat(new StationStandIn(7, new Site(-35.3, 173.9, ZONE), new DailyTemperatures(14, 24)).hours(until, 240))
                .isEqualTo(hours);
    }
}
