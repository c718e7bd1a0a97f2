package org.evenhand.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.round.RoundRequest.OpenFlowers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowersToDoTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void whole_flowers_add_up_to_the_rounded_total_and_no_stage_strays_by_a_flower(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] expected = random.doubles(7, 0, 30).toArray();
        double done = random.nextDouble() * 20;
        double left = Math.max(0, expected[1] + expected[2] - done);

        List<OpenFlowers> open = FlowersToDo.of(CHERIMOYA, expected, done);

        assertThat(open.stream().mapToInt(OpenFlowers::flowers).sum()).isEqualTo((int) Math.round(left));
        for (OpenFlowers stage : open) {
            double wanted = expected[CHERIMOYA.indexOf(stage.stage())] * left / (expected[1] + expected[2]);
            assertThat((double) stage.flowers()).isCloseTo(wanted, within(1.0));
            assertThat(stage.stage()).isIn("parted", "half-open");
        }
    }

    @Test
    void each_stage_keeps_its_receptivity() {
        assertThat(FlowersToDo.of(CHERIMOYA, new double[] {5, 2, 3, 1, 1, 1, 0}, 0))
                .containsExactly(new OpenFlowers("parted", 2, 0.9), new OpenFlowers("half-open", 3, 1.0));
    }

    @Test
    void where_all_is_done_or_nothing_is_open_nothing_is_to_do() {
        assertThat(FlowersToDo.of(CHERIMOYA, new double[] {5, 2, 3, 1, 1, 1, 0}, 5))
                .isEmpty();
        assertThat(FlowersToDo.of(CHERIMOYA, new double[] {50, 0, 0, 9, 9, 9, 0}, 0))
                .isEmpty();
    }

    @Test
    void another_variety_serves_fully_the_own_one_as_the_sheet_says() {
        CrossCompatibility other = CrossCompatibility.ofCrops(CHERIMOYA, CHERIMOYA, false);
        CrossCompatibility own = CrossCompatibility.ofCrops(CHERIMOYA, CHERIMOYA, true);

        assertThat(other.worth()).isEqualTo(1);
        assertThat(own.serves()).isTrue();
        assertThat(own.worth()).isEqualTo(0.8);
        assertThat(own.why()).contains("same variety");
    }
}
