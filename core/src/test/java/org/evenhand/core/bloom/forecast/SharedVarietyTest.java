package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What trees of one variety tell of each other, and what they do not. */
class SharedVarietyTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant NOW = Instant.parse("2026-11-24T20:00:00Z");
    private static final CropSheet SHEET =
            CropSheets.shipped().find("sugar-apple").orElseThrow();
    private static final BloomConditions CONDITIONS = BloomConditions.of(
            SHEET,
            COAST,
            new DailyTemperatures(16, 27).repeated(COAST, NOW.minus(Duration.ofDays(32)), 42 * 24),
            NOW.plus(Duration.ofDays(8)));
    private static final FlowerModel MODEL = FlowerModel.of(SHEET, 1, CONDITIONS);
    private static final Instant TOMORROW = NOW.plus(Duration.ofHours(26));

    private static CropForecasts forecasts() {
        return new CropForecasts(SHEET, CONDITIONS, new ForecastDoubt(0, WeatherDoubt.none(), NOW), Duration.ofDays(4));
    }

    /** Readings of a thrown tree at the same hour of so many days, the last of them now. */
    private static List<FlowerReading> read(long seed, double budsADay, int days) {
        double now = CONDITIONS.temperatures().hoursTo(NOW);
        BloomSimulation.Tree tree = new BloomSimulation(MODEL, now + 100, seed).tree(h -> budsADay / 24, now + 96);
        return IntStream.range(0, days)
                .map(d -> days - 1 - d)
                .mapToObj(ago -> new FlowerReading(
                        NOW.minus(Duration.ofDays(ago)),
                        IntStream.of(tree.stages(now - 24.0 * ago)).boxed().toList()))
                .toList();
    }

    private static FlowerCount tomorrow(Map<Integer, List<List<FlowerReading>>> trees, int tree) {
        return foreseen(trees).trees().get(tree).at(List.of(TOMORROW)).get(0).receptive();
    }

    private static double takingTomorrow(CropForecasts.Foreseen<Integer> foreseen, int tree) {
        return foreseen.trees()
                .get(tree)
                .at(List.of(TOMORROW))
                .get(0)
                .receptive()
                .mean();
    }

    private static CropForecasts.Foreseen<Integer> foreseen(Map<Integer, List<List<FlowerReading>>> trees) {
        return forecasts()
                .of(Map.of("one", new CropForecasts.Variety<>(RatePrior.usual(), trees)), NOW)
                .get("one");
    }

    /** A steady tree has tomorrow what it has today, whether it was read once or on many days. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 4, 8})
    void a_steady_tree_is_foreseen_steady_however_often_it_was_read(int days) {
        double foreseen = 0;
        double there = 0;
        for (long seed = 1; seed <= 4; seed++) {
            List<FlowerReading> readings = read(seed, 60, days);
            FlowerCount count = tomorrow(Map.of(0, List.of(readings)), 0);
            double now = CONDITIONS.temperatures().hoursTo(NOW);
            int[] stages = new BloomSimulation(MODEL, now + 100, seed)
                    .tree(h -> 60.0 / 24, now + 96)
                    .stages(now + 26);
            foreseen += count.mean();
            for (int s = 0; s < stages.length; s++) {
                there += MODEL.receptive().get(s) ? stages[s] : 0;
            }
        }
        assertThat(foreseen / there).isBetween(0.9, 1.1);
    }

    /** Sisters read for days tell the rate and the course, so that a tree read once is foreseen more surely. */
    @Test
    void a_tree_read_once_is_foreseen_more_surely_beside_sisters_read_for_days() {
        List<FlowerReading> once = read(99, 400, 1);
        FlowerCount alone = tomorrow(Map.of(0, List.of(once)), 0);
        Map<Integer, List<List<FlowerReading>>> trees = new LinkedHashMap<>();
        trees.put(0, List.of(once));
        for (int sister = 1; sister <= 6; sister++) {
            trees.put(sister, List.of(read(sister, 200, 6)));
        }

        FlowerCount beside = tomorrow(trees, 0);

        assertThat(beside.high() - beside.low()).isLessThan(alone.high() - alone.low());
        assertThat(foreseen(trees).rate().high() - foreseen(trees).rate().low())
                .isLessThan(foreseen(Map.of(0, List.of(once))).rate().high()
                        - foreseen(Map.of(0, List.of(once))).rate().low());
    }

    /** The same readings give the same forecast, in whatever order trees and readings are handed over. */
    @Test
    void order_does_not_matter() {
        Map<Integer, List<List<FlowerReading>>> trees = new LinkedHashMap<>();
        for (int tree = 0; tree < 5; tree++) {
            trees.put(tree, List.of(read(tree + 1, 30 + 20 * tree, 1 + tree)));
        }
        List<Integer> order = new ArrayList<>(trees.keySet());
        Collections.shuffle(order, new Random(3));
        Map<Integer, List<List<FlowerReading>>> shuffled = new LinkedHashMap<>();
        for (int tree : order) {
            List<FlowerReading> readings = new ArrayList<>(trees.get(tree).get(0));
            Collections.shuffle(readings, new Random(tree));
            shuffled.put(tree, List.of(readings));
        }

        for (int tree = 0; tree < 5; tree++) {
            assertThat(tomorrow(shuffled, tree).mean())
                    .isCloseTo(
                            tomorrow(trees, tree).mean(),
                            within(1e-6 * (1 + tomorrow(trees, tree).mean())));
        }
    }

    /** Another variety's readings, of trees that bloom otherwise, move nothing. */
    @Test
    void varieties_do_not_touch_each_other() {
        Map<Integer, List<List<FlowerReading>>> own = Map.of(0, List.of(read(1, 50, 4)));
        Map<Integer, List<List<FlowerReading>>> other = Map.of(0, List.of(read(2, 5, 1)), 1, List.of(read(3, 300, 5)));
        Map<String, CropForecasts.Variety<Integer>> both = new LinkedHashMap<>();
        both.put("other", new CropForecasts.Variety<>(RatePrior.usual(), other));
        both.put("one", new CropForecasts.Variety<>(RatePrior.usual(), own));

        FlowerCount beside = forecasts()
                .of(both, NOW)
                .get("one")
                .trees()
                .get(0)
                .at(List.of(TOMORROW))
                .get(0)
                .receptive();

        // The clock's steps are cut at the other's readings too, which is all that differs.
        assertThat(beside.mean()).isCloseTo(tomorrow(own, 0).mean(), within(1e-5 * beside.mean()));
    }

    /** Of ten times the flowers ten times as many are foreseen, and relatively more surely. */
    @Test
    void many_flowers_are_foreseen_relatively_more_surely_than_few() {
        FlowerCount few = tomorrow(Map.of(0, List.of(read(7, 40, 4))), 0);
        FlowerCount many = tomorrow(Map.of(0, List.of(read(7, 400, 4))), 0);

        assertThat(many.mean() / few.mean()).isBetween(7.0, 14.0);
        assertThat((many.high() - many.low()) / many.mean()).isLessThan((few.high() - few.low()) / few.mean());
    }
}
