package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class BudSupplyTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant START = Instant.parse("2026-10-20T11:00:00Z");
    private static final Instant END = START.plus(Duration.ofDays(30));

    /** Little's law: of a steady supply of one an hour, a stage without a gate holds as many as its mean hours. */
    @Test
    void a_stage_without_a_gate_holds_as_many_flowers_as_it_lasts_hours() {
        HourlyTemperatures atReference = HourlyTemperatures.of(
                START, IntStream.rangeClosed(0, 31 * 24).mapToObj(h -> 20.0).toList());
        BudSupply supply = BudSupply.of(CHERIMOYA, BloomConditions.of(CHERIMOYA, COAST, atReference, END), END);

        double shedding = 0;
        for (int hour = 0; hour < 24; hour++) {
            shedding += supply.at(24 * 28 + hour).stageTotals()[CHERIMOYA.indexOf("shedding")] / 24;
        }
        assertThat(shedding).isCloseTo(9, within(0.2));
    }

    @Test
    void after_three_weeks_one_day_is_like_the_next() {
        HourlyTemperatures usual = new DailyTemperatures(14, 24).repeated(COAST, START, 32 * 24);
        BudSupply supply = BudSupply.of(CHERIMOYA, BloomConditions.of(CHERIMOYA, COAST, usual, END), END);

        double[] oneDay = supply.at(24 * 22).stageTotals();
        double[] next = supply.at(24 * 23).stageTotals();
        for (int s = 0; s < CHERIMOYA.stages().size(); s++) {
            assertThat(next[s]).isCloseTo(oneDay[s], within(0.05 * Math.max(1, oneDay[s])));
        }
    }

    @Test
    void its_coarse_steps_change_a_forecast_by_less_than_a_tenth_of_a_flower() {
        HourlyTemperatures usual = new DailyTemperatures(14, 24).repeated(COAST, START, 32 * 24);
        BloomConditions conditions = BloomConditions.of(CHERIMOYA, COAST, usual, END);
        BudSupply supply = BudSupply.of(CHERIMOYA, conditions, END);
        FlowerClock fine = FlowerClock.of(CHERIMOYA);
        FlowerState state = fine.entering(0, 0);
        for (int hour = 0; hour < 24 * 22; hour++) {
            state = fine.advance(state.withNewBuds(1), conditions, hour, hour + 1);
        }

        double[] coarse =
                supply.at(24 * 22).correctedBy(new double[] {9, 8, 7, 3, 4, 2}).compartments();
        double[] exact = state.correctedBy(new double[] {9, 8, 7, 3, 4, 2}).compartments();
        for (int i = 0; i < exact.length; i++) {
            assertThat(coarse[i]).isCloseTo(exact[i], within(0.1));
        }
    }
}
