package org.evenhand.core.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OpeningsTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant AFTERNOON =
            ZonedDateTime.of(2026, 11, 24, 15, 0, 0, 0, COAST.zone()).toInstant();

    private static BudSupply supply(String crop) {
        CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();
        Duration warmUp = BudSupply.warmUp(sheet).plus(Duration.ofDays(2));
        int hours = (int) warmUp.plus(Duration.ofDays(12)).toHours();
        Instant until = AFTERNOON.plus(Duration.ofDays(8));
        return BudSupply.of(
                sheet,
                BloomConditions.of(
                        sheet,
                        COAST,
                        new DailyTemperatures(14, 24).repeated(COAST, AFTERNOON.minus(warmUp), hours),
                        until),
                until);
    }

    private static TreeForecast tree(BudSupply supply, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int[] counts = random.ints(supply.sheet().stages().size(), 0, 20).toArray();
        return TreeForecast.of(
                supply,
                List.of(new FlowerReading(
                        AFTERNOON.minus(Duration.ofHours(5)),
                        IntStream.of(counts).boxed().toList())));
    }

    private static List<Instant> evenings(int days) {
        return IntStream.range(0, days)
                .mapToObj(d -> AFTERNOON.plus(Duration.ofHours(2 + 24L * d)))
                .toList();
    }

    @Test
    void flowers_that_open_the_day_after_are_those_that_the_next_evening_finds_new() {
        BudSupply supply = supply("cherimoya");
        TreeForecast tree = tree(supply, 9);
        double next = Openings.of(supply, AFTERNOON, evenings(2)).openAfterFirst(tree);

        double then = Openings.of(supply, AFTERNOON, evenings(2)).course(tree).taking()[1];
        assertThat(next).isPositive().isLessThanOrEqualTo(then + 1e-9);
        assertThat(Openings.of(supply, AFTERNOON, evenings(2))
                        .openAfterFirst(TreeForecast.of(
                                supply, List.of(new FlowerReading(AFTERNOON, List.of(0, 0, 0, 0, 5, 9))))))
                .as("none is shut any more")
                .isZero();
    }

    @Test
    void who_is_away_lets_go_of_what_opens_and_is_past_meanwhile_the_more_the_longer() {
        BudSupply supply = supply("cherimoya");
        TreeForecast tree = TreeForecast.of(supply, List.of(new FlowerReading(AFTERNOON, List.of(40, 0, 0, 0, 0, 0))));
        Instant leave = evenings(1).get(0);
        double before = 0;
        for (int days = 1; days <= 7; days++) {
            double letGo = Openings.of(
                            supply, AFTERNOON, Openings.everyHalfDay(leave, leave.plus(Duration.ofDays(days))))
                    .openAndPast(tree);
            assertThat(letGo).isBetween(before - 1e-9, 40.0);
            before = letGo;
        }
        double done = Openings.of(supply, AFTERNOON, evenings(8)).course(tree).taking()[7];
        double shut = tree.stagesAt(evenings(8).get(7))[0];
        assertThat(before)
                .as("of forty that were shut, those that are neither shut nor open after a week")
                .isCloseTo(40 - done - shut, org.assertj.core.api.Assertions.within(4.0));
    }

    /** Nobody is lost and nobody counted twice: the groups' receptivity adds up to that of the tree's own forecast. */
    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "apple", "pawpaw", "dragon-fruit", "feijoa"})
    void groups_add_up_to_the_trees_forecast_at_every_moment(String crop) {
        BudSupply supply = supply(crop);
        TreeForecast tree = tree(supply, crop.hashCode());
        List<Instant> moments = evenings(7);

        List<Openings.Group> groups = Openings.of(supply, AFTERNOON, moments).taking(tree);

        for (int m = 0; m < moments.size(); m++) {
            int moment = m;
            double[] stages = tree.stagesAt(moments.get(m));
            double expected = IntStream.range(0, supply.sheet().stages().size())
                    .mapToDouble(s -> stages[s]
                            * supply.sheet().stages().get(s).receptivity().value())
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
    void a_group_is_not_receptive_before_it_opens_and_no_flower_begins_to_give_twice(String crop) {
        BudSupply supply = supply(crop);
        TreeForecast tree = tree(supply, 7);
        Openings openings = Openings.of(supply, AFTERNOON, evenings(7));

        for (Openings.Group group : openings.taking(tree)) {
            for (int m = 0; m < group.moment(); m++) {
                assertThat(group.receptivity().get(m)).isZero();
            }
            assertThat(group.receptivity().get(group.moment())).isPositive();
        }
        double began = java.util.Arrays.stream(openings.beginGiving(tree)).sum();
        assertThat(began)
                .isPositive()
                .isLessThanOrEqualTo(20.0 * supply.sheet().stages().size());
    }

    /** Oracle: flowers thrown one by one, each put into the group of the first evening on which it is found female. */
    @ParameterizedTest
    @ValueSource(strings = {"cherimoya", "apple", "sugar-apple"})
    void thrown_flowers_open_and_fade_round_by_round_as_the_groups_say(String crop) {
        BudSupply supply = supply(crop);
        CropSheet sheet = supply.sheet();
        TreeForecast tree = tree(supply, 11);
        List<Instant> moments = evenings(4);
        double[] start = tree.compartmentsAt(supply, AFTERNOON);
        double all = java.util.Arrays.stream(start).sum();
        int thrown = 12_000;
        double[][] seen = new double[moments.size()][moments.size()];
        ThrownFlowers flowers = new ThrownFlowers(sheet, supply.conditions(), 1, 5);
        SplittableRandom random = new SplittableRandom(9);
        for (int f = 0; f < thrown; f++) {
            ThrownFlowers.Flower flower = drawn(supply, start, all * random.nextDouble());
            follow(flower, flowers, supply, moments, seen);
        }

        double[][] expected = new double[moments.size()][moments.size()];
        for (Openings.Group group : Openings.of(supply, AFTERNOON, moments).taking(tree)) {
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
    private static ThrownFlowers.Flower drawn(BudSupply supply, double[] start, double place) {
        double left = place;
        int i = 0;
        while (i < start.length - 1 && left > start[i]) {
            left -= start[i];
            i++;
        }
        int stage = supply.clock().stageOfCompartment(i);
        return new ThrownFlowers.Flower(stage, i - supply.clock().firstCompartment(stage));
    }

    private static void follow(
            ThrownFlowers.Flower flower,
            ThrownFlowers flowers,
            BudSupply supply,
            List<Instant> moments,
            double[][] seen) {
        double at = supply.hoursTo(AFTERNOON);
        int group = -1;
        boolean before = false;
        for (int m = 0; m < moments.size(); m++) {
            double next = supply.hoursTo(moments.get(m));
            flowers.walk(flower, at, next);
            at = next;
            boolean takes = flower.stage < supply.sheet().stages().size()
                    && supply.sheet().stages().get(flower.stage).phase().takes();
            group = takes && !before ? m : group;
            before = takes;
            if (takes) {
                seen[group][m] +=
                        supply.sheet().stages().get(flower.stage).receptivity().value();
            }
        }
    }

    @Test
    void moments_out_of_order_are_refused() {
        BudSupply supply = supply("cherimoya");

        assertThatThrownBy(() -> Openings.of(
                        supply,
                        AFTERNOON,
                        List.of(evenings(2).get(1), evenings(2).get(0))))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("must come in order");
    }
}
