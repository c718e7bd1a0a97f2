package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.Cases;
import org.evenhand.core.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class FactorTest {
    @ParameterizedTest
    @CsvSource({
        "0,within the hour",
        "0.99,within the hour",
        "1,same day",
        "23.9,same day",
        "24,1 to 2 days",
        "48,2 to 4 days",
        "96,4 to 10 days",
        "240,over 10 days",
        "9000,over 10 days"
    })
    void pollen_is_as_old_as_its_class_says_and_a_boundary_belongs_to_the_class_above(double hours, String name) {
        assertThat(Factor.LOT_AGE.classes(Units.METRIC).get(Factor.lotAge(hours)))
                .isEqualTo(name);
    }

    @ParameterizedTest
    @CsvSource({
        "-20,below 12 °C",
        "11.99,below 12 °C",
        "12,12 to 16 °C",
        "27.9,24 to 28 °C",
        "28,28 °C and more",
        "45,28 °C and more"
    })
    void air_is_as_warm_as_its_class_says(double celsius, String name) {
        assertThat(Factor.TEMPERATURE.classes(Units.METRIC).get(Factor.temperature(celsius)))
                .isEqualTo(name);
    }

    @ParameterizedTest
    @CsvSource({"0,below 0.5 kPa", "0.5,0.5 to 1 kPa", "1.49,1 to 1.5 kPa", "2.5,2.5 kPa and more"})
    void air_is_as_dry_as_its_class_says(double kPa, String name) {
        assertThat(Factor.DRY_AIR.classes(Units.METRIC).get(Factor.dryAir(kPa))).isEqualTo(name);
    }

    @Test
    void every_hour_of_the_day_has_its_class() {
        assertThat(IntStream.range(0, 24)
                        .mapToObj(h -> Factor.HOUR.classes(Units.METRIC).get(Factor.hour(h)))
                        .distinct())
                .hasSize(8)
                .startsWith("0 to 3 h")
                .endsWith("21 to 24 h");
        assertThat(Factor.HOUR.classes(Units.METRIC).get(Factor.hour(17))).isEqualTo("15 to 18 h");
    }

    /** Classes are told by their number's digits, so that they sort as they follow one another. */
    @ParameterizedTest
    @EnumSource(Factor.class)
    void classes_are_told_apart_and_few_enough_to_sort_by_one_digit(Factor factor) {
        assertThat(new HashSet<>(factor.classes(Units.METRIC)))
                .hasSize(factor.classes(Units.METRIC).size());
        assertThat(factor.classes(Units.METRIC).size()).isLessThanOrEqualTo(10);
        assertThat(factor.ordered()).isEqualTo(!factor.classes(Units.METRIC).isEmpty());
    }

    @Test
    void causes_looked_at_together_leave_out_what_goes_with_another_by_nature() {
        assertThat(Factor.CAUSES)
                .doesNotHaveDuplicates()
                .contains(Factor.DRY_AIR, Factor.LOT_AGE)
                .doesNotContain(Factor.TEMPERATURE, Factor.LOT, Factor.TREE, Factor.EVENING, Factor.TREATMENT);
    }

    /** A higher value never falls into a lower class. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void classes_follow_the_number(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double a = Cases.between(random, 0, 300);
        double b = a + Cases.between(random, 0, 50);
        assertThat(Factor.lotAge(b)).isGreaterThanOrEqualTo(Factor.lotAge(a));
        assertThat(Factor.temperature(b / 8)).isGreaterThanOrEqualTo(Factor.temperature(a / 8));
        assertThat(Factor.dryAir(b / 80)).isGreaterThanOrEqualTo(Factor.dryAir(a / 80));
    }
}
