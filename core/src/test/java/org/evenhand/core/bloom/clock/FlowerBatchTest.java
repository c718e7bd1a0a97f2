package org.evenhand.core.bloom.clock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowerBatchTest {
    private static final CropSheet SHEET = CropSheets.shipped().find("apple").orElseThrow();
    private static final FlowerClock CLOCK = FlowerClock.of(SHEET);
    private static final int COLUMNS = 7;

    /** Shares that steps of six hours leave out, as they are too small to matter. */
    private static final double DROPPED = 1e-8;

    private static FlowerBatch thrown(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        FlowerBatch batch = FlowerBatch.empty(CLOCK, COLUMNS);
        for (int n = 0; n < 60; n++) {
            batch.add(random.nextInt(CLOCK.compartmentCount()), random.nextInt(COLUMNS), 10 * random.nextDouble());
        }
        return batch;
    }

    private static Iterable<StepMatrix> steps() {
        return CLOCK.steps(
                BloomConditions.of(
                        SHEET,
                        new org.evenhand.core.weather.Site(47, 8, java.time.ZoneId.of("Europe/Zurich")),
                        org.evenhand.core.weather.HourlyTemperatures.of(
                                java.time.Instant.parse("2026-04-10T00:00:00Z"),
                                java.util.Collections.nCopies(72, 16.0)),
                        java.time.Instant.parse("2026-04-12T00:00:00Z")),
                3,
                9);
    }

    /** Some of the columns pushed forward: these go where they go among all, the others stay where they are. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void some_columns_walk_as_among_all_and_the_others_stand_still(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int first = random.nextInt(COLUMNS);
        int end = first + random.nextInt(COLUMNS - first + 1);
        FlowerBatch before = thrown(seed);
        FlowerBatch all = thrown(seed);
        FlowerBatch some = thrown(seed);
        for (StepMatrix step : steps()) {
            all.apply(step);
            some.apply(step, first, end);
        }
        for (int column = 0; column < COLUMNS; column++) {
            FlowerBatch like = column >= first && column < end ? all : before;
            assertThat(some.state(column).compartments())
                    .as("column %d of %d to %d", column, first, end)
                    .containsExactly(like.state(column).compartments());
        }
    }

    /** Each column walks as a state of its own does, and none of its flowers is lost. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void every_column_walks_as_alone(long seed) {
        FlowerBatch batch = thrown(seed);
        double[] before = new double[COLUMNS];
        for (int column = 0; column < COLUMNS; column++) {
            before[column] =
                    java.util.Arrays.stream(batch.state(column).compartments()).sum();
        }
        FlowerBatch[] alone = new FlowerBatch[COLUMNS];
        for (int column = 0; column < COLUMNS; column++) {
            alone[column] = FlowerBatch.of(java.util.List.of(batch.state(column)));
        }
        for (StepMatrix step : steps()) {
            batch.apply(step);
            for (FlowerBatch one : alone) {
                one.apply(step);
            }
        }
        for (int column = 0; column < COLUMNS; column++) {
            double[] together = batch.state(column).compartments();
            assertThat(together).containsExactly(alone[column].state(0).compartments(), within(1e-12));
            assertThat(java.util.Arrays.stream(together).sum())
                    .isCloseTo(before[column], within(DROPPED * before[column]));
            assertThat(batch.onTree(column))
                    .isCloseTo(before[column] - together[together.length - 1], within(DROPPED * before[column]));
        }
    }
}
