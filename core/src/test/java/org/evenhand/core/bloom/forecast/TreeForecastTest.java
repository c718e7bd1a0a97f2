package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class TreeForecastTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant AFTERNOON =
            ZonedDateTime.of(2026, 11, 24, 15, 0, 0, 0, COAST.zone()).toInstant();
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final BloomConditions CONDITIONS = BloomConditions.of(
            CHERIMOYA,
            COAST,
            new DailyTemperatures(14, 24).repeated(COAST, AFTERNOON.minus(Duration.ofDays(22)), 38 * 24),
            AFTERNOON.plus(Duration.ofDays(12)));

    private static CropForecasts exactly() {
        return new CropForecasts(
                CHERIMOYA, CONDITIONS, new ForecastDoubt(0, WeatherDoubt.none(), AFTERNOON), Duration.ofDays(5));
    }

    /** A tree at its sheet's rate, with exact counts. */
    private static TreeForecast of(List<List<FlowerReading>> parts) {
        return exactly()
                .of(Map.of(0, new CropForecasts.Variety<>(RatePrior.sheet(), Map.of(0, parts))), AFTERNOON)
                .get(0)
                .trees()
                .get(0);
    }

    @Test
    void the_forecast_starts_with_what_was_counted() {
        TreeForecast forecast = forecast(6, 9, 7, 3, 4, 2);

        ForecastPoint now = forecast.at(hours(0)).get(0);

        assertThat(now.receptive().mean()).isCloseTo(16, within(0.1));
        assertThat(now.receptive())
                .extracting(FlowerCount::low, FlowerCount::high)
                .containsExactly(16, 16);
        assertThat(now.shedding().mean()).isCloseTo(4, within(0.1));
    }

    @Test
    void a_half_open_flower_of_the_afternoon_sheds_that_evening_and_not_before_the_gate_opens() {
        TreeForecast forecast = forecast(0, 0, 20, 0, 0, 0);
        TreeOutlook outlook = TreeOutlook.of(forecast.at(hours(48)));

        TreeOutlook.TimeWindow shedding = outlook.shedding().orElseThrow();
        LocalTime from = shedding.from().atZone(COAST.zone()).toLocalTime();
        assertThat(from).isBetween(LocalTime.of(15, 30), LocalTime.of(18, 30));
        assertThat(shedding.peak().mean()).isBetween(5.0, 20.0);
        assertThat(shedding.endsInForecast()).isTrue();
    }

    @Test
    void closed_flowers_open_in_the_morning() {
        List<ForecastPoint> points = forecast(30, 0, 0, 0, 0, 0).at(hours(24));

        ForecastPoint midnight = points.get(18);
        ForecastPoint noon = points.get(42);
        assertThat(midnight.receptive().mean()).isLessThan(0.01);
        assertThat(noon.receptive().mean()).isGreaterThan(1);
    }

    @Test
    void the_latest_count_stands_whatever_was_foreseen_before() {
        FlowerReading first = reading(AFTERNOON.minus(Duration.ofHours(20)), 6, 9, 7, 3, 4, 2);
        FlowerReading second = reading(AFTERNOON, 1, 2, 3, 0, 0, 0);

        TreeForecast forecast = of(List.of(List.of(second, first)));

        assertThat(forecast.stagesAt(AFTERNOON)).containsExactly(new double[] {1, 2, 3, 0, 0, 0}, within(0.6));
    }

    @Test
    void of_two_readings_within_the_hour_the_later_one_counts() {
        FlowerReading slip = reading(AFTERNOON.minus(Duration.ofMinutes(20)), 60, 90, 0, 0, 0, 0);
        FlowerReading right = reading(AFTERNOON, 6, 9, 7, 3, 4, 2);

        assertThat(of(List.of(List.of(slip, right))).stagesAt(AFTERNOON))
                .containsExactly(of(List.of(List.of(right))).stagesAt(AFTERNOON), within(1e-3));
    }

    @Test
    void a_tree_read_limb_by_limb_is_the_sum_of_its_limbs() {
        TreeForecast limbs = of(
                List.of(List.of(reading(AFTERNOON, 12, 5, 4, 0, 1, 0)), List.of(reading(AFTERNOON, 8, 4, 3, 1, 0, 0))));
        TreeForecast whole = of(List.of(List.of(reading(AFTERNOON, 20, 9, 7, 1, 1, 0))));

        List<ForecastPoint> apart = limbs.at(hours(48));
        List<ForecastPoint> together = whole.at(hours(48));
        for (int i = 0; i < apart.size(); i += 8) {
            double expected = together.get(i).receptive().mean();
            assertThat(apart.get(i).receptive().mean()).isCloseTo(expected, within(0.5 + 0.3 * expected));
        }
    }

    @Test
    void a_quarter_counted_is_four_times_as_much_and_less_sure() {
        TreeForecast quarter = of(List.of(List.of(new FlowerReading(AFTERNOON, List.of(24, 4, 3, 0, 1, 6), 0.25))));
        TreeForecast whole = of(List.of(List.of(reading(AFTERNOON, 96, 16, 12, 0, 4, 24))));

        FlowerCount part = quarter.at(hours(0)).get(0).receptive();
        assertThat(part.mean()).isCloseTo(whole.at(hours(0)).get(0).receptive().mean(), within(5.0));
        assertThat(part.high() - part.low()).isGreaterThan(12);
    }

    /** What makes the interval wider: miscounting, weather that is only foreseen, an unknown development rate. */
    @Test
    void every_doubt_widens_the_interval() {
        List<List<FlowerReading>> parts = List.of(List.of(reading(AFTERNOON, 2000, 900, 700, 200, 400, 200)));
        int sure = width(exactly(), RatePrior.sheet(), parts);

        assertThat(width(exactly(), RatePrior.usual(), parts)).isGreaterThan(sure);
        for (ForecastDoubt doubt : List.of(
                new ForecastDoubt(0.1, WeatherDoubt.none(), AFTERNOON),
                new ForecastDoubt(0, WeatherDoubt.walking(3), AFTERNOON),
                new ForecastDoubt(0, new WeatherDoubt(3, 0), AFTERNOON))) {
            CropForecasts unsure = new CropForecasts(CHERIMOYA, CONDITIONS, doubt, Duration.ofDays(5));
            assertThat(width(unsure, RatePrior.sheet(), parts)).as("%s", doubt).isGreaterThan(sure);
        }
    }

    private static int width(CropForecasts forecasts, RatePrior rate, List<List<FlowerReading>> parts) {
        FlowerCount count = forecasts
                .of(Map.of(0, new CropForecasts.Variety<>(rate, Map.of(0, parts))), AFTERNOON)
                .get(0)
                .trees()
                .get(0)
                .at(List.of(AFTERNOON.plus(Duration.ofHours(44))))
                .get(0)
                .shedding();
        return count.high() - count.low();
    }

    /** In polar night the gate of sunrise never opens, so that by the clock no flower can have parted; what was counted is there. */
    @Test
    void what_was_counted_is_there_even_where_the_clock_lets_no_flower_be() {
        Site north = new Site(78.2, 15.6, ZoneId.of("Europe/Oslo"));
        BloomConditions night = BloomConditions.of(
                CHERIMOYA,
                north,
                new DailyTemperatures(18, 24).repeated(north, AFTERNOON.minus(Duration.ofDays(22)), 38 * 24),
                AFTERNOON.plus(Duration.ofDays(12)));
        TreeForecast forecast = new CropForecasts(
                        CHERIMOYA,
                        night,
                        new ForecastDoubt(
                                0.05, WeatherDoubt.of(org.evenhand.core.weather.WeatherSource.USUAL), AFTERNOON),
                        Duration.ofDays(5))
                .tree(List.of(List.of(reading(AFTERNOON, 0, 9, 0, 0, 4, 0))), AFTERNOON);

        assertThat(forecast.stagesAt(AFTERNOON)).containsExactly(new double[] {0, 9, 0, 0, 4, 0}, within(0.05));
        assertThat(forecast.at(hours(24)).get(48).receptive().mean())
                .as("none leaves half open, as its gate does not open either")
                .isCloseTo(9, within(0.2));
        assertThat(forecast.at(hours(24)).get(48).shedding().mean()).isLessThan(1);
    }

    @Test
    void buds_to_come_are_foreseen_and_open_days_later() {
        TreeForecast bare = forecast(30, 0, 0, 0, 0, 0);

        assertThat(Arrays.stream(bare.stagesAt(AFTERNOON.plus(Duration.ofDays(5))))
                        .sum())
                .isGreaterThan(Arrays.stream(bare.stagesOfThoseThere(AFTERNOON.plus(Duration.ofDays(5))))
                                .limit(6)
                                .sum()
                        + 1);
    }

    @Test
    void a_reading_that_cannot_be_is_refused_with_its_number() {
        assertThatThrownBy(() -> reading(AFTERNOON, -1, 0, 0, 0, 0, 0))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("counts[0]: is -1");
        assertThatThrownBy(() -> forecast(1, 2)).hasMessageContaining("has 2 numbers, but Cherimoya has 6 stages");
        assertThatThrownBy(() -> of(List.of(List.of()))).hasMessageContaining("readings");
    }

    private static TreeForecast forecast(int... counts) {
        return of(List.of(List.of(reading(AFTERNOON, counts))));
    }

    private static FlowerReading reading(Instant at, int... counts) {
        return new FlowerReading(at, IntStream.of(counts).boxed().toList());
    }

    /** Half-hours from the afternoon on. */
    private static List<Instant> hours(int hours) {
        return IntStream.rangeClosed(0, hours * 2)
                .mapToObj(i -> AFTERNOON.plus(Duration.ofMinutes(30L * i)))
                .toList();
    }
}
