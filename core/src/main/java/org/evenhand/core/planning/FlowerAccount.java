package org.evenhand.core.planning;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Reason;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundRequest.Mother;

/**
 * What becomes of every flower of a tree that can take pollen in a round: done in it, done in a later round, kept for a cross, not
 * wanted, or lost. Each stands in one of these once, so that they add up to the flowers.
 *
 * @param flowers whole flowers that can take pollen in the round
 * @param inRound done in it
 * @param later done in later rounds, in order
 * @param forCross kept for a cross that no round of the plan serves
 * @param notWanted the tree has what it is wanted to bear, or they are left alone
 * @param lost wanted, and no round serves them
 * @param why why they are lost; empty where none is
 */
public record FlowerAccount(
        TreeId tree,
        int flowers,
        int inRound,
        List<Later> later,
        int forCross,
        int notWanted,
        int lost,
        Optional<Reason> why) {
    public FlowerAccount {
        later = List.copyOf(later);
    }

    /** Flowers that wait for a later round. */
    public record Later(int round, LotId lot, int flowers) {}

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
        int inRound = flowers
                - IntStream.of(open).map(g -> served.leftBefore(g, round + 1)).sum();
        int forCross =
                IntStream.of(open).filter(served::ofACross).map(served::left).sum();
        int leftAlone =
                IntStream.of(open).filter(served::leftAlone).map(served::left).sum();
        int left = IntStream.of(open).map(served::left).sum() - forCross - leftAlone;
        int lost = Math.min(left, unserved);
        return new FlowerAccount(
                mother.id(),
                flowers,
                inRound,
                later(open, round, stops),
                forCross,
                left - lost + leftAlone,
                lost,
                lost > 0 ? Optional.of(why.get()) : Optional.empty());
    }

    private static List<Later> later(int[] open, int round, List<Stop> stops) {
        return stops.stream()
                .filter(s -> s.round() > round)
                .map(s -> new Later(
                        s.round(),
                        s.lot(),
                        s.groups().stream()
                                .filter(g -> IntStream.of(open).anyMatch(o -> o == g.group()))
                                .mapToInt(RoundPlan.OfGroup::flowers)
                                .sum()))
                .filter(l -> l.flowers() > 0)
                .toList();
    }
}
