package org.evenhand.core.cropload;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class CropLoadTest {
    @Test
    void girth_and_diameter_of_one_trunk_give_one_area() {
        assertThat(CropLoad.areaOfGirth(Math.PI * 6.4)).isCloseTo(CropLoad.areaOfDiameter(6.4), within(1e-12));
        assertThat(CropLoad.areaOfDiameters(5, 7)).isCloseTo(Math.PI * 35 / 4, within(1e-12));
    }

    @ParameterizedTest(name = "{0} fruits at {1} set, {2} dropped: {3} flowers")
    @CsvSource({"63, 0.05, 0.3, 1800", "100, 0.25, 0, 400", "1, 0.3, 0.4, 6", "0, 0.2, 0, 0"})
    void flowers_needed_are_exact_decimals_rounded_up(int fruits, BigDecimal set, BigDecimal drop, int flowers) {
        assertThat(CropLoad.flowersNeeded(fruits, set, drop)).isEqualTo(flowers);
    }

    @Test
    void what_no_number_of_flowers_can_give_is_refused_with_the_value() {
        assertThatThrownBy(() -> CropLoad.flowersNeeded(5, BigDecimal.ZERO, BigDecimal.ZERO))
                .hasMessageContaining("where no flower sets");
        assertThatThrownBy(() -> CropLoad.flowersNeeded(5, BigDecimal.ONE, BigDecimal.ONE))
                .hasMessageContaining("less than 1");
        assertThatThrownBy(() -> CropLoad.areaOfGirth(Double.NaN)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> FlowerBudget.known(3, 0, 0.9)).hasMessageContaining("more than 0");
        assertThatThrownBy(() -> FlowerBudget.believed(500, new BetaPosterior(1, 5000), 0.95))
                .hasMessageContaining("out of reach");
    }

    /** Against flowers thrown one by one; standard error of 20 000 seasons at most 0.0036. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void with_the_budget_the_fruits_are_there_as_often_as_it_says_and_with_one_flower_less_too_seldom(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double share = 0.05 + 0.9 * random.nextDouble();
        int fruits = 1 + random.nextInt(6);
        double confidence = 0.8 + 0.15 * random.nextDouble();

        FlowerBudget budget = FlowerBudget.known(fruits, share, confidence);

        assertThat(budget.chance()).isGreaterThanOrEqualTo(confidence);
        assertThat(budget.chanceOfOneLess()).isLessThan(confidence);
        int enough = 0;
        for (int season = 0; season < 20_000; season++) {
            int set = 0;
            for (int flower = 0; flower < budget.flowers(); flower++) {
                set += random.nextDouble() < share ? 1 : 0;
            }
            enough += set >= fruits ? 1 : 0;
        }
        assertThat(enough / 20_000.0).isCloseTo(budget.chance(), within(0.015));
        assertThat(FlowerBudget.believed(fruits, BetaPosterior.ofMean(share, 20), confidence)
                        .flowers())
                .as("doubt asks for more")
                .isGreaterThanOrEqualTo(budget.flowers());
        assertThat(FlowerBudget.believed(fruits, BetaPosterior.ofMean(share, 1e6), confidence)
                        .flowers())
                .as("without doubt the two agree")
                .isCloseTo(budget.flowers(), within(1));
    }
}
