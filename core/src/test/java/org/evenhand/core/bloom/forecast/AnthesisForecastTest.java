package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AnthesisForecastTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant AFTERNOON =
            ZonedDateTime.of(2026, 11, 24, 15, 0, 0, 0, COAST.zone()).toInstant();

    private static CropForecasts crop(CropSheet sheet) {
        Duration warmUp = BudSupply.warmUp(sheet).plus(Duration.ofDays(2));
        int hours = (int) warmUp.plus(Duration.ofDays(12)).toHours();
        Instant until = AFTERNOON.plus(Duration.ofDays(9));
        return new CropForecasts(
                sheet,
                BloomConditions.of(
                        sheet,
                        COAST,
                        new DailyTemperatures(14, 24).repeated(COAST, AFTERNOON.minus(warmUp), hours),
                        until),
                new ForecastDoubt(0, WeatherDoubt.none(), AFTERNOON),
                Duration.ofDays(9));
    }

    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }

    /** A tree at its sheet's rate, foreseen from the afternoon on. */
    private static TreeForecast tree(String crop, Duration before, int... counts) {
        FlowerReading reading = new FlowerReading(
                AFTERNOON.minus(before), IntStream.of(counts).boxed().toList());
        return crop(sheet(crop))
                .of(
                        Map.of(0, new CropForecasts.Variety<>(RatePrior.sheet(), Map.of(0, List.of(List.of(reading))))),
                        AFTERNOON)
                .get(0)
                .trees()
                .get(0);
    }

    private static TreeForecast tree(String crop, long seed) {
        return tree(
                crop,
                Duration.ofHours(5),
                new SplittableRandom(seed)
                        .ints(sheet(crop).stages().size(), 0, 20)
                        .toArray());
    }

    private static List<Instant> evenings(int days) {
        return IntStream.range(0, days)
                .mapToObj(d -> AFTERNOON.plus(Duration.ofHours(2 + 24L * d)))
                .toList();
    }

    @Test
    void flowers_that_open_the_day_after_are_those_that_the_next_evening_finds_new() {
        TreeForecast tree = tree("cherimoya", 9);
        AnthesisForecast openings = AnthesisForecast.at(evenings(2));

        assertThat(openings.openAfterFirst(sheet("cherimoya"), tree))
                .isPositive()
                .isLessThanOrEqualTo(openings.shares(tree).receptive()[1] + 0.01);
    }

    @Test
    void who_is_away_lets_go_of_what_opens_and_is_past_meanwhile_the_more_the_longer() {
        TreeForecast tree = tree("cherimoya", Duration.ZERO, 40, 7, 5, 0, 4, 25);
        Instant leave = evenings(1).get(0);
        double before = 0;
        for (int days = 1; days <= 7; days++) {
            double letGo = AnthesisForecast.at(AnthesisForecast.everyHalfDay(leave, leave.plus(Duration.ofDays(days))))
                    .openAndPast(sheet("cherimoya"), tree);
            assertThat(letGo).isGreaterThanOrEqualTo(before - 1e-9);
            before = letGo;
        }
        Instant back = evenings(8).get(7);
        double done = AnthesisForecast.at(evenings(8)).shares(tree).receptive()[7];
        double shut = tree.stagesAt(back)[0];
        double came = budsToCome(tree);
        assertThat(before)
                .as("of those that were shut and those that came, those that are neither shut nor open after a week")
                .isCloseTo(40 + came - done - shut, within(0.15 * (40 + came)));
    }

    /** Buds that are foreseen within eight days after the start, over all rates. */
    private static double budsToCome(TreeForecast tree) {
        return tree.parts().stream()
                .mapToDouble(p -> p.weight()
                        * Arrays.stream(p.estimate().mean())
                                .skip(p.start().model().compartments())
                                .limit(8)
                                .sum())
                .sum();
    }

    /** Nobody is lost and nobody counted twice: the groups' receptivity adds up to that of the tree's own forecast. */
    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "apple", "pawpaw", "dragon-fruit", "feijoa"})
    void groups_add_up_to_the_trees_forecast_at_every_moment(String crop) {
        TreeForecast tree = tree(crop, crop.hashCode());
        List<Instant> moments = evenings(7);

        List<AnthesisForecast.Group> groups = AnthesisForecast.at(moments).receptive(sheet(crop), tree);

        for (int m = 0; m < moments.size(); m++) {
            int moment = m;
            double[] stages = tree.stagesAt(moments.get(m));
            double expected = IntStream.range(0, stages.length)
                    .mapToDouble(s -> stages[s]
                            * sheet(crop).stages().get(s).receptivity().value())
                    .sum();
            assertThat(groups.stream()
                            .mapToDouble(g -> g.flowers() * g.receptivity().get(moment))
                            .sum())
                    .as("evening " + m)
                    .isCloseTo(expected, within(0.02 + 1e-3 * expected));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "apple", "dragon-fruit"})
    void a_group_is_not_receptive_before_it_opens_and_no_flower_begins_to_shed_twice(String crop) {
        TreeForecast tree = tree(crop, 7);
        AnthesisForecast openings = AnthesisForecast.at(evenings(7));

        for (AnthesisForecast.Group group : openings.receptive(sheet(crop), tree)) {
            for (int m = 0; m < group.moment(); m++) {
                assertThat(group.receptivity().get(m)).isZero();
            }
            assertThat(group.receptivity().get(group.moment())).isPositive();
        }
        double there = Arrays.stream(tree.stagesAt(AFTERNOON)).sum() + budsToCome(tree);
        assertThat(Arrays.stream(openings.beginShedding(tree)).sum())
                .isPositive()
                .isLessThanOrEqualTo(there);
    }

    /** Oracle: flowers thrown one by one, each put into the group of the first evening on which it is found female. */
    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "apple", "sugar-apple"})
    void thrown_flowers_open_and_fade_evening_by_evening_as_the_groups_say(String crop) {
        CropSheet sheet = sheet(crop);
        TreeForecast tree = tree(crop, 11);
        TreeForecast.Part part = tree.parts().get(0);
        FlowerModel model = part.start().model();
        List<Instant> moments = evenings(4);
        double[] there = Arrays.copyOf(part.estimate().mean(), model.compartments());
        double[] none = part.estimate().mean().clone();
        Arrays.fill(none, model.compartments(), none.length, 0);
        TreeForecast withoutBuds = new TreeForecast(List.of(new TreeForecast.Part(
                1, part.start(), new TreeEstimate(none, part.estimate().covariance()))));
        double all = Arrays.stream(there).sum();
        int thrown = 12_000;
        double[][] seen = new double[moments.size()][moments.size()];
        ThrownFlowers flowers = new ThrownFlowers(sheet, model.conditions(), 1, 5);
        SplittableRandom random = new SplittableRandom(9);
        for (int f = 0; f < thrown; f++) {
            follow(drawn(model, there, all * random.nextDouble()), flowers, sheet, model, moments, seen);
        }

        double[][] expected = new double[moments.size()][moments.size()];
        for (AnthesisForecast.Group group : AnthesisForecast.at(moments).receptive(sheet, withoutBuds)) {
            for (int m = 0; m < moments.size(); m++) {
                expected[group.moment()][m] +=
                        group.flowers() * group.receptivity().get(m);
            }
        }
        for (int g = 0; g < moments.size(); g++) {
            for (int m = g; m < moments.size(); m++) {
                double share = expected[g][m] / all;
                double error = Math.sqrt(share * (1 - share) / thrown);
                assertThat(seen[g][m] / thrown)
                        .as("group of evening %d on evening %d", g, m)
                        .isCloseTo(share, within(0.002 + 4 * error));
            }
        }
    }

    /** The flower at a place on the line of all compartments. */
    private static ThrownFlowers.Flower drawn(FlowerModel model, double[] start, double place) {
        double left = place;
        int i = 0;
        while (i < start.length - 1 && left > start[i]) {
            left -= start[i];
            i++;
        }
        int stage = model.clock().stageOfCompartment(i);
        return new ThrownFlowers.Flower(stage, i - model.clock().firstCompartment(stage));
    }

    private static void follow(
            ThrownFlowers.Flower flower,
            ThrownFlowers flowers,
            CropSheet sheet,
            FlowerModel model,
            List<Instant> moments,
            double[][] seen) {
        double at = model.conditions().temperatures().hoursTo(AFTERNOON);
        int group = -1;
        boolean before = false;
        for (int m = 0; m < moments.size(); m++) {
            double next = model.conditions().temperatures().hoursTo(moments.get(m));
            flowers.walk(flower, at, next);
            at = next;
            boolean receives = flower.stage < sheet.stages().size()
                    && sheet.stages().get(flower.stage).phase().receives();
            group = receives && !before ? m : group;
            before = receives;
            if (receives) {
                seen[group][m] += sheet.stages().get(flower.stage).receptivity().value();
            }
        }
    }

    @Test
    void moments_out_of_order_are_refused() {
        assertThatThrownBy(() -> AnthesisForecast.at(
                        List.of(evenings(2).get(1), evenings(2).get(0))))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("must come in order");
    }
}
