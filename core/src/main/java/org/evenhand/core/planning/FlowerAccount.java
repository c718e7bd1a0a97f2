package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Reason;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;

/**
 * What becomes of every flower of a tree that can take pollen in a round: done in it, done in a later round, kept for a cross, not
 * wanted, or lost. Each stands in one of these once, so that they add up to the flowers.
 *
 * @param flowers whole flowers that can take pollen in the round
 * @param inRound done in it
 * @param later done in later rounds, in order
 * @param forCross kept for a cross that no round of the plan serves
 * @param notWanted the tree has what it is wanted to bear
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
        return request.mothers().stream()
                .map(m -> new OfTree(request, plan, round, m).account())
                .toList();
    }

    private record OfTree(RoundRequest request, RoundPlan plan, int round, Mother mother) {
        FlowerAccount account() {
            int[] open = IntStream.range(0, mother.flowers().size())
                    .filter(g -> mother.flowers().get(g).receptivity().get(round) > 0)
                    .toArray();
            // Those done before are past help, though still receptive.
            int flowers = IntStream.of(open)
                    .map(g -> mother.flowers().get(g).flowers() - done(g, 0, round))
                    .sum();
            int inRound = IntStream.of(open).map(g -> done(g, round, round + 1)).sum();
            List<Later> later = later(open);
            int forCross = IntStream.of(open)
                    .filter(g -> mother.flowers().get(g).only().isPresent())
                    .map(g -> mother.flowers().get(g).flowers() - done(g, 0, request.rounds()))
                    .sum();
            int left =
                    flowers - inRound - later.stream().mapToInt(Later::flowers).sum() - forCross;
            int lost = Math.min(left, unserved());
            return new FlowerAccount(
                    mother.id(),
                    flowers,
                    inRound,
                    later,
                    forCross,
                    left - lost,
                    lost,
                    lost > 0 ? Optional.of(reason()) : Optional.empty());
        }

        private List<RoundPlan.Stop> stops() {
            return plan.stops().stream()
                    .filter(s -> s.tree().equals(mother.id()))
                    .toList();
        }

        private int done(int group, int from, int until) {
            return stops().stream()
                    .filter(s -> s.round() >= from && s.round() < until)
                    .mapToInt(s -> flowers(s, group))
                    .sum();
        }

        private static int flowers(RoundPlan.Stop stop, int group) {
            return stop.groups().stream()
                    .filter(f -> f.group() == group)
                    .mapToInt(RoundPlan.OfGroup::flowers)
                    .sum();
        }

        private List<Later> later(int[] open) {
            List<Later> later = new ArrayList<>();
            for (RoundPlan.Stop stop : stops()) {
                int of = IntStream.of(open).map(g -> flowers(stop, g)).sum();
                if (stop.round() > round && of > 0) {
                    later.add(new Later(stop.round(), stop.lot(), of));
                }
            }
            return later;
        }

        /** Flowers that are wanted of the tree and that no round serves, whenever they open. */
        private int unserved() {
            return plan.unserved().stream()
                    .filter(u -> u.tree().equals(mother.id()))
                    .mapToInt(RoundPlan.Unserved::flowers)
                    .sum();
        }

        /** Why flowers that are open in the round get nothing. */
        private Reason reason() {
            List<Lot> alive = request.lots().stream()
                    .filter(l -> l.doses() > 0 && l.viability().get(round) > 0)
                    .toList();
            if (alive.isEmpty()) {
                return Reason.NO_POLLEN;
            }
            List<Lot> serving = alive.stream().filter(this::serves).toList();
            if (serving.isEmpty()) {
                return Reason.NO_LOT_THAT_SERVES;
            }
            int done = request.handsTaken(plan.stops())[round];
            boolean dosesLeft = serving.stream().anyMatch(l -> drawn(l.id()) < l.doses());
            return dosesLeft || done >= request.mostFlowers().get(round)
                    ? Reason.MORE_THAN_CAN_BE_DONE
                    : Reason.DOSES_RUN_OUT;
        }

        private boolean serves(Lot lot) {
            return request.crosses().between(mother.id(), lot.id()).serves()
                    && mother.flowers().stream().anyMatch((OpenFlowers f) -> f.takes(lot.id()));
        }

        private int drawn(LotId lot) {
            return plan.stops().stream()
                    .filter(s -> s.lot().equals(lot))
                    .mapToInt(RoundPlan.Stop::flowers)
                    .sum();
        }
    }
}
