package org.evenhand.core.pollination;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.SuspensionTraits.SizeWindow;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.core.pollination.FigList.Measure;
import org.evenhand.core.pollination.FigList.Row;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FigListTest {
    private static final SizeWindow WINDOW = new SizeWindow(Sourced.practice(12), Sourced.practice(28));
    private static final Instant MONDAY = Instant.parse("2027-05-03T06:00:00Z");
    private static final Instant THURSDAY = MONDAY.plus(Duration.ofDays(3));

    private static Measure green(String fig, double mm, Instant at) {
        return new Measure(fig, mm, FigSize.Eye.LOOSENING_GREEN, at);
    }

    @Test
    void those_of_the_right_size_come_first_the_largest_in_front_and_the_late_ones_stay_as_a_comparison() {
        List<Row> rows = FigList.of(
                List.of(
                        green("Y1", 9, THURSDAY),
                        green("Y2", 14, THURSDAY),
                        green("Y3", 22, THURSDAY),
                        green("Y4", 31, THURSDAY),
                        new Measure("Y5", 15, FigSize.Eye.COLOURED, THURSDAY)),
                WINDOW,
                THURSDAY);

        assertThat(rows).extracting(r -> r.latest().fig()).containsExactly("Y3", "Y2", "Y1", "Y4", "Y5");
        assertThat(rows)
                .extracting(Row::size)
                .containsExactly(FigSize.RIGHT, FigSize.RIGHT, FigSize.TOO_SMALL, FigSize.TOO_LATE, FigSize.TOO_LATE);
    }

    @Test
    void a_fig_measured_twice_grows_on_and_says_when_it_will_be_right_and_when_too_late() {
        Row row = FigList.of(
                        List.of(green("y1", 6, MONDAY), green("Y1", 9, THURSDAY)),
                        WINDOW,
                        THURSDAY.plus(Duration.ofDays(1)))
                .get(0);

        assertThat(row.mmPerDay().orElseThrow()).isCloseTo(1, within(1e-9));
        assertThat(row.nowMm()).isCloseTo(10, within(1e-9));
        assertThat(row.rightFrom()).contains(THURSDAY.plus(Duration.ofDays(3)));
        assertThat(row.lateFrom()).contains(THURSDAY.plus(Duration.ofDays(19)));
        assertThat(FigList.of(
                                List.of(green("Y1", 9, THURSDAY), green("Y1", 9.4, THURSDAY.plusSeconds(3600))),
                                WINDOW,
                                THURSDAY.plusSeconds(3600))
                        .get(0)
                        .mmPerDay())
                .as("an hour says nothing of growth")
                .isEmpty();
    }

    /** What the list foresees comes true for a fig that keeps growing evenly. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void on_the_day_it_names_a_fig_is_right_and_the_day_before_it_was_not(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double first = 3 + 4 * random.nextDouble();
        double growth = 0.2 + random.nextDouble();
        List<Measure> measures =
                new ArrayList<>(List.of(green("Y1", first, MONDAY), green("Y1", first + 3 * growth, THURSDAY)));
        Row row = FigList.of(measures, WINDOW, THURSDAY).get(0);
        Instant right = row.rightFrom().orElseThrow();

        assertThat(FigList.of(measures, WINDOW, right.plusSeconds(120)).get(0).size())
                .isEqualTo(FigSize.RIGHT);
        assertThat(FigList.of(measures, WINDOW, right.minus(Duration.ofDays(1)))
                        .get(0)
                        .size())
                .isEqualTo(FigSize.TOO_SMALL);
        assertThat(FigList.of(measures, WINDOW, row.lateFrom().orElseThrow().plusSeconds(120))
                        .get(0)
                        .size())
                .isEqualTo(FigSize.TOO_LATE);
    }
}
