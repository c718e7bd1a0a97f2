package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class SiteTest {
    private static final Instant SUMMER = Instant.parse("2026-07-01T00:00:00Z");

    /** Places from an atlas, from memory; the hours are the zone's standard offset less longitude / 15. */
    @ParameterizedTest
    @CsvSource({
        "Pacific/Auckland, 174.8, 0.347, false",
        "Europe/Madrid, -8.7, 1.58, false",
        "Asia/Shanghai, 76.0, 2.933, false",
        "America/Lima, -77.0, 0.133, false",
        "Pacific/Kiritimati, -157.4, 0.493, false",
        "Pacific/Auckland, -174.8, -0.347, false",
        "America/Los_Angeles, 118.2, 8.12, true",
        "Europe/Rome, 120, -7, true",
        "UTC, 60, -4, true"
    })
    void a_zone_that_is_hours_off_the_sun_contradicts_the_longitude(
            String zone, double longitude, double hours, boolean contradicts) {
        Site site = new Site(10, longitude, ZoneId.of(zone));
        assertThat(site.hoursAheadOfSun(SUMMER)).isCloseTo(hours, within(0.01));
        assertThat(site.zoneContradictsLongitude(SUMMER)).isEqualTo(contradicts);
    }

    /** A zone of the nearest whole hour is never more than half an hour off, wherever on the earth. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_zone_of_the_nearest_hour_never_contradicts(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double longitude = -179 + 358 * random.nextDouble();
        int offset = (int) Math.round(longitude / 15);
        ZoneId zone = ZoneId.of((offset < 0 ? "-" : "+") + String.format("%02d:00", Math.abs(offset)));
        assertThat(Math.abs(new Site(0, longitude, zone).hoursAheadOfSun(SUMMER)))
                .isLessThanOrEqualTo(0.5 + 1e-9);
        assertThat(new Site(0, longitude, zone).zoneContradictsLongitude(SUMMER))
                .isFalse();
    }
}
