package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.junit.jupiter.api.Test;

class WalkingRouteTest {
    private static final CropSheet APPLE = CropSheets.shipped().find("apple").orElseThrow();
    private final SplittableRandom random = new SplittableRandom(31);

    @Test
    void of_few_trees_it_is_the_shortest_way_of_all() {
        for (int round = 0; round < 60; round++) {
            List<Place> places = places(2 + random.nextInt(6));
            Optional<Place> from = random.nextBoolean() ? Optional.of(place()) : Optional.empty();

            List<Integer> order = WalkingRoute.past(places, from);

            assertThat(steps(places, order, from))
                    .as("%s from %s", places, from)
                    .isEqualTo(shortest(places, from, new ArrayList<>()));
        }
    }

    @Test
    void of_many_trees_it_passes_each_once_and_never_the_longer_way() {
        for (int round = 0; round < 8; round++) {
            List<Place> places = places(20 + random.nextInt(100));
            List<Integer> given = IntStream.range(0, places.size()).boxed().toList();

            List<Integer> order = WalkingRoute.past(places, Optional.empty());

            assertThat(order).containsExactlyInAnyOrderElementsOf(given);
            assertThat(steps(places, order, Optional.empty()))
                    .isLessThan(steps(places, given, Optional.empty()) / 2)
                    .isEqualTo(steps(places, WalkingRoute.past(places, Optional.empty()), Optional.empty()));
        }
    }

    @Test
    void a_full_block_is_walked_down_one_row_and_back_the_next() {
        List<Place> block = new ArrayList<>();
        for (int row = 1; row <= 3; row++) {
            for (int position = 1; position <= 9; position++) {
                block.add(new Place("North", row, position));
            }
        }

        List<Integer> order = WalkingRoute.past(block, Optional.of(new Place("North", 0, 1)));

        assertThat(order.stream().map(i -> block.get(i).row()).distinct()).containsExactly(1, 2, 3);
        assertThat(order.stream().map(i -> block.get(i).position()).skip(9).limit(9))
                .containsExactly(9, 8, 7, 6, 5, 4, 3, 2, 1);
    }

    private static long shortest(List<Place> places, Optional<Place> from, List<Integer> soFar) {
        if (soFar.size() == places.size()) {
            return steps(places, soFar, from);
        }
        long best = Long.MAX_VALUE;
        for (int i = 0; i < places.size(); i++) {
            if (!soFar.contains(i)) {
                soFar.add(i);
                best = Math.min(best, shortest(places, from, soFar));
                soFar.remove(soFar.size() - 1);
            }
        }
        return best;
    }

    private static long steps(List<Place> places, List<Integer> order, Optional<Place> from) {
        long sum = from.map(f -> f.stepsTo(places.get(order.get(0)))).orElse(0L);
        for (int i = 1; i < order.size(); i++) {
            sum += places.get(order.get(i - 1)).stepsTo(places.get(order.get(i)));
        }
        return sum;
    }

    private List<Place> places(int n) {
        return IntStream.range(0, n).mapToObj(i -> place()).toList();
    }

    private Place place() {
        return new Place(random.nextInt(4) == 0 ? "South" : "North", 1 + random.nextInt(8), 1 + random.nextInt(20));
    }

    /** Two jars of one father, and another father's that should be used in between. */
    @Test
    void jars_of_one_father_are_walked_one_after_the_other_though_another_should_go_sooner() {
        VarietyId ember = new VarietyId(new UUID(1, 1));
        VarietyId wick = new VarietyId(new UUID(1, 2));
        List<RoundRequest.Lot> lots = List.of(
                lot(1, 0, Optional.of(ember)),
                lot(2, 1, Optional.of(wick)),
                lot(3, 2, Optional.of(ember)),
                lot(4, 3, Optional.empty()));
        RoundRequest request = new RoundRequest(
                List.of(9),
                lots.stream().map(l -> mother(l.id())).toList(),
                lots,
                (tree, lot) -> CrossCompatibility.ofCrops(APPLE, APPLE, false),
                List.of());

        assertThat(RoundPlan.of(request).stops())
                .extracting(s -> s.lot().value().getLeastSignificantBits())
                .containsExactly(1L, 3L, 2L, 4L);
    }

    private static RoundRequest.Lot lot(int id, int rank, Optional<VarietyId> father) {
        return new RoundRequest.Lot(new LotId(new UUID(0, id)), 1, List.of(0.8), rank, father);
    }

    /** A tree with one flower that only this jar may serve. */
    private static RoundRequest.Mother mother(LotId only) {
        return new RoundRequest.Mother(
                new TreeId(only.value()),
                new Place("North", 1, (int) only.value().getLeastSignificantBits()),
                1,
                List.of(new RoundRequest.OpenFlowers(
                        new FlowerGroupId.OfStage("open"), 1, 1, List.of(1.0), Optional.of(Set.of(only)))));
    }
}
