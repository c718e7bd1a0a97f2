package org.evenhand.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.OwnVariety;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.TestSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.round.RoundPlan.Reason;
import org.evenhand.core.round.RoundPlan.Stop;
import org.evenhand.core.round.RoundPlan.Unserved;
import org.evenhand.core.round.RoundRequest.Lot;
import org.evenhand.core.round.RoundRequest.Mother;
import org.evenhand.core.round.RoundRequest.OpenFlowers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RoundPlanTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final CropSheet REFUSES_ITSELF =
            withOwnVariety(new OwnVariety(false, Sourced.practice(0), "Its own variety does not serve it."));
    private static final VarietyId LANTERN = new VarietyId(id(1));
    private static final VarietyId RIDGE = new VarietyId(id(2));

    /** What each tree and jar is of. */
    private final Map<UUID, MatingPartner> partners = new HashMap<>();

    private final RoundRequest.Crosses crosses =
            (tree, lot) -> CrossCompatibility.of(partners.get(tree.value()), partners.get(lot.value()));

    private RoundRequest request(List<Mother> mothers, List<Lot> lots, OptionalInt most) {
        return new RoundRequest(mothers, lots, crosses, most);
    }

    private static MatingPartner partner(VarietyId variety, CropSheet sheet) {
        return MatingPartner.unknown(variety.toString(), sheet);
    }

    @Test
    void a_lot_of_the_trees_own_variety_is_never_used_where_the_sheet_says_it_cannot() {
        RoundPlan plan = RoundPlan.of(request(
                List.of(mother(10, LANTERN, REFUSES_ITSELF, 1, 1, 5)),
                List.of(lot(20, LANTERN, REFUSES_ITSELF, 30, 0.9, 0)),
                OptionalInt.empty()));

        assertThat(plan.stops()).isEmpty();
        assertThat(plan.unserved()).containsExactly(new Unserved(tree(10), 5, Reason.NO_LOT_THAT_SERVES));
    }

    @Test
    void where_it_serves_another_variety_is_still_preferred() {
        RoundPlan plan = RoundPlan.of(request(
                List.of(mother(10, LANTERN, CHERIMOYA, 1, 1, 5)),
                List.of(lot(20, LANTERN, CHERIMOYA, 30, 0.8, 0), lot(21, RIDGE, CHERIMOYA, 3, 0.8, 1)),
                OptionalInt.empty()));

        assertThat(plan.stops())
                .extracting(s -> s.lot().value(), Stop::flowers)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(id(20), 2), org.assertj.core.groups.Tuple.tuple(id(21), 3));
        assertThat(plan.value()).isCloseTo(2 * 0.8 * 0.8 + 3 * 0.8, within(1e-6));
        assertThat(plan.proven()).isTrue();
    }

    @Test
    void equally_good_pollen_that_should_go_first_goes_first() {
        RoundPlan plan = RoundPlan.of(request(
                List.of(mother(10, LANTERN, CHERIMOYA, 1, 1, 4)),
                List.of(lot(20, RIDGE, CHERIMOYA, 10, 0.7, 1), lot(21, RIDGE, CHERIMOYA, 10, 0.7, 0)),
                OptionalInt.empty()));

        assertThat(plan.stops()).extracting(s -> s.lot().value()).containsExactly(id(21));
    }

    @Test
    void the_walk_goes_father_by_father_down_one_row_and_back_the_next() {
        List<Mother> mothers = List.of(
                mother(10, LANTERN, CHERIMOYA, 2, 1, 1),
                mother(11, LANTERN, CHERIMOYA, 1, 1, 1),
                mother(12, LANTERN, CHERIMOYA, 2, 2, 1),
                mother(13, LANTERN, CHERIMOYA, 1, 2, 1));
        RoundPlan plan =
                RoundPlan.of(request(mothers, List.of(lot(20, RIDGE, CHERIMOYA, 9, 0.7, 0)), OptionalInt.empty()));

        assertThat(plan.stops()).extracting(s -> s.tree().value()).containsExactly(id(11), id(13), id(12), id(10));
    }

    @Test
    void flowers_left_over_say_why() {
        List<Mother> mothers = List.of(mother(10, LANTERN, CHERIMOYA, 1, 1, 6));

        assertThat(RoundPlan.of(request(mothers, List.of(), OptionalInt.empty()))
                        .unserved())
                .containsExactly(new Unserved(tree(10), 6, Reason.NO_POLLEN));
        assertThat(RoundPlan.of(request(mothers, List.of(lot(20, RIDGE, CHERIMOYA, 4, 0.7, 0)), OptionalInt.empty()))
                        .unserved())
                .containsExactly(new Unserved(tree(10), 2, Reason.DOSES_RUN_OUT));
        assertThat(RoundPlan.of(request(mothers, List.of(lot(20, RIDGE, CHERIMOYA, 9, 0.7, 0)), OptionalInt.of(1)))
                        .unserved())
                .containsExactly(new Unserved(tree(10), 5, Reason.MORE_THAN_CAN_BE_DONE));
    }

    /** Oracle: every way of handing out the doses, tried one after another. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void no_other_plan_is_worth_more_and_no_limit_is_passed(long seed) {
        RoundRequest request = randomRequest(new SplittableRandom(seed));

        RoundPlan plan = RoundPlan.of(request);

        assertThat(plan.value()).isCloseTo(bestByTrying(request), within(1e-5));
        assertThat(plan.stops().stream().mapToDouble(Stop::expected).sum()).isCloseTo(plan.value(), within(1e-5));
        Map<LotId, Integer> drawn =
                plan.stops().stream().collect(Collectors.groupingBy(Stop::lot, Collectors.summingInt(Stop::flowers)));
        request.lots().forEach(l -> assertThat(drawn.getOrDefault(l.id(), 0)).isLessThanOrEqualTo(l.doses()));
        request.mothers()
                .forEach(m -> assertThat(plan.stops().stream()
                                .filter(s -> s.tree().equals(m.id()))
                                .mapToInt(Stop::flowers)
                                .sum())
                        .isLessThanOrEqualTo(m.wanted()));
        assertThat(RoundPlan.of(request)).isEqualTo(plan);
    }

    @Test
    void whole_flowers_add_up_and_those_done_are_left_out() {
        double[] expected = {3, 4.6, 5.7, 0, 2, 0, 0};

        List<OpenFlowers> all = FlowersToDo.of(CHERIMOYA, expected, 0);
        List<OpenFlowers> left = FlowersToDo.of(CHERIMOYA, expected, 6);

        assertThat(all).extracting(OpenFlowers::stage).containsExactly("parted", "half-open");
        assertThat(all.stream().mapToInt(OpenFlowers::flowers).sum()).isEqualTo(10);
        assertThat(left.stream().mapToInt(OpenFlowers::flowers).sum()).isEqualTo(4);
        assertThat(FlowersToDo.of(CHERIMOYA, expected, 50)).isEmpty();
    }

    private RoundRequest randomRequest(SplittableRandom random) {
        List<Mother> mothers = new ArrayList<>();
        for (int m = 0; m < 2; m++) {
            mothers.add(mother(
                    10 + m, random.nextBoolean() ? LANTERN : RIDGE, REFUSES_ITSELF, 1, m, 1 + random.nextInt(3)));
        }
        List<Lot> lots = new ArrayList<>();
        for (int l = 0; l < 2; l++) {
            lots.add(lot(
                    20 + l,
                    random.nextBoolean() ? LANTERN : RIDGE,
                    REFUSES_ITSELF,
                    random.nextInt(5),
                    Math.round(random.nextDouble() * 100) / 100.0,
                    l));
        }
        return request(mothers, lots, random.nextBoolean() ? OptionalInt.of(random.nextInt(6)) : OptionalInt.empty());
    }

    private double bestByTrying(RoundRequest request) {
        List<Mother> flowers = new ArrayList<>();
        request.mothers().forEach(m -> {
            for (int i = 0; i < m.wanted(); i++) {
                flowers.add(m);
            }
        });
        int[] doses = request.lots().stream().mapToInt(Lot::doses).toArray();
        return best(flowers, 0, request.lots(), doses, request.mostFlowers().orElse(99));
    }

    private double best(List<Mother> flowers, int next, List<Lot> lots, int[] doses, int most) {
        if (next == flowers.size() || most == 0) {
            return 0;
        }
        Mother mother = flowers.get(next);
        double best = best(flowers, next + 1, lots, doses, most);
        for (int l = 0; l < doses.length; l++) {
            boolean serves = crosses.between(mother.id(), lots.get(l).id()).serves();
            if (serves && doses[l] > 0) {
                doses[l]--;
                double here = lots.get(l).viability() * mother.flowers().get(0).receptivity();
                best = Math.max(best, here + best(flowers, next + 1, lots, doses, most - 1));
                doses[l]++;
            }
        }
        return best;
    }

    private Mother mother(int id, VarietyId variety, CropSheet sheet, int row, int position, int flowers) {
        partners.put(id(id), partner(variety, sheet));
        return new Mother(
                tree(id), new Place("North", row, position), List.of(new OpenFlowers("half-open", flowers, 1)));
    }

    private Lot lot(int id, VarietyId variety, CropSheet sheet, int doses, double viability, int rank) {
        partners.put(id(id), partner(variety, sheet));
        return new Lot(new LotId(id(id)), doses, viability, rank);
    }

    private static TreeId tree(int id) {
        return new TreeId(id(id));
    }

    private static UUID id(int number) {
        return new UUID(0, number);
    }

    private static CropSheet withOwnVariety(OwnVariety rule) {
        return TestSheets.cherimoyaWith(
                "ownVariety: {serves: true, worth: 0.8 memory, why: ",
                "ownVariety: {serves: " + rule.serves() + ", worth: "
                        + rule.worth().value() + " memory, why: ");
    }
}
