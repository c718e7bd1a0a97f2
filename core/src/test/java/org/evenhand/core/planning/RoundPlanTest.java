package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.OwnVariety;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.TestSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.planning.RoundPlan.Reason;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundPlan.Unserved;
import org.evenhand.core.planning.RoundRequest.Choice;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
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

    /** Names of flowers that are set apart for a cross begin so. */
    private static final UUID CROSS = new UUID(7, 7);

    private static final FlowerGroupId AGAIN = new FlowerGroupId.RepeatOf(new UUID(8, 8));

    private static final double[] EFFORTS = {1, 1, 0.5, 1.5};

    /** What each tree and jar is of. */
    private final Map<UUID, MatingPartner> partners = new HashMap<>();

    private final RoundRequest.Crosses crosses =
            (tree, lot) -> CrossCompatibility.of(partners.get(tree.value()), partners.get(lot.value()));

    private RoundRequest request(List<Mother> mothers, List<Lot> lots, OptionalInt most) {
        return request(mothers, lots, List.of(most.orElse(RoundRequest.NO_LIMIT)), List.of());
    }

    private RoundRequest request(List<Mother> mothers, List<Lot> lots, List<Integer> most, List<Choice> choices) {
        return new RoundRequest(most, mothers, lots, crosses, choices);
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
    void what_is_less_certain_later_is_done_now_unless_later_is_worth_it() {
        for (double then : new double[] {0.5, 0.8}) {
            RoundRequest request = new RoundRequest(
                    List.of(9, 9),
                    List.of(mother(10, LANTERN, CHERIMOYA, 1, 1, 4, List.of(0.5, then))),
                    List.of(lot(20, RIDGE, CHERIMOYA, 9, List.of(0.8, 0.8), 0)),
                    crosses,
                    List.of(),
                    List.of(1.0, 0.9));

            RoundPlan plan = RoundPlan.of(request);

            assertThat(plan.stops()).extracting(Stop::round).containsExactly(then > 0.55 ? 1 : 0);
            assertThat(plan.value()).isCloseTo(4 * 0.8 * Math.max(0.5, 0.9 * then), within(1e-6));
            assertThat(plan.stops().get(0).full()).isCloseTo(4 * 0.8 * then, within(1e-6));
        }
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

    @Test
    void a_tree_that_nobody_goes_to_says_so_and_its_pollen_is_not_blamed() {
        Mother mother = mother(10, RIDGE, CHERIMOYA, 1, 1, 4);
        Lot lot = lot(20, LANTERN, CHERIMOYA, 4, 0.5, 0);
        Mother skipped =
                new Mother(mother.id(), mother.place(), mother.wanted(), mother.flowers(), List.of(), Set.of(0), 1);

        RoundPlan plan = RoundPlan.of(request(List.of(skipped), List.of(lot), List.of(10), List.of()));

        assertThat(plan.stops()).isEmpty();
        assertThat(plan.unserved()).containsExactly(new RoundPlan.Unserved(mother.id(), 4, RoundPlan.Reason.RULED_OUT));
    }

    @Test
    void pollen_is_kept_for_a_later_round_where_it_earns_more_and_says_so() {
        Mother early = mother(10, LANTERN, CHERIMOYA, 1, 1, 4, List.of(0.4, 0.0));
        Mother late = mother(11, LANTERN, CHERIMOYA, 1, 2, 4, List.of(0.0, 1.0));
        Lot jar = lot(20, RIDGE, CHERIMOYA, 5, List.of(0.8, 0.6), 0);

        RoundPlan plan = RoundPlan.of(request(List.of(early, late), List.of(jar), List.of(9, 9), List.of()));

        assertThat(plan.stops())
                .extracting(Stop::round, s -> s.tree().value(), Stop::flowers)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(0, id(10), 1),
                        org.assertj.core.groups.Tuple.tuple(1, id(11), 4));
        assertThat(plan.keptBack()).containsExactly(new RoundPlan.ReservedDoses(jar.id(), 4, 1, tree(11)));
        assertThat(plan.value()).isCloseTo(0.4 * 0.8 + 4 * 0.6, within(1e-9));
        assertThat(plan.stops().get(0).grounds().canWait()).isFalse();
    }

    @Test
    void what_was_chosen_is_kept_to_and_its_cost_shows() {
        List<Mother> mothers = List.of(mother(10, LANTERN, CHERIMOYA, 1, 1, 4), mother(11, RIDGE, CHERIMOYA, 1, 2, 4));
        List<Lot> lots = List.of(lot(20, RIDGE, CHERIMOYA, 4, 0.8, 0), lot(21, LANTERN, CHERIMOYA, 4, 0.8, 1));
        RoundPlan free = RoundPlan.of(request(mothers, lots, List.of(9), List.of()));
        Choice own = new Choice(tree(11), new LotId(id(20)), OptionalInt.of(0), 3);

        RoundPlan pinned = RoundPlan.of(request(mothers, lots, List.of(9), List.of(own)));
        RoundPlan without = RoundPlan.of(request(
                mothers, lots, List.of(9), List.of(Choice.forbid(tree(10), new LotId(id(20)), OptionalInt.empty()))));

        // Each tree gets the other variety: 8 flowers at 0.8. Pinned, three of each take their own, worth 0.8 of that.
        assertThat(free.value()).isCloseTo(8 * 0.8, within(1e-9));
        assertThat(pinned.value()).isCloseTo(2 * 0.8 + 6 * 0.8 * 0.8, within(1e-9));
        assertThat(pinned.stops())
                .filteredOn(s -> s.tree().equals(tree(11)) && s.lot().value().equals(id(20)))
                .singleElement()
                .satisfies(s -> assertThat(s.flowers()).isEqualTo(3))
                .satisfies(s -> assertThat(s.grounds().wanted()).isTrue());
        assertThat(without.stops())
                .noneMatch(s -> s.tree().equals(tree(10)) && s.lot().value().equals(id(20)));
    }

    @Test
    void choices_that_cannot_be_had_are_refused_each_in_its_way() {
        List<Mother> mothers = List.of(mother(10, LANTERN, REFUSES_ITSELF, 1, 1, 4));
        List<Lot> lots =
                List.of(lot(20, LANTERN, REFUSES_ITSELF, 9, 0.8, 0), lot(21, RIDGE, REFUSES_ITSELF, 3, 0.8, 1));
        LotId own = new LotId(id(20));
        LotId good = new LotId(id(21));

        refused(
                mothers,
                lots,
                List.of(new Choice(tree(10), own, OptionalInt.empty(), 1)),
                "choices[0]",
                "does not serve");
        refused(mothers, lots, List.of(new Choice(tree(10), good, OptionalInt.empty(), 4)), "choices[0]", "only 3");
        refused(
                mothers,
                lots,
                List.of(
                        Choice.forbid(tree(10), good, OptionalInt.empty()),
                        new Choice(tree(10), good, OptionalInt.empty(), 1)),
                "choices[1]",
                "pinned and ruled out at once");
        assertThatThrownBy(() -> RoundPlan.of(request(
                        mothers, lots, List.of(1), List.of(new Choice(tree(10), good, OptionalInt.empty(), 3)))))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("ask together for more");
    }

    private void refused(List<Mother> mothers, List<Lot> lots, List<Choice> choices, String field, String says) {
        assertThatThrownBy(() -> RoundPlan.of(request(mothers, lots, List.of(9), choices)))
                .isInstanceOfSatisfying(
                        InvalidInputException.class,
                        e -> assertThat(e.problems().get(0).field()).isEqualTo(field))
                .hasMessageContaining(says);
    }

    /** Oracle: every way of handing out the doses, tried one after another. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void no_other_plan_is_worth_more_and_no_limit_is_passed(long seed) {
        RoundRequest request = randomRequest(new SplittableRandom(seed));

        RoundPlan plan = RoundPlan.of(request);

        assertThat(plan.value()).isCloseTo(new Trying(request).best(), within(1e-5));
        assertThat(plan.proven()).isTrue();
        keepsTheLimits(request, plan);
        assertThat(RoundPlan.of(request)).isEqualTo(plan);
    }

    private void keepsTheLimits(RoundRequest request, RoundPlan plan) {
        assertThat(plan.value()).isCloseTo(recomputed(request, plan), within(1e-6));
        for (Stop stop : plan.stops()) {
            stop.parts().stream()
                    .filter(p -> p.group() instanceof FlowerGroupId.Reserved)
                    .forEach(p -> assertThat(
                                    group(request, stop, p.group()).only().orElseThrow())
                            .as("flowers of a cross get its father's pollen only")
                            .contains(stop.lot()));
        }
        assertThat(plan.stops().stream().mapToDouble(Stop::expected).sum()).isCloseTo(plan.value(), within(1e-9));
        Map<LotId, Integer> drawn =
                plan.stops().stream().collect(Collectors.groupingBy(Stop::lot, Collectors.summingInt(Stop::flowers)));
        request.lots().forEach(l -> assertThat(drawn.getOrDefault(l.id(), 0)).isLessThanOrEqualTo(l.doses()));
        request.mothers()
                .forEach(m -> assertThat(plan.stops().stream()
                                .filter(s -> s.tree().equals(m.id()))
                                .mapToInt(RoundPlanTest::withoutPollenBefore)
                                .sum())
                        .isLessThanOrEqualTo(Math.min(m.wanted(), m.open())));
        for (int r = 0; r < request.mostFlowers().size(); r++) {
            int round = r;
            double hands = plan.stops().stream()
                    .mapToDouble(s -> s.flowers() * hands(motherOf(request, s), lotOf(request, s), s.round(), round))
                    .sum();
            long fathers = plan.stops().stream()
                    .filter(s -> s.round() == round)
                    .map(s -> lotOf(request, s).brush())
                    .distinct()
                    .count();
            assertThat(hands + fathers * request.cleaning())
                    .isLessThanOrEqualTo(request.mostFlowers().get(r) + 1e-9);
        }
        plan.stops().forEach(s -> {
            assertThat(s.parts().stream().mapToInt(RoundPlan.Part::flowers).sum())
                    .isEqualTo(s.flowers());
            assertThat(s.groups().stream().mapToInt(RoundPlan.OfGroup::flowers).sum())
                    .isEqualTo(s.flowers());
            assertThat(s.cross().serves()).isTrue();
            assertThat(motherOf(request, s).ruledOut()).doesNotContain(s.round());
        });
        for (int r = 0; r < request.mostFlowers().size(); r++) {
            accountsForEveryFlower(request, plan, r);
        }
    }

    private static int withoutPollenBefore(Stop stop) {
        return stop.parts().stream()
                .filter(p -> !p.group().equals(AGAIN))
                .mapToInt(RoundPlan.Part::flowers)
                .sum();
    }

    private static void accountsForEveryFlower(RoundRequest request, RoundPlan plan, int round) {
        List<FlowerAccount> accounts = FlowerAccount.of(request, plan, round);
        assertThat(accounts.stream().mapToInt(FlowerAccount::inRound).sum())
                .as("all that is done in a round is done to flowers that can take pollen then")
                .isEqualTo(plan.stops().stream()
                        .filter(s -> s.round() == round)
                        .mapToInt(RoundPlanTest::withoutPollenBefore)
                        .sum());
        for (FlowerAccount a : accounts) {
            Mother mother = request.mothers().stream()
                    .filter(m -> m.id().equals(a.tree()))
                    .findFirst()
                    .orElseThrow();
            int there = mother.flowers().stream()
                    .filter(f -> f.receptivity().get(round) > 0)
                    .mapToInt(OpenFlowers::flowers)
                    .sum();
            int later =
                    a.later().stream().mapToInt(FlowerAccount.Planned::flowers).sum();
            int lost = a.lost().map(FlowerAccount.Lost::flowers).orElse(0);
            assertThat(a.flowers()).isBetween(0, there);
            assertThat(round > 0 || a.flowers() == there).isTrue();
            assertThat(a.inRound() + later + a.forCross() + a.notWanted() + lost)
                    .as("%s in round %d", a, round)
                    .isEqualTo(a.flowers());
            assertThat(List.of(a.inRound(), later, a.forCross(), a.notWanted(), lost))
                    .allMatch(n -> n >= 0);
            assertThat(a.later()).allMatch(l -> l.round() > round && l.flowers() > 0);
            assertThat(a.outcomes()).allMatch(o -> o.flowers() > 0);
            boolean someLeftAlone = mother.flowers().stream().anyMatch(f -> f.weight() == 0);
            assertThat(mother.wanted() < mother.open() || someLeftAlone || a.notWanted() == 0)
                    .as("nothing is unwanted on a tree that may bear more than it has: %s", a)
                    .isTrue();
            int leftAlone = mother.flowers().stream()
                    .filter(f -> f.weight() == 0
                            && f.only().isEmpty()
                            && f.receptivity().get(round) > 0)
                    .mapToInt(OpenFlowers::flowers)
                    .sum();
            assertThat(a.notWanted()).as("left alone, not lost").isGreaterThanOrEqualTo(leftAlone);
        }
    }

    @Test
    void a_plan_that_nobody_wants_any_more_is_stopped() throws InterruptedException {
        RoundRequest request = largeRequest(new SplittableRandom(4));
        Cancellation before = new Cancellation();
        before.cancel();
        assertThatThrownBy(() -> RoundPlan.of(request, before)).isInstanceOf(CancellationException.class);

        Cancellation meanwhile = new Cancellation();
        AtomicReference<Throwable> end = new AtomicReference<>();
        CountDownLatch begun = new CountDownLatch(1);
        Thread solving = new Thread(() -> {
            try {
                while (true) {
                    RoundPlan.of(request, meanwhile);
                    begun.countDown();
                }
            } catch (CancellationException e) {
                end.set(e);
            }
        });
        solving.start();
        begun.await();
        meanwhile.cancel();
        solving.join(Duration.ofMinutes(1).toMillis());
        assertThat(end.get()).as("it ended, and said why").isInstanceOf(CancellationException.class);
    }

    /** Larger ones than can be tried: limits kept, more pollen never worth less, what is forbidden never there. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#fewSeeds")
    void more_pollen_never_lowers_the_value_and_a_forbidden_pair_never_appears(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        RoundRequest request = largeRequest(random);
        RoundPlan plan = RoundPlan.of(request);
        keepsTheLimits(request, plan);
        assertThat(plan.proven()).isTrue();

        List<Lot> more = new ArrayList<>(request.lots());
        int at = random.nextInt(more.size());
        Lot lot = more.get(at);
        more.set(at, new Lot(lot.id(), lot.doses() + 1 + random.nextInt(5), lot.viability(), lot.useRank()));
        RoundPlan richer = RoundPlan.of(new RoundRequest(
                request.mostFlowers(), request.mothers(), more, crosses, List.of(), request.certainty()));
        assertThat(richer.value()).isGreaterThanOrEqualTo(plan.value() - 1e-5);

        assertThat(RoundPlan.of(withMore(request, 1, 0)).value())
                .as("more hours")
                .isGreaterThanOrEqualTo(plan.value() - 1e-5);
        assertThat(RoundPlan.of(withMore(request, 0, 1)).value())
                .as("more flowers")
                .isGreaterThanOrEqualTo(plan.value() - 1e-5);
        List<Mother> otherOrder = new ArrayList<>(request.mothers());
        Collections.reverse(otherOrder);
        assertThat(RoundPlan.of(new RoundRequest(
                                request.mostFlowers(),
                                otherOrder,
                                request.lots(),
                                crosses,
                                List.of(),
                                request.certainty(),
                                request.cleaning()))
                        .value())
                .as("whatever the order of the trees")
                .isCloseTo(plan.value(), within(1e-5));

        Stop some = plan.stops().get(random.nextInt(plan.stops().size()));
        Choice never = Choice.forbid(some.tree(), some.lot(), OptionalInt.empty());
        RoundPlan without = RoundPlan.of(request.with(List.of(never)));
        assertThat(without.stops())
                .noneMatch(s -> s.tree().equals(some.tree()) && s.lot().equals(some.lot()));
        assertThat(without.value()).isLessThanOrEqualTo(plan.value() + 1e-5);
        keepsTheLimits(request, without);
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#fewSeeds")
    void no_visit_is_left_that_is_not_worth_going(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        RoundRequest request = largeRequest(random);
        double worthGoing = 4 * random.nextDouble();

        RoundPlan plan = new WorkablePlan(tree -> 0.4, worthGoing, Set.of(), new Cancellation())
                .of(request)
                .plan();

        keepsTheLimits(request, plan);
        for (int r = 0; r < request.rounds(); r++) {
            int round = r;
            Set<LotId> collected = request.lots().stream()
                    .filter(l -> l.collecting().filter(c -> c.round() == round).isPresent())
                    .map(Lot::id)
                    .collect(Collectors.toSet());
            double fruits = plan.stops().stream()
                    .filter(s -> s.round() == round || collected.contains(s.lot()))
                    .mapToDouble(s -> 0.4 * s.full())
                    .sum();
            assertThat(fruits == 0 || fruits >= worthGoing - 1e-9)
                    .as("round %d: %s of %s", r, fruits, worthGoing)
                    .isTrue();
        }
        assertThat(new WorkablePlan(tree -> 0.4, 0, Set.of(), new Cancellation())
                        .of(request)
                        .request())
                .isSameAs(request);
        assertThat(new WorkablePlan(tree -> 0.4, 1e6, Set.of(0), new Cancellation())
                        .of(request)
                        .request()
                        .mostFlowers())
                .startsWith(request.mostFlowers().get(0));
    }

    private RoundRequest withMore(RoundRequest request, int hours, int flowers) {
        return new RoundRequest(
                request.mostFlowers().stream().map(n -> n + hours).toList(),
                request.mothers().stream()
                        .map(m -> m.with(
                                m.wanted(),
                                m.flowers().stream()
                                        .map(f -> new OpenFlowers(
                                                f.group(),
                                                f.flowers() + flowers,
                                                f.weight(),
                                                f.receptivity(),
                                                f.only()))
                                        .toList()))
                        .toList(),
                request.lots(),
                crosses,
                List.of(),
                request.certainty(),
                request.cleaning());
    }

    private static Mother motherOf(RoundRequest request, Stop stop) {
        return request.mothers().stream()
                .filter(m -> m.id().equals(stop.tree()))
                .findFirst()
                .orElseThrow();
    }

    private static Lot lotOf(RoundRequest request, Stop stop) {
        return request.lots().stream()
                .filter(l -> l.id().equals(stop.lot()))
                .findFirst()
                .orElseThrow();
    }

    /** What a flower done in a round takes of the hands of one: itself, and the male flowers for its dose. */
    private static double hands(Mother mother, Lot lot, int doneIn, int round) {
        double collecting = lot.collecting()
                .filter(c -> c.round() == round)
                .map(c -> 1 / c.dosesPerFlower())
                .orElse(0.0);
        return (doneIn == round ? mother.effort() : 0) + collecting;
    }

    /** What a plan is worth, reckoned anew from the request for every part of every stop. */
    private double recomputed(RoundRequest request, RoundPlan plan) {
        double sum = 0;
        for (Stop s : plan.stops()) {
            Lot lot = lotOf(request, s);
            for (RoundPlan.Part part : s.parts()) {
                OpenFlowers group = group(request, s, part.group());
                sum += part.flowers()
                        * (part.group().equals(AGAIN) ? PlanWeights.USUAL.repeat() : 1)
                        * group.weight()
                        * group.receptivity().get(s.round())
                        * lot.viability().get(s.round())
                        * crosses.between(s.tree(), s.lot()).compatibilityFactor()
                        * request.certainty().get(s.round());
            }
        }
        return sum;
    }

    private static OpenFlowers group(RoundRequest request, Stop stop, FlowerGroupId group) {
        return request.mothers().stream()
                .filter(m -> m.id().equals(stop.tree()))
                .flatMap(m -> m.groups().stream())
                .filter(f -> f.group().equals(group))
                .findFirst()
                .orElseThrow();
    }

    private RoundRequest randomRequest(SplittableRandom random) {
        int rounds = 1 + random.nextInt(2);
        List<Mother> mothers = new ArrayList<>();
        for (int m = 0; m < 2; m++) {
            mothers.add(mother(
                    10 + m,
                    random.nextBoolean() ? LANTERN : RIDGE,
                    REFUSES_ITSELF,
                    1,
                    m,
                    1 + random.nextInt(3),
                    hundredths(random, rounds)));
        }
        List<Lot> lots = new ArrayList<>();
        for (int l = 0; l < 2; l++) {
            lots.add(lot(
                    20 + l,
                    random.nextBoolean() ? LANTERN : RIDGE,
                    REFUSES_ITSELF,
                    random.nextInt(5),
                    hundredths(random, rounds),
                    l));
        }
        return uncertain(
                random,
                request(
                        crossed(random, mothers, lots),
                        lots,
                        random.ints(rounds, 0, 6).boxed().toList(),
                        List.of()));
    }

    /** Some of the flowers set apart for one jar each, and worth more. */
    private static List<Mother> crossed(SplittableRandom random, List<Mother> mothers, List<Lot> lots) {
        return mothers.stream()
                .map(m -> {
                    LotId only = lots.get(random.nextInt(lots.size())).id();
                    List<OpenFlowers> flowers = random.nextInt(3) == 0
                            ? FlowersToDo.reserve(m.flowers(), 1 + random.nextInt(2), Set.of(only), 2, CROSS)
                            : m.flowers();
                    // Some that are left alone, and some rounds in which nobody goes there.
                    int alone = random.nextInt(8);
                    Set<Integer> ruledOut = random.nextInt(4) == 0 ? Set.of(random.nextInt(2)) : Set.of();
                    // And some that had pollen, which may have that of one jar once more.
                    List<OpenFlowers> again = random.nextInt(3) == 0
                            ? List.of(new OpenFlowers(
                                    AGAIN, 1, 1, m.flowers().get(0).receptivity(), Optional.of(Set.of(only))))
                            : List.of();
                    return new Mother(
                            m.id(),
                            m.place(),
                            m.wanted(),
                            FlowersToDo.leaveAlone(flowers, opensIn -> alone == opensIn),
                            again,
                            ruledOut,
                            EFFORTS[random.nextInt(EFFORTS.length)]);
                })
                .toList();
    }

    /** The same with later rounds that count for less. */
    private static RoundRequest uncertain(SplittableRandom random, RoundRequest r) {
        List<Double> certainty =
                random.doubles(r.mostFlowers().size(), 0.5, 1).boxed().toList();
        return new RoundRequest(
                r.mostFlowers(),
                r.mothers(),
                someCollected(random, r),
                r.crosses(),
                r.choices(),
                certainty,
                EFFORTS[random.nextInt(EFFORTS.length)] - 0.5);
    }

    /** Some of the lots are collected in a round first: one, two or four doses from a flower. */
    private static List<Lot> someCollected(SplittableRandom random, RoundRequest r) {
        return r.lots().stream()
                .map(l -> random.nextInt(3) > 0
                        ? l
                        : new Lot(
                                l.id(),
                                l.doses(),
                                l.viability(),
                                l.useRank(),
                                l.father(),
                                Optional.of(new RoundRequest.Collecting(
                                        random.nextInt(r.mostFlowers().size()), 1 << random.nextInt(3)))))
                .toList();
    }

    RoundRequest largeRequest(SplittableRandom random) {
        int rounds = 1 + random.nextInt(5);
        List<Mother> mothers = new ArrayList<>();
        for (int m = 0; m < 12; m++) {
            partners.put(id(100 + m), partner(random.nextBoolean() ? LANTERN : RIDGE, REFUSES_ITSELF));
            List<OpenFlowers> groups = new ArrayList<>();
            for (int g = 0; g < 3; g++) {
                groups.add(OpenFlowers.ofAny(
                        "half-open " + g, random.nextInt(8), 1 + random.nextInt(2), hundredths(random, rounds)));
            }
            mothers.add(new Mother(tree(100 + m), new Place("", 1 + m / 4, m % 4), random.nextInt(15), groups));
        }
        List<Lot> lots = new ArrayList<>();
        for (int l = 0; l < 8; l++) {
            lots.add(lot(
                    200 + l,
                    l % 2 == 0 ? LANTERN : RIDGE,
                    REFUSES_ITSELF,
                    1 + random.nextInt(9),
                    hundredths(random, rounds),
                    l));
        }
        return uncertain(
                random,
                request(
                        crossed(random, mothers, lots),
                        lots,
                        random.ints(rounds, 8, 25).boxed().toList(),
                        List.of()));
    }

    private static List<Double> hundredths(SplittableRandom random, int values) {
        return random.ints(values, 1, 101).mapToObj(n -> n / 100.0).toList();
    }

    /** Every way, flower by flower. */
    private final class Trying {
        private final RoundRequest request;
        private final List<Flower> flowers = new ArrayList<>();

        private record Flower(Mother mother, OpenFlowers group) {}

        Trying(RoundRequest request) {
            this.request = request;
            request.mothers()
                    .forEach(m -> m.groups().forEach(g -> {
                        for (int i = 0; i < g.flowers(); i++) {
                            flowers.add(new Flower(m, g));
                        }
                    }));
        }

        double best() {
            int[] doses = request.lots().stream().mapToInt(Lot::doses).toArray();
            double[] most = request.mostFlowers().stream().mapToDouble(n -> n).toArray();
            return best(0, doses, most, Set.of());
        }

        private double best(int next, int[] doses, double[] most, Set<List<Object>> fathers) {
            if (next == flowers.size()) {
                return 0;
            }
            Flower flower = flowers.get(next);
            double best = best(next + 1, doses, most, fathers);
            for (int l = 0; l < doses.length; l++) {
                Lot lot = request.lots().get(l);
                boolean serves = crosses.between(flower.mother().id(), lot.id()).serves()
                        && flower.group().only().map(o -> o.contains(lot.id())).orElse(true);
                for (int r = 0; serves && doses[l] > 0 && r < most.length; r++) {
                    List<Object> father = List.of(r, lot.brush());
                    double cleaning = fathers.contains(father) ? 0 : request.cleaning();
                    double[] left = flower.mother().ruledOut().contains(r)
                            ? null
                            : after(most, flower.mother(), lot, r, cleaning);
                    if (left != null) {
                        doses[l]--;
                        double here = (flower.group().group().equals(AGAIN) ? PlanWeights.USUAL.repeat() : 1)
                                * lot.viability().get(r)
                                * flower.group().weight()
                                * flower.group().receptivity().get(r)
                                * request.certainty().get(r);
                        best = Math.max(best, here + best(next + 1, doses, left, with(fathers, father)));
                        doses[l]++;
                    }
                }
            }
            return best;
        }

        private static Set<List<Object>> with(Set<List<Object>> fathers, List<Object> father) {
            Set<List<Object>> more = new HashSet<>(fathers);
            more.add(father);
            return more;
        }

        /** The hands that are left in each round; null where they do not suffice. */
        private double[] after(double[] most, Mother mother, Lot lot, int round, double cleaning) {
            double[] left = most.clone();
            left[round] -= cleaning;
            for (int r = 0; r < left.length; r++) {
                left[r] -= hands(mother, lot, round, r);
                if (left[r] < -1e-9) {
                    return null;
                }
            }
            return left;
        }
    }

    private Mother mother(int id, VarietyId variety, CropSheet sheet, int row, int position, int flowers) {
        return mother(id, variety, sheet, row, position, flowers, List.of(1.0));
    }

    private Mother mother(
            int id, VarietyId variety, CropSheet sheet, int row, int position, int flowers, List<Double> receptivity) {
        partners.put(id(id), partner(variety, sheet));
        return new Mother(
                tree(id),
                new Place("North", row, position),
                flowers,
                List.of(OpenFlowers.ofAny("half-open", flowers, 1, receptivity)));
    }

    private Lot lot(int id, VarietyId variety, CropSheet sheet, int doses, double viability, int rank) {
        return lot(id, variety, sheet, doses, List.of(viability), rank);
    }

    private Lot lot(int id, VarietyId variety, CropSheet sheet, int doses, List<Double> viability, int rank) {
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
                        + rule.compatibilityFactor().value() + " memory, why: ");
    }
}
