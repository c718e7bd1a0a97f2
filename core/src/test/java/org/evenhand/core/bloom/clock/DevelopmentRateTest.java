package org.evenhand.core.bloom.clock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.evenhand.core.Cases.between;

import java.time.Instant;
import java.util.SplittableRandom;
import org.evenhand.core.weather.HourlyTemperatures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DevelopmentRateTest {
    private static final DevelopmentRate RATE = new DevelopmentRate(9, 20, 30);

    @Test
    void it_is_nothing_below_the_base_one_at_the_reference_and_rises_no_more_above_the_cap() {
        assertThat(RATE.at(-20)).isZero();
        assertThat(RATE.at(9)).isZero();
        assertThat(RATE.at(20)).isEqualTo(1);
        assertThat(RATE.at(30)).isCloseTo(21.0 / 11, within(1e-12));
        assertThat(RATE.at(44)).isEqualTo(RATE.highest());
    }

    /** Oracle: the rate added up second by second. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void its_mean_over_any_stretch_is_what_adding_up_seconds_gives(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        HourlyTemperatures air = HourlyTemperatures.of(
                Instant.EPOCH, random.doubles(12, -5, 45).boxed().toList());
        double from = between(random, 0, 10);
        double to = from + between(random, 0.05, 2);

        double sum = 0;
        int seconds = (int) Math.round((to - from) * 3600);
        for (int s = 0; s < seconds; s++) {
            sum += RATE.at(air.celsiusAtHour(from + (s + 0.5) * (to - from) / seconds));
        }

        assertThat(RATE.mean(air, from, to)).isCloseTo(sum / seconds, within(1e-4));
    }

    @Test
    void before_the_first_and_after_the_last_hour_the_nearest_temperature_holds() {
        HourlyTemperatures air = HourlyTemperatures.of(Instant.EPOCH, java.util.List.of(10.0, 20.0));

        assertThat(air.celsiusAtHour(-3)).isEqualTo(10);
        assertThat(air.celsiusAtHour(0.25)).isEqualTo(12.5);
        assertThat(air.celsiusAtHour(7)).isEqualTo(20);
        assertThat(air.celsiusAt(Instant.EPOCH.plusSeconds(1800))).isEqualTo(15);
        assertThat(RATE.mean(air, -2, -1)).isCloseTo(1.0 / 11, within(1e-12));
    }
}
