package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Stop;

/**
 * A request without visits that are not worth going. Solved again a few times without those that are worth less than going; what is
 * then proven is proven for the visits that are left.
 */
public final class WorkablePlan {
    private static final int MOST_TIMES_LEFT_OUT = 8;

    private final ToDoubleFunction<TreeId> fruitsPerFlower;
    private final double worthGoing;
    private final Set<Integer> needed;
    private final Cancellation cancellation;

    /**
     * @param fruitsPerFlower of a tree, fruits that a full flower gives
     * @param worthGoing fruits that a visit must let expect
     * @param needed rounds that are made whatever they are worth
     * @param cancellation stops it where the plan is not wanted any more
     */
    public WorkablePlan(
            ToDoubleFunction<TreeId> fruitsPerFlower,
            double worthGoing,
            Set<Integer> needed,
            Cancellation cancellation) {
        this.cancellation = cancellation;
        this.fruitsPerFlower = fruitsPerFlower;
        this.worthGoing = worthGoing;
        this.needed = Set.copyOf(needed);
    }

    /**
     * A request and its plan.
     *
     * @param request with the visits that are left: in the others nothing can be done
     * @param plan the plan of it
     */
    public record Workable(RoundRequest request, RoundPlan plan) {}

    /** Keeps to the request's choices. */
    public Workable of(RoundRequest request) {
        RoundRequest now = request;
        RoundPlan plan = RoundPlan.of(now, cancellation);
        for (int time = 0; time < MOST_TIMES_LEFT_OUT; time++) {
            List<Integer> idle = idle(fruits(now, plan));
            if (idle.isEmpty()) {
                break;
            }
            now = without(now, idle);
            plan = RoundPlan.of(now, cancellation);
        }
        return new Workable(now, plan);
    }

    /** Visits not worth going; of several in a row only those worth less than their neighbours, as these may take their flowers. */
    private List<Integer> idle(double[] fruits) {
        List<Integer> low = IntStream.range(0, fruits.length)
                .filter(r -> fruits[r] > 0 && fruits[r] < worthGoing && !needed.contains(r))
                .boxed()
                .toList();
        return IntStream.range(0, low.size())
                .filter(i -> (i == 0 || fruits[low.get(i)] <= fruits[low.get(i - 1)])
                        && (i == low.size() - 1 || fruits[low.get(i)] <= fruits[low.get(i + 1)]))
                .mapToObj(low::get)
                .toList();
    }

    /** Nothing is done in these rounds, nor collected. */
    private static RoundRequest without(RoundRequest request, List<Integer> rounds) {
        List<Integer> hands = new ArrayList<>(request.mostFlowers());
        rounds.forEach(r -> hands.set(r, 0));
        return request.withHands(hands)
                .withLots(request.lots().stream()
                        .map(l -> l.collecting()
                                        .filter(c -> rounds.contains(c.round()))
                                        .isPresent()
                                ? l.empty()
                                : l)
                        .toList());
    }

    private double[] fruits(RoundRequest request, RoundPlan plan) {
        double[] fruits = new double[request.rounds()];
        Map<LotId, Integer> collected = new HashMap<>();
        request.lots().forEach(l -> l.collecting().ifPresent(c -> collected.put(l.id(), c.round())));
        for (Stop stop : plan.stops()) {
            double worth = stop.full() * fruitsPerFlower.applyAsDouble(stop.tree());
            fruits[stop.round()] += worth;
            // Who only collects in a visit goes for what its pollen does later.
            Integer before = collected.get(stop.lot());
            if (before != null && before != stop.round()) {
                fruits[before] += worth;
            }
        }
        return fruits;
    }
}
