package org.evenhand.core.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The forecast against flowers thrown one by one. */
class ForecastCalibrationTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant NOW = Instant.parse("2026-11-24T02:00:00Z");
    private static final int STAGES = 5;

    private static BudSupply supply(CropSheet sheet, double durations) {
        return BudSupply.of(sheet, durations, conditions(sheet), NOW);
    }

    private static PaceGrid grid(CropSheet sheet) {
        return PaceGrid.of(sheet, conditions(sheet), NOW.plus(Duration.ofHours(30)));
    }

    private static BloomConditions conditions(CropSheet sheet) {
        Instant start = NOW.minus(BudSupply.warmUp(sheet)).minus(Duration.ofDays(8));
        int hours = (int) Duration.between(start, NOW).toHours() + 24 * 12;
        return BloomConditions.of(
                sheet,
                COAST,
                new DailyTemperatures(14, 24).repeated(COAST, start, hours),
                NOW.plus(Duration.ofDays(11)));
    }

    /** 1 000 trees: the interval that says eight in ten holds the truth eight times in ten, within three points. */
    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "sugar-apple"})
    void the_interval_holds_as_often_as_it_says(String crop) {
        CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();
        BudSupply supply = supply(sheet, 1);
        Instant later = NOW.plus(Duration.ofHours(20));
        PhaseChances chances = PhaseChances.of(supply, NOW, List.of(later));
        ThrownFlowers thrown = new ThrownFlowers(sheet, supply.conditions(), 1, 5);
        SplittableRandom random = new SplittableRandom(9);
        double from = supply.hoursTo(NOW);
        double to = supply.hoursTo(later);
        int inside = 0;
        int trees = 1000;
        for (int t = 0; t < trees; t++) {
            List<Integer> counts = IntStream.range(0, sheet.stages().size())
                    .map(s -> s < STAGES ? 20 + random.nextInt(30) : 0)
                    .boxed()
                    .toList();
            FlowerCount foreseen = TreeForecast.of(supply, List.of(new FlowerReading(NOW, counts)))
                    .at(chances)
                    .get(0)
                    .taking();
            int taking = 0;
            for (ThrownFlowers.Flower flower : flowers(supply, counts, random)) {
                thrown.walk(flower, from, to);
                taking += flower.stage < sheet.stages().size()
                                && sheet.stages().get(flower.stage).phase().takes()
                        ? 1
                        : 0;
            }
            inside += taking >= foreseen.low() && taking <= foreseen.high() ? 1 : 0;
        }
        assertThat(inside / (double) trees).isCloseTo(0.80, within(0.03));
    }

    /** Flowers as they are on a tree with such counts: in each stage as far along as the steady supply leaves them. */
    private static List<ThrownFlowers.Flower> flowers(BudSupply supply, List<Integer> counts, SplittableRandom random) {
        double[] compartments = supply.at(supply.hoursTo(NOW)).compartments();
        List<ThrownFlowers.Flower> flowers = new ArrayList<>();
        for (int s = 0; s < counts.size(); s++) {
            int first = supply.clock().firstCompartment(s);
            int end = supply.clock().firstCompartment(s + 1);
            double sum = IntStream.range(first, end)
                    .mapToDouble(i -> compartments[i])
                    .sum();
            for (int f = 0; f < counts.get(s); f++) {
                double u = random.nextDouble() * sum;
                int at = first;
                while (at < end - 1 && u > compartments[at]) {
                    u -= compartments[at++];
                }
                flowers.add(new ThrownFlowers.Flower(s, at - first));
            }
        }
        return flowers;
    }

    /** Readings of trees that walk at a pace of their own teach that pace. */
    @ParameterizedTest
    @ValueSource(doubles = {0.75, 1, 1.3})
    void repeated_readings_teach_the_pace_of_a_variety(double pace) {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
        BudSupply truth = supply(sheet, pace);
        ThrownFlowers thrown = new ThrownFlowers(sheet, truth.conditions(), pace, 31);
        SplittableRandom random = new SplittableRandom(17);
        List<RateLearning.Pair> pairs = new ArrayList<>();
        Instant later = NOW.plus(Duration.ofHours(30));
        for (int tree = 0; tree < 14; tree++) {
            List<Integer> counts = List.of(12, 6 + random.nextInt(5), 5 + random.nextInt(5), 1, 4, 3);
            int[] then = new int[sheet.stages().size() + 1];
            for (ThrownFlowers.Flower flower : flowers(truth, counts, random)) {
                thrown.walk(flower, truth.hoursTo(NOW), truth.hoursTo(later));
                then[flower.stage]++;
            }
            // What fell off is not counted, and new buds came.
            then[0] += 4;
            pairs.add(new RateLearning.Pair(
                    new FlowerReading(NOW, counts),
                    new FlowerReading(
                            later,
                            IntStream.range(0, sheet.stages().size())
                                    .mapToObj(s -> then[s])
                                    .toList())));
        }

        RateLearning learned = RateLearning.of(grid(sheet), pairs);

        assertThat(learned.enough()).isTrue();
        assertThat(learned.factor()).isCloseTo(pace, within(0.12));
        assertThat(learned.low()).isLessThan(learned.factor());
        assertThat(learned.high()).isGreaterThan(learned.factor()).isLessThan(learned.factor() * 1.3);
    }

    @Test
    void a_few_readings_teach_nothing_yet_and_only_readings_of_the_right_distance_count() {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
        FlowerReading first = new FlowerReading(NOW.minus(Duration.ofDays(8)), List.of(3, 3, 3, 0, 1, 0));
        FlowerReading tooLate = new FlowerReading(NOW.minus(Duration.ofDays(3)), List.of(3, 3, 3, 0, 1, 0));
        FlowerReading tooSoon = new FlowerReading(tooLate.at().plusSeconds(600), List.of(3, 3, 3, 0, 1, 0));
        FlowerReading right = new FlowerReading(NOW.minus(Duration.ofDays(2)), List.of(2, 3, 4, 0, 1, 0));

        List<RateLearning.Pair> pairs = RateLearning.pairs(List.of(right, first, tooSoon, tooLate));

        assertThat(pairs).containsExactly(new RateLearning.Pair(tooSoon, right));
        assertThat(RateLearning.of(grid(sheet), pairs).enough()).isFalse();
        RateLearning nothing = RateLearning.of(grid(sheet), List.of());
        assertThat(nothing.factor()).isCloseTo(1, within(1e-9));
    }

    static Stream<CropSheet> sheets() {
        return CropSheets.shipped().all().stream();
    }

    /** The sum over compartments is the same forecast as pushing each tree forward by itself, limbs and parts included. */
    @Test
    void foreseeing_a_crop_at_once_is_foreseeing_each_tree() {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
        BudSupply supply = supply(sheet, 1);
        List<Instant> moments = IntStream.rangeClosed(0, 24)
                .mapToObj(h -> NOW.plus(Duration.ofHours(h)))
                .toList();
        TreeForecast forecast = TreeForecast.ofLimbs(
                supply,
                List.of(
                        List.of(new FlowerReading(NOW.minus(Duration.ofHours(20)), List.of(9, 8, 7, 2, 3, 1))),
                        List.of(new FlowerReading(NOW.minus(Duration.ofHours(2)), List.of(4, 3, 5, 1, 2, 0), 0.5))));

        List<ForecastPoint> alone = forecast.at(moments);
        List<ForecastPoint> together = forecast.at(PhaseChances.of(supply, NOW, moments));

        for (int i = 0; i < moments.size(); i++) {
            assertThat(together.get(i).taking().mean())
                    .isCloseTo(alone.get(i).taking().mean(), within(0.05));
            assertThat(together.get(i).giving().mean())
                    .isCloseTo(alone.get(i).giving().mean(), within(0.05));
        }
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("sheets")
    void every_crops_forecast_begins_with_the_count_and_stays_within_it(CropSheet sheet) {
        BudSupply supply = supply(sheet, 1);
        List<Integer> counts =
                IntStream.range(0, sheet.stages().size()).mapToObj(s -> 5 + s).toList();
        List<Instant> moments = IntStream.rangeClosed(0, 30)
                .mapToObj(h -> NOW.plus(Duration.ofHours(8L * h)))
                .toList();

        List<ForecastPoint> points = TreeForecast.of(supply, List.of(new FlowerReading(NOW, counts)))
                .at(PhaseChances.of(supply, NOW, moments));

        int taking = 0;
        int giving = 0;
        int all = 0;
        for (int s = 0; s < counts.size(); s++) {
            taking += sheet.stages().get(s).phase().takes() ? counts.get(s) : 0;
            giving += sheet.stages().get(s).phase().gives() ? counts.get(s) : 0;
            all += counts.get(s);
        }
        assertThat(points.get(0).taking().mean()).isCloseTo(taking, within(1e-6));
        assertThat(points.get(0).giving().mean()).isCloseTo(giving, within(1e-6));
        for (ForecastPoint point : points) {
            for (FlowerCount count : List.of(point.taking(), point.giving())) {
                assertThat(count.mean()).isBetween(-1e-6, all + 1e-6);
                assertThat((double) count.low()).isLessThanOrEqualTo(count.mean() + 1);
                assertThat((double) count.high())
                        .isGreaterThanOrEqualTo(count.mean() - 1)
                        .isLessThanOrEqualTo(all);
            }
        }
    }

    @Test
    void a_count_of_a_quarter_is_scaled_and_doubted_more() {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
        BudSupply supply = supply(sheet, 1);
        Instant later = NOW.plus(Duration.ofHours(3));
        List<Integer> all = List.of(0, 40, 0, 0, 0, 0);
        List<Integer> part = List.of(0, 10, 0, 0, 0, 0);

        FlowerCount whole = count(supply, new FlowerReading(NOW, all), later);
        FlowerCount quarter = count(supply, new FlowerReading(NOW, part, 0.25), later);

        assertThat(quarter.mean()).isCloseTo(whole.mean(), within(1e-9));
        // Ten seen at one in four: 40 give or take the root of 10 · 0.75 / 0.25², that is 11; eight in ten within 14.
        assertThat(quarter.high() - quarter.low()).isBetween(22, 36);
    }

    private static FlowerCount count(BudSupply supply, FlowerReading reading, Instant at) {
        return TreeForecast.of(supply, List.of(reading)).at(List.of(at)).get(0).taking();
    }

    @Test
    void a_reading_that_cannot_follow_from_the_one_before_is_a_surprise() {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
        BudSupply supply = supply(sheet, 1);
        FlowerReading before = new FlowerReading(NOW.minus(Duration.ofHours(20)), List.of(10, 8, 8, 1, 3, 2));
        double[] expected = RateLearning.expected(supply, supply, before, NOW);
        List<Integer> fits = IntStream.range(0, 6)
                .mapToObj(s -> (int) Math.round(expected[s]))
                .toList();

        assertThat(Surprise.of(supply, before, new FlowerReading(NOW, fits))).isEmpty();
        Surprise surprise = Surprise.of(supply, before, new FlowerReading(NOW, List.of(4, 2, 2, 1, 40, 3)))
                .orElseThrow();
        assertThat(surprise.stage()).isEqualTo("shedding");
        assertThat(surprise.counted()).isEqualTo(40);
    }

    /** Every crop: none lost and none made, none moves in the cold, and warmth never makes it later. */
    @ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("sheets")
    void every_crops_flowers_are_conserved_stand_still_in_the_cold_and_are_never_later_for_warmth(CropSheet sheet) {
        FlowerClock clock = FlowerClock.of(sheet);
        double base = sheet.baseTemperatureC().value();
        double best = sheet.referenceTemperatureC().value();
        double[] cold = through(sheet, clock, base - 3);
        double[] cool = through(sheet, clock, (base + best) / 2);
        double[] warm = through(sheet, clock, best);

        assertThat(cold[0]).isCloseTo(100, within(1e-9));
        for (double[] stages : List.of(cold, cool, warm)) {
            assertThat(java.util.Arrays.stream(stages).sum()).isCloseTo(100, within(1e-4));
        }
        double notBefore = 0;
        double warmer = 0;
        for (int s = 0; s < cool.length; s++) {
            notBefore += cool[s];
            warmer += warm[s];
            assertThat(warmer).as("%s up to stage %d", sheet.key(), s).isLessThan(notBefore + 1e-4);
        }
    }

    private static double[] through(CropSheet sheet, FlowerClock clock, double celsius) {
        Instant start = NOW.minus(Duration.ofDays(1));
        BloomConditions steady = BloomConditions.of(
                sheet,
                COAST,
                org.evenhand.core.weather.HourlyTemperatures.of(start, java.util.Collections.nCopies(24 * 12, celsius)),
                NOW.plus(Duration.ofDays(10)));
        return clock.advance(clock.entering(0, 100), steady, 0, 24 * 9).stageTotals();
    }
}
