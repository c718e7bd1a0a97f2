package org.evenhand.core.planning;

import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Reason;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;

/** Why flowers of a tree get no pollen: one rule for a plan as a whole and for one of its rounds. */
final class WhyUnserved {
    private final RoundRequest request;
    private final Map<LotId, Integer> drawn;
    private final int[] hands;

    WhyUnserved(RoundRequest request, List<Stop> stops) {
        this.request = request;
        this.drawn = stops.stream().collect(Collectors.groupingBy(Stop::lot, Collectors.summingInt(Stop::flowers)));
        this.hands = request.handsTaken(stops);
    }

    /** A lot that could have served the tree in a round. */
    private record Possible(Lot lot, int round) {}

    /** @param rounds those that count */
    Reason reason(Mother mother, IntPredicate rounds) {
        if (request.lots().stream().noneMatch(l -> l.doses() > 0 && aliveIn(l, rounds))) {
            return Reason.NO_POLLEN;
        }
        List<Possible> possible = request.lots().stream()
                .filter(l -> l.doses() > 0
                        && request.crosses().between(mother.id(), l.id()).serves())
                .flatMap(l -> IntStream.range(0, request.rounds())
                        .filter(r -> rounds.test(r) && meets(mother, l, r))
                        .mapToObj(r -> new Possible(l, r)))
                .toList();
        if (possible.isEmpty()) {
            return Reason.NO_LOT_THAT_SERVES;
        }
        List<Possible> allowed = possible.stream()
                .filter(p -> !mother.ruledOut().contains(p.round()))
                .toList();
        if (allowed.isEmpty()) {
            return Reason.RULED_OUT;
        }
        boolean dosesLeft = allowed.stream()
                .anyMatch(p -> p.lot().doses() > drawn.getOrDefault(p.lot().id(), 0));
        boolean full = allowed.stream()
                .allMatch(p -> hands[p.round()] >= request.mostFlowers().get(p.round()));
        return full || dosesLeft ? Reason.MORE_THAN_CAN_BE_DONE : Reason.DOSES_RUN_OUT;
    }

    private boolean aliveIn(Lot lot, IntPredicate rounds) {
        return IntStream.range(0, request.rounds())
                .anyMatch(r -> rounds.test(r) && lot.viability().get(r) > 0);
    }

    private boolean meets(Mother mother, Lot lot, int round) {
        return lot.viability().get(round) > 0
                && request.choices().stream().noneMatch(c -> c.forbids() && c.means(mother.id(), lot.id(), round))
                && mother.flowers().stream()
                        .anyMatch(f -> f.flowers() > 0
                                && f.weight() > 0
                                && f.receives(lot.id())
                                && f.receptivity().get(round) > 0);
    }
}
