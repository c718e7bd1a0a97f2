package org.evenhand.core.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrchardMapTest {
    private static OrchardMap.PlacedTree<String> tree(String block, int row, int position, Spot measured) {
        return new OrchardMap.PlacedTree<>(
                block + " " + row + "/" + position, block, row, position, Optional.ofNullable(measured));
    }

    private static Spot spotOf(OrchardMap.Laid<String> map, String tree) {
        return map.trees().stream()
                .filter(t -> t.tree().equals(tree))
                .findFirst()
                .orElseThrow()
                .spot();
    }

    private static double apart(Spot a, Spot b) {
        return Math.hypot(a.east() - b.east(), a.north() - b.north());
    }

    // Lengths of a degree on WGS 84 as atlases and navigation tables print them, in metres; written from memory, right
    // to the last digit
    // printed there (110.574 km and so on).
    @ParameterizedTest
    @CsvSource({"0, 110574, 111320", "15, 110649, 107550", "30, 110852, 96486", "45, 111132, 78847", "60, 111412, 55800"
    })
    void a_degree_is_as_long_as_tables_say(double latitude, double north, double east) {
        OrchardPlane plane = new OrchardPlane(-latitude, 12);
        assertThat(plane.metresPerDegreeNorth()).isCloseTo(north, within(1.0));
        assertThat(plane.metresPerDegreeEast()).isCloseTo(east, within(1.0));
    }

    @Test
    void metres_and_degrees_are_one_another_back_and_over_the_date_line() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            OrchardPlane plane =
                    new OrchardPlane(random.nextDouble(-84, 84), i % 5 == 0 ? 179.999 : random.nextDouble(-180, 180));
            Spot spot = new Spot(random.nextDouble(-3000, 3000), random.nextDouble(-3000, 3000));
            Spot back = plane.spot(plane.latitude(spot), plane.longitude(spot));
            assertThat(apart(back, spot)).isLessThan(1e-4);
        }
        assertThatThrownBy(() -> new OrchardPlane(-35.3, 173.9).spot(-35.3, 17.39))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("km from the orchard");
        assertThatThrownBy(() -> new OrchardPlane(-35.3, 173.9).spot(Double.NaN, 173.9))
                .isInstanceOf(InvalidInputException.class);
    }

    @Test
    void rows_lie_to_the_right_of_the_way_places_are_counted() {
        BlockLayout east = new BlockLayout(4, 3, OptionalDouble.of(90));
        OrchardMap.Laid<String> map =
                OrchardMap.lay(List.of(tree("A", 1, 1, null), tree("A", 2, 3, null)), Map.of("A", east));
        Spot first = spotOf(map, "A 1/1");
        Spot other = spotOf(map, "A 2/3");
        assertThat(other.east() - first.east()).isCloseTo(6, within(1e-9));
        assertThat(other.north() - first.north()).isCloseTo(-4, within(1e-9));
    }

    /** Trees put on a known grid, some of them measured without error: the others must come out where they really stand. */
    @Test
    void measured_trees_put_the_rest_of_their_block_in_its_place_and_turn_it() {
        Random random = new Random(20261128);
        for (int trial = 0; trial < 200; trial++) {
            double bearing = random.nextDouble(0, 360);
            BlockLayout real =
                    new BlockLayout(random.nextDouble(2, 8), random.nextDouble(1, 6), OptionalDouble.of(bearing));
            Spot corner = new Spot(random.nextDouble(-500, 500), random.nextDouble(-500, 500));
            List<OrchardMap.PlacedTree<String>> trees = new ArrayList<>();
            for (int row = 1; row <= 4; row++) {
                for (int position = 1; position <= 5; position++) {
                    boolean measured =
                            (row == 1 && position == 1) || (row == 4 && position == 5) || random.nextInt(6) == 0;
                    Spot there = real.place(row, position, bearing).plus(corner.east(), corner.north());
                    trees.add(tree("B", row, position, measured ? there : null));
                }
            }
            BlockLayout given = new BlockLayout(real.rowSpacing(), real.placeSpacing(), OptionalDouble.empty());
            OrchardMap.Laid<String> map = OrchardMap.lay(trees, Map.of("B", given));
            assertThat(map.blocks().get(0).bearingFrom()).isEqualTo(OrchardMap.BearingFrom.MEASURED_TREES);
            assertThat(Math.abs(Math.IEEEremainder(map.blocks().get(0).bearing() - bearing, 360)))
                    .isLessThan(1e-6);
            for (OrchardMap.PlacedTree<String> t : trees) {
                Spot there = real.place(t.row(), t.position(), bearing).plus(corner.east(), corner.north());
                assertThat(apart(spotOf(map, t.tree()), there)).isLessThan(1e-6);
            }
        }
    }

    @Test
    void blocks_of_which_nobody_knows_where_they_are_lie_beside_the_others_and_on_none() {
        List<OrchardMap.PlacedTree<String>> trees = List.of(
                tree("A", 1, 1, null),
                tree("A", 1, 2, null),
                tree("B", 7, 4, null),
                tree("C", 1, 1, new Spot(100, 50)));
        OrchardMap.Laid<String> map = OrchardMap.lay(trees, Map.of());
        assertThat(map.blocks().get(0).block()).isEqualTo("C");
        assertThat(map.blocks().get(0).onEarth()).isTrue();
        assertThat(spotOf(map, "A 1/1").east()).isCloseTo(100 + OrchardMap.GAP, within(1e-9));
        assertThat(spotOf(map, "B 7/4").east())
                .isGreaterThan(spotOf(map, "A 1/2").east());
        assertThat(map.trees()).hasSize(4);
        assertThat(OrchardMap.lay(List.<OrchardMap.PlacedTree<String>>of(), Map.of())
                        .trees())
                .isEmpty();
    }

    @Test
    void lengths_and_directions_that_cannot_be_are_refused() {
        assertThatThrownBy(() -> new BlockLayout(0, 3, OptionalDouble.empty()))
                .isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> new BlockLayout(4, Double.NaN, OptionalDouble.empty()))
                .isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> new BlockLayout(4, 3, OptionalDouble.of(361)))
                .isInstanceOf(InvalidInputException.class);
        // Two trees measured at one spot say nothing about a direction.
        OrchardMap.Laid<String> one =
                OrchardMap.lay(List.of(tree("A", 1, 1, new Spot(5, 5)), tree("A", 1, 2, new Spot(5, 5))), Map.of());
        assertThat(one.blocks().get(0).bearingFrom()).isEqualTo(OrchardMap.BearingFrom.ASSUMED);
    }
}
