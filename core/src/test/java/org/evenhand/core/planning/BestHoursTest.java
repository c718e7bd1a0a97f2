package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class BestHoursTest {
    private static final Instant FOUR = Instant.parse("2026-11-24T03:00:00Z");

    private static List<Instant> halfHours(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> FOUR.plus(Duration.ofMinutes(30L * i)))
                .toList();
    }

    @Test
    void within_a_free_stretch_the_earliest_of_nearly_the_best_that_has_pollen_too() {
        WorkingHours.TimeWindow window = new WorkingHours.TimeWindow(FOUR, FOUR.plus(Duration.ofHours(2)));
        List<Instant> moments = halfHours(6);
        double[] none = new double[6];

        assertThat(BestHours.within(window, moments, new double[] {9.6, 10, 9.7, 9, 99, 99}, none))
                .as("9.6 is nearly 10; what comes after the stretch does not count")
                .hasValue(0);
        assertThat(BestHours.within(
                        window, moments, new double[] {9.6, 10, 9.7, 9, 99, 99}, new double[] {0, 0.2, 2, 9, 9, 9}))
                .hasValue(2);
        assertThat(BestHours.within(window, moments, new double[] {0.4, 0.4, 0.4, 0.4, 9, 9}, none))
                .isEmpty();
    }
}
