package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class TreeOutlookTest {
    private static final Instant START = Instant.parse("2026-11-24T02:40:00Z");

    @Test
    void it_tells_from_when_until_when_and_when_most() {
        TreeOutlook outlook = TreeOutlook.of(points(0, 0.2, 0.6, 3, 7, 4, 0.4, 0));

        TreeOutlook.TimeWindow shedding = outlook.shedding().orElseThrow();
        assertThat(shedding.from()).isEqualTo(hour(2));
        assertThat(shedding.until()).isEqualTo(hour(6));
        assertThat(shedding.peakAt()).isEqualTo(hour(4));
        assertThat(shedding.peak().mean()).isEqualTo(7);
        assertThat(shedding.endsInForecast()).isTrue();
        assertThat(outlook.sheddingNow().mean()).isZero();
    }

    @Test
    void what_is_there_already_begins_now_and_what_lasts_has_no_end() {
        TreeOutlook outlook = TreeOutlook.of(points(5, 5, 6));

        TreeOutlook.TimeWindow shedding = outlook.shedding().orElseThrow();
        assertThat(shedding.from()).isEqualTo(START);
        assertThat(shedding.until()).isEqualTo(hour(2));
        assertThat(shedding.endsInForecast()).isFalse();
    }

    @Test
    void of_two_evenings_the_first_is_told() {
        TreeOutlook outlook = TreeOutlook.of(points(0, 2, 0, 0, 9, 0));

        assertThat(outlook.shedding().orElseThrow().until()).isEqualTo(hour(2));
    }

    @Test
    void where_nothing_comes_there_is_nothing_and_an_empty_forecast_is_refused() {
        TreeOutlook outlook = TreeOutlook.of(points(0, 0.49, 0.1));

        assertThat(outlook.shedding()).isEmpty();
        assertThat(outlook.receptive()).isEmpty();
        assertThatThrownBy(() -> TreeOutlook.of(List.of())).hasMessageContaining("points");
    }

    private static Instant hour(int hours) {
        return START.plus(Duration.ofHours(hours));
    }

    private static List<ForecastPoint> points(double... shedding) {
        List<ForecastPoint> points = new ArrayList<>();
        for (int i = 0; i < shedding.length; i++) {
            points.add(new ForecastPoint(hour(i), new FlowerCount(0, 0, 0), new FlowerCount(shedding[i], 0, 9)));
        }
        return points;
    }
}
