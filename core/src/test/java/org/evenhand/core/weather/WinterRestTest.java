package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.Cases;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class WinterRestTest {
    static Stream<Long> seeds() {
        return Cases.seeds();
    }

    /** Oracle: the dynamic model's two rates integrated in small steps instead of by their exact solution. */
    @ParameterizedTest
    @MethodSource("seeds")
    void portions_are_those_of_the_models_own_differential_equation(long seed) {
        double[] hours = winter(seed, 400);

        assertThat(WinterRest.over(hours).chillPortions()).isCloseTo(bySmallSteps(hours), within(0.02));
    }

    private static double bySmallSteps(double[] hours) {
        double x = 0;
        double portions = 0;
        for (double celsius : hours) {
            double kelvin = celsius + 273;
            double making = 139500 * Math.exp(-4153.5 / kelvin);
            double breaking = 2.567e18 * Math.exp(-12888.8 / kelvin);
            int steps = 2000;
            for (int i = 0; i < steps; i++) {
                // Heun's rule
                double slope = making - breaking * x;
                double next = making - breaking * (x + slope / steps);
                x += (slope + next) / 2 / steps;
            }
            if (x >= 1) {
                double power = Math.exp(1.6 * 277 * (kelvin - 277) / kelvin);
                portions += x * power / (1 + power);
                x -= x * power / (1 + power);
            }
        }
        return portions;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothing_is_ever_taken_back_but_utah_units(long seed) {
        WinterRest rest = new WinterRest();
        double portions = 0;
        double heat = 0;
        for (double celsius : winter(seed, 300)) {
            rest.hour(celsius);
            assertThat(rest.chillPortions()).isGreaterThanOrEqualTo(portions);
            assertThat(rest.growingDegreeHours()).isBetween(heat, heat + 21);
            assertThat(rest.utahSinceLowest()).isGreaterThanOrEqualTo(Math.max(0, rest.utahUnits()));
            portions = rest.chillPortions();
            heat = rest.growingDegreeHours();
        }
        assertThat(rest.chillingHours()).isLessThanOrEqualTo(rest.hoursBelow()).isLessThanOrEqualTo(rest.hours());
    }

    @Test
    void heat_is_most_at_25_degrees_and_none_outside_4_to_36() {
        assertThat(GrowingDegreeHours.of(25)).isCloseTo(21, within(1e-9));
        assertThat(GrowingDegreeHours.of(14.5)).isCloseTo(10.5, within(1e-9));
        assertThat(GrowingDegreeHours.of(3.9)).isZero();
        assertThat(GrowingDegreeHours.of(36.1)).isZero();
    }

    private static double[] winter(long seed, int hours) {
        SplittableRandom random = new SplittableRandom(seed);
        double mean = Cases.between(random, 2, 14);
        double[] celsius = new double[hours];
        for (int h = 0; h < hours; h++) {
            celsius[h] = mean + 5 * Math.sin(2 * Math.PI * (h - 9) / 24) + Cases.between(random, -2, 2);
        }
        return celsius;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void the_dew_point_leads_back_to_the_same_vapour(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double celsius = Cases.between(random, -20, 45);
        double humidity = Cases.between(random, 1, 100);

        Vapour air = Vapour.at(celsius, humidity);

        assertThat(Vapour.saturation(air.dewPointC().orElseThrow())).isCloseTo(air.actualKpa(), within(1e-9));
        assertThat(air.humidity()).isCloseTo(humidity, within(1e-9));
        assertThat(air.deficitKpa()).isBetween(0.0, air.saturationKpa());
        assertThat(air.dewPointC().orElseThrow()).isLessThanOrEqualTo(celsius + 1e-9);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.1, 100.1, Double.NaN})
    void a_humidity_that_cannot_be_is_refused(double humidity) {
        assertThatThrownBy(() -> Vapour.at(20, humidity))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("rh: is");
    }

    @Test
    void polar_days_are_24_hours_and_polar_nights_none() {
        assertThat(DayLength.of(75, 172).hours()).isCloseTo(24, within(1e-9));
        assertThat(DayLength.of(75, 355).hours()).isZero();
        assertThat(DayLength.of(0, 80).hours()).isCloseTo(12, within(1e-6));
        assertThat(DayLength.of(40, 172).hours())
                .isCloseTo(24 - DayLength.of(-40, 172).hours(), within(1e-9));
    }
}
