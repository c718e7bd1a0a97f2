package org.evenhand.core.bloom.clock;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.stream.IntStream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.GateRule;
import org.evenhand.core.crop.GateRule.Anchor;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.TestSheets;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class GateHoursTest {
    private static final ZoneId AUCKLAND = ZoneId.of("Pacific/Auckland");

    @Test
    void a_window_over_midnight_stands_open_on_both_sides() {
        GateHours gate = GateHours.daily(12, 22, 3, 48);

        assertThat(gate.openAt(9.9)).isFalse();
        assertThat(gate.openAt(10)).isTrue();
        assertThat(gate.openAt(14.9)).isTrue();
        assertThat(gate.openAt(15)).isFalse();
        assertThat(gate.nextEdgeAfter(10)).isEqualTo(15);
    }

    @Test
    void a_clock_gate_keeps_its_hour_when_the_clocks_go_forward() {
        // On 28 September 2025 the clocks of this zone jump from 02:00 to 03:00.
        GateHours gate = gate(
                new Site(-35.3, 173.9, AUCKLAND),
                LocalDate.of(2025, 9, 27),
                edge(Anchor.CLOCK, 17),
                edge(Anchor.CLOCK, 19));
        Instant start = LocalDate.of(2025, 9, 27).atStartOfDay(AUCKLAND).toInstant();

        for (int day = 27; day <= 28; day++) {
            Instant atFive =
                    LocalDateTime.of(2025, 9, day, 17, 0).atZone(AUCKLAND).toInstant();
            double hour = Duration.between(start, atFive).toMinutes() / 60.0;
            assertThat(gate.openAt(hour)).isTrue();
            assertThat(gate.openAt(hour - 0.01)).isFalse();
        }
    }

    @Test
    void where_the_sun_never_sets_a_sunset_gate_stays_shut() {
        Site north = new Site(69.65, 18.96, ZoneId.of("Europe/Oslo"));
        GateHours gate = gate(north, LocalDate.of(2025, 6, 20), edge(Anchor.SUNSET, -2), edge(Anchor.SUNSET, 1));

        assertThat(gate.nextEdgeAfter(-1000)).isEqualTo(Double.POSITIVE_INFINITY);
    }

    private static GateRule.Edge edge(Anchor anchor, double hours) {
        return new GateRule.Edge(anchor, Sourced.practice(hours));
    }

    private static String said(GateRule.Edge edge) {
        return "{from: " + edge.anchor().name().toLowerCase(java.util.Locale.ROOT) + ", hours: "
                + edge.hours().value() + " practice}";
    }

    private static GateHours gate(Site site, LocalDate first, GateRule.Edge opens, GateRule.Edge closes) {
        CropSheet sheet = TestSheets.cherimoyaWith(
                "gate: {opens: {from: sunrise, hours: 0 memory}, closes: {from: sunrise, hours: 7 memory}, halfTimeMinutes: 75 memory}",
                "gate: {opens: " + said(opens) + ", closes: " + said(closes) + ", halfTimeMinutes: 30 memory}");
        Instant start = first.atStartOfDay(site.zone()).toInstant();
        HourlyTemperatures mild = HourlyTemperatures.of(
                start, IntStream.range(0, 72).mapToObj(h -> 15.0).toList());
        return BloomConditions.of(sheet, site, mild, start.plus(Duration.ofDays(3)))
                .gates()
                .get(0);
    }
}
