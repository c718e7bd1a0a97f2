package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Stop;

/**
 * A request as it can be worked: hands that collect male flowers do not pollinate meanwhile, and nobody goes for next to nothing.
 *
 * <p>Solved again a few times: first with the hands that the last solution's collecting leaves, then without visits that
 * are worth less than going. What is then proven is proven for these hands and visits.
 */
public final class WorkablePlan {
    private static final int MOST_TIMES_COLLECTING = 3;
    private static final int MOST_TIMES_LEFT_OUT = 8;

    private final List<Collected> collected;
    private final ToDoubleFunction<TreeId> fruitsPerFlower;
    private final double worthGoing;
    private final Set<Integer> needed;

    /**
     * @param collected lots that are collected in a round
     * @param fruitsPerFlower of a tree, fruits that a full flower gives
     * @param worthGoing fruits that a visit must let expect
     * @param needed rounds that are made whatever they are worth
     */
    public WorkablePlan(
            List<Collected> collected,
            ToDoubleFunction<TreeId> fruitsPerFlower,
            double worthGoing,
            Set<Integer> needed) {
        this.collected = List.copyOf(collected);
        this.fruitsPerFlower = fruitsPerFlower;
        this.worthGoing = worthGoing;
        this.needed = Set.copyOf(needed);
    }

    /** A lot that is collected in a round, and the doses that a male flower gives. */
    public record Collected(LotId lot, int round, double dosesPerFlower) {}

    /** The request with the hands that are left in each round. */
    public RoundRequest of(RoundRequest request) {
        return withoutIdleVisits(withHandsThatCollect(request));
    }

    private RoundRequest withHandsThatCollect(RoundRequest request) {
        RoundRequest now = request;
        for (int time = 0; time < MOST_TIMES_COLLECTING; time++) {
            RoundPlan plan = RoundPlan.of(now.free());
            List<Integer> left = new ArrayList<>();
            for (int r = 0; r < now.rounds(); r++) {
                int all = request.mostFlowers().get(r);
                int collecting = all == RoundRequest.NO_LIMIT ? 0 : flowersToCollect(plan, r);
                left.add(Math.min(now.mostFlowers().get(r), Math.max(0, all - collecting)));
            }
            if (left.equals(now.mostFlowers())) {
                return now;
            }
            now = now.withHands(left);
        }
        return now;
    }

    private int flowersToCollect(RoundPlan plan, int round) {
        return collected.stream()
                .filter(c -> c.round() == round)
                .mapToInt(c -> (int) Math.ceil(plan.stops().stream()
                                        .filter(s -> s.lot().equals(c.lot()))
                                        .mapToInt(Stop::flowers)
                                        .sum()
                                / c.dosesPerFlower()
                        - 1e-9))
                .sum();
    }

    private RoundRequest withoutIdleVisits(RoundRequest request) {
        RoundRequest now = request;
        for (int time = 0; time < MOST_TIMES_LEFT_OUT; time++) {
            List<Integer> idle = idle(fruits(RoundPlan.of(now.free()), now.rounds()));
            if (idle.isEmpty()) {
                return now;
            }
            now = without(now, idle);
        }
        return now;
    }

    /** Nothing is done in these rounds, nor collected. */
    private RoundRequest without(RoundRequest request, List<Integer> rounds) {
        List<Integer> hands = new ArrayList<>(request.mostFlowers());
        rounds.forEach(r -> hands.set(r, 0));
        Set<LotId> gone = collected.stream()
                .filter(c -> rounds.contains(c.round()))
                .map(Collected::lot)
                .collect(Collectors.toSet());
        return request.withHands(hands)
                .withLots(request.lots().stream()
                        .map(l -> gone.contains(l.id()) ? l.empty() : l)
                        .toList());
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

    private double[] fruits(RoundPlan plan, int rounds) {
        double[] fruits = new double[rounds];
        Set<LotId> fresh = collected.stream().map(Collected::lot).collect(Collectors.toSet());
        for (Stop stop : plan.stops()) {
            double worth = stop.full() * fruitsPerFlower.applyAsDouble(stop.tree());
            fruits[stop.round()] += worth;
            // Who only collects in a visit goes for what its pollen does later.
            if (fresh.contains(stop.lot())) {
                collected.stream()
                        .filter(c -> c.lot().equals(stop.lot()) && c.round() != stop.round())
                        .forEach(c -> fruits[c.round()] += worth);
            }
        }
        return fruits;
    }
}
