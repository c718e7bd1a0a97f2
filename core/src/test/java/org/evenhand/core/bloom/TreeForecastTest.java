package org.evenhand.core.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
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
    private static final BudSupply SUPPLY = BudSupply.of(
            CHERIMOYA,
            BloomConditions.of(
                    CHERIMOYA,
                    COAST,
                    new DailyTemperatures(14, 24).repeated(COAST, AFTERNOON.minus(Duration.ofDays(22)), 28 * 24),
                    AFTERNOON.plus(Duration.ofDays(5))),
            AFTERNOON.plus(Duration.ofDays(5)));

    @Test
    void the_forecast_starts_with_what_was_counted() {
        TreeForecast forecast = forecast(6, 9, 7, 3, 4, 2);

        ForecastPoint now = forecast.at(hours(0)).get(0);

        assertThat(now.taking().mean()).isCloseTo(16, within(1e-9));
        assertThat(now.taking()).extracting(FlowerCount::low, FlowerCount::high).containsExactly(16, 16);
        assertThat(now.giving().mean()).isCloseTo(4, within(1e-9));
    }

    @Test
    void a_half_open_flower_of_the_afternoon_sheds_that_evening_and_not_before_the_gate_opens() {
        TreeForecast forecast = forecast(0, 0, 20, 0, 0, 0);
        TreeOutlook outlook = TreeOutlook.of(forecast.at(hours(48)));

        TreeOutlook.Stretch giving = outlook.giving().orElseThrow();
        LocalTime from = giving.from().atZone(COAST.zone()).toLocalTime();
        assertThat(from).isBetween(LocalTime.of(15, 30), LocalTime.of(18, 30));
        assertThat(giving.peak().mean()).isBetween(5.0, 20.0);
        assertThat(giving.endsInForecast()).isTrue();
    }

    @Test
    void closed_flowers_open_in_the_morning() {
        List<ForecastPoint> points = forecast(30, 0, 0, 0, 0, 0).at(hours(24));

        ForecastPoint midnight = points.get(18);
        ForecastPoint noon = points.get(42);
        assertThat(midnight.taking().mean()).isLessThan(0.01);
        assertThat(noon.taking().mean()).isGreaterThan(2);
    }

    @Test
    void a_later_reading_outweighs_the_forecast_before_it() {
        FlowerReading first = reading(AFTERNOON, 6, 9, 7, 3, 4, 2);
        FlowerReading second = reading(AFTERNOON.plus(Duration.ofHours(20)), 1, 2, 3, 0, 0, 0);

        TreeForecast forecast = TreeForecast.of(SUPPLY, List.of(second, first));

        assertThat(forecast.latestReading()).isEqualTo(second);
        assertThat(forecast.stagesAt(second.at())).containsExactly(new double[] {1, 2, 3, 0, 0, 0, 0}, within(1e-9));
    }

    /** Oracle: the same flowers thrown one by one. The interval must hold at least its eight in ten, and not be far too wide. */
    @Test
    void the_interval_holds_what_single_flowers_do() {
        TreeForecast forecast = forecast(10, 8, 12, 0, 0, 0);
        Instant later = AFTERNOON.plus(Duration.ofHours(26));
        FlowerCount count = forecast.at(List.of(later)).get(0).taking();
        double[] chance = new double[3];
        for (int s = 0; s < 3; s++) {
            int[] one = new int[6];
            one[s] = 1;
            chance[s] = forecast(one).at(List.of(later)).get(0).taking().mean();
        }
        SplittableRandom random = new SplittableRandom(7);
        int inside = 0;
        int trees = 4000;
        int[] flowers = {10, 8, 12};
        for (int t = 0; t < trees; t++) {
            int taking = 0;
            for (int s = 0; s < 3; s++) {
                for (int f = 0; f < flowers[s]; f++) {
                    taking += random.nextDouble() < chance[s] ? 1 : 0;
                }
            }
            inside += taking >= count.low() && taking <= count.high() ? 1 : 0;
        }
        assertThat(inside / (double) trees).isBetween(0.79, 0.97);
    }

    @Test
    void a_flower_done_this_evening_can_seldom_take_pollen_tomorrow_night() {
        TreeForecast forecast = forecast(6, 9, 7, 3, 4, 2);

        assertThat(forecast.stillTaking(AFTERNOON, AFTERNOON)).isCloseTo(1, within(1e-9));
        double soon = forecast.stillTaking(AFTERNOON, AFTERNOON.plus(Duration.ofHours(2)));
        double late = forecast.stillTaking(AFTERNOON, AFTERNOON.plus(Duration.ofHours(50)));
        assertThat(soon).isBetween(0.4, 1.0);
        assertThat(late).isLessThan(0.2);
    }

    @Test
    void many_flowers_are_counted_by_the_normal_curve_as_the_exact_one_would() {
        FlowerCount exact = FlowerCount.of(new double[] {400}, new double[] {0.3});
        FlowerCount normal = FlowerCount.of(new double[] {401}, new double[] {0.3});

        assertThat(normal.low()).isCloseTo(exact.low(), within(1));
        assertThat(normal.high()).isCloseTo(exact.high(), within(1));
    }

    @Test
    void a_reading_that_cannot_be_is_refused_with_its_number() {
        assertThatThrownBy(() -> reading(AFTERNOON, -1, 0, 0, 0, 0, 0))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("counts[0]: is -1");
        assertThatThrownBy(() -> forecast(1, 2)).hasMessageContaining("has 2 numbers, but Cherimoya has 6 stages");
        assertThatThrownBy(() -> TreeForecast.of(SUPPLY, List.of())).hasMessageContaining("readings");
    }

    private static TreeForecast forecast(int... counts) {
        return TreeForecast.of(SUPPLY, List.of(reading(AFTERNOON, counts)));
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
