package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.core.planning.RoundPlan.Reason;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundRequest.Mother;

/**
 * What becomes of every flower of a tree that can take pollen in a round. Each has one outcome, so that they add up to the flowers.
 *
 * @param round the one that is looked at
 * @param flowers whole flowers that can take pollen in it
 * @param outcomes of all of them, planned ones first and in order of their rounds; none without flowers
 */
public record FlowerAccount(TreeId tree, int round, int flowers, List<Outcome> outcomes) {

    /** @throws IllegalStateException when a flower has no outcome, or two */
    public FlowerAccount {
        outcomes = outcomes.stream().filter(o -> o.flowers() != 0).toList();
        int sum = outcomes.stream().mapToInt(Outcome::flowers).sum();
        if (sum != flowers || outcomes.stream().anyMatch(o -> o.flowers() < 0)) {
            throw new IllegalStateException("Tree " + tree.value() + " has " + flowers + " flowers in round " + round
                    + ", but outcomes " + outcomes + ".");
        }
    }

    /** What becomes of some flowers. */
    public sealed interface Outcome permits Planned, NotPlanned {
        int flowers();
    }

    /** They get pollen of a lot in a round: the one that is looked at, or a later one. */
    public record Planned(int round, LotId lot, int flowers) implements Outcome {}

    /** They get none by the plan. */
    public sealed interface NotPlanned extends Outcome permits KeptForCross, NotWanted, Lost {}

    /** Kept for a cross that no round of the plan serves. */
    public record KeptForCross(int flowers) implements NotPlanned {}

    /** The tree has what it is wanted to bear, or they are left alone. */
    public record NotWanted(int flowers) implements NotPlanned {}

    /** Wanted, and no round serves them. */
    public record Lost(Reason reason, int flowers) implements NotPlanned {}

    /** Flowers done in the round. */
    public int inRound() {
        return sum(Planned.class, p -> p.round() == round);
    }

    /** Those that wait for later rounds, in order. */
    public List<Planned> later() {
        return of(Planned.class).filter(p -> p.round() > round).toList();
    }

    public int forCross() {
        return sum(KeptForCross.class, o -> true);
    }

    public int notWanted() {
        return sum(NotWanted.class, o -> true);
    }

    /** Those that are lost, with the reason; empty where none is. */
    public Optional<Lost> lost() {
        return of(Lost.class).findFirst();
    }

    private <T extends Outcome> Stream<T> of(Class<T> kind) {
        return outcomes.stream().filter(kind::isInstance).map(kind::cast);
    }

    private <T extends Outcome> int sum(Class<T> kind, Predicate<T> which) {
        return of(kind).filter(which).mapToInt(Outcome::flowers).sum();
    }

    /** Of all trees of a request, in its order. */
    public static List<FlowerAccount> of(RoundRequest request, RoundPlan plan, int round) {
        Map<TreeId, List<Stop>> byTree = plan.stops().stream().collect(Collectors.groupingBy(Stop::tree));
        Map<TreeId, Integer> unserved = plan.unserved().stream()
                .collect(Collectors.toMap(RoundPlan.Unserved::tree, RoundPlan.Unserved::flowers));
        WhyUnserved why = new WhyUnserved(request, plan.stops());
        return request.mothers().stream()
                .map(m -> of(
                        m,
                        round,
                        byTree.getOrDefault(m.id(), List.of()),
                        unserved.getOrDefault(m.id(), 0),
                        () -> why.reason(m, r -> r == round)))
                .toList();
    }

    /** @param unserved flowers wanted of the tree that no round serves, whenever they open */
    private static FlowerAccount of(Mother mother, int round, List<Stop> stops, int unserved, Supplier<Reason> why) {
        Served served = new Served(mother, stops);
        int[] open = served.openIn(round);
        // Those done before are past help, though still receptive.
        int flowers = IntStream.of(open).map(g -> served.leftBefore(g, round)).sum();
        int forCross =
                IntStream.of(open).filter(served::ofACross).map(served::left).sum();
        int leftAlone =
                IntStream.of(open).filter(served::leftAlone).map(served::left).sum();
        int left = IntStream.of(open).map(served::left).sum() - forCross - leftAlone;
        int lost = Math.min(left, unserved);
        List<Outcome> outcomes = new ArrayList<>(planned(open, round, stops));
        outcomes.add(new KeptForCross(forCross));
        outcomes.add(new NotWanted(left - lost + leftAlone));
        if (lost > 0) {
            outcomes.add(new Lost(why.get(), lost));
        }
        return new FlowerAccount(mother.id(), round, flowers, outcomes);
    }

    private static List<Planned> planned(int[] open, int round, List<Stop> stops) {
        return stops.stream()
                .filter(s -> s.round() >= round)
                .sorted(Comparator.comparingInt(Stop::round))
                .map(s -> new Planned(
                        s.round(),
                        s.lot(),
                        s.groups().stream()
                                .filter(g -> IntStream.of(open).anyMatch(o -> o == g.group()))
                                .mapToInt(RoundPlan.OfGroup::flowers)
                                .sum()))
                .toList();
    }
}
