package org.evenhand.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DemoMomentTest {

    @ParameterizedTest
    @CsvSource({
        "2026-11-24T11:00:00Z, 2026-11-24T15:40",
        "2026-11-23T10:30:00Z, 2025-11-24T15:40",
        "2026-11-23T11:30:00Z, 2026-11-24T15:40",
        "2027-03-01T00:00:00Z, 2026-11-24T15:40",
        "2028-02-29T12:00:00Z, 2027-11-24T15:40",
        "2026-12-31T23:59:59Z, 2026-11-24T15:40"
    })
    void whenever_it_is_started_the_demo_lives_on_the_latest_late_november_afternoon(String now, String there) {
        assertThat(DemoOrchard.latestAfternoon(Instant.parse(now))
                        .atZone(ZoneId.of("Pacific/Auckland"))
                        .toLocalDateTime())
                .isEqualTo(LocalDateTime.parse(there));
    }
}
