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
