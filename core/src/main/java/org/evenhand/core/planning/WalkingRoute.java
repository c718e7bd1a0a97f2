package org.evenhand.core.planning;

import com.google.ortools.Loader;
import com.google.ortools.constraintsolver.Assignment;
import com.google.ortools.constraintsolver.FirstSolutionStrategy;
import com.google.ortools.constraintsolver.LocalSearchMetaheuristic;
import com.google.ortools.constraintsolver.RoutingIndexManager;
import com.google.ortools.constraintsolver.RoutingModel;
import com.google.ortools.constraintsolver.RoutingSearchParameters;
import com.google.ortools.constraintsolver.main;
import java.util.ArrayList;
import java.util.LinkedList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A short way past some trees, ending wherever the last one stands. Past few trees it is the shortest of all, found by dynamic programming
 * over the sets of trees passed so far (Held &amp; Karp 1962, J. SIAM 10:196-210); past more the routing library improves a given order
 * by guided local search. No clock stops it and nothing is drawn by lot, so the same trees have the same way.
 */
final class WalkingRoute {
    /** Ways that are looked at, for each tree and in all, before the shortest is taken; a count, not a time, so that it is the same on any machine. */
    private static final long TRIES_A_TREE = 8;

    static final long MOST_TRIES = 60;

    /** For a walk that is days off: some percent longer, a tenth of the time. */
    static final long FEW_TRIES = 20;

    /** Every try looks at pairs of stops: past hundreds of trees few are worth their time, as one walks down one row and up the next anyway. */
    private static final long MOST_PAIRS = 400_000;

    /** Stops up to which the shortest way of all is found: 14 · 14 · 2¹⁴ steps take some milliseconds. */
    static final int EXACT_UP_TO = 14;

    static {
        Loader.loadNativeLibraries();
    }

    private WalkingRoute() {}

    /**
     * Indices into {@code places} in the order of walking; never a longer way than the given order.
     *
     * @param places in an order that makes sense already
     * @param from where one stands before; empty to begin anywhere
     */
    static List<Integer> past(List<Place> places, Optional<Place> from) {
        return past(places, from, MOST_TRIES);
    }

    /**
     * As {@link #past(List, Optional)}, with a search of its own length.
     *
     * @param mostTries ways looked at, at most; {@link #FEW_TRIES} where nobody walks yet
     */
    static List<Integer> past(List<Place> places, Optional<Place> from, long mostTries) {
        int n = places.size();
        List<Integer> given = IntStream.range(0, n).boxed().toList();
        if (n < 2 || (n == 2 && from.isEmpty())) {
            return given;
        }
        long[][] steps = steps(places, from);
        if (n <= EXACT_UP_TO) {
            return shortest(steps, n);
        }
        long tries = Math.min(Math.min(mostTries, TRIES_A_TREE * n), MOST_PAIRS / ((long) n * n));
        if (tries < 2) {
            return given;
        }
        RoutingIndexManager indices = new RoutingIndexManager(n + 1, 1, n);
        RoutingModel model = new RoutingModel(indices);
        model.setArcCostEvaluatorOfAllVehicles(model.registerTransitMatrix(steps));
        RoutingSearchParameters search = main.defaultRoutingSearchParameters().toBuilder()
                .setFirstSolutionStrategy(FirstSolutionStrategy.Value.PATH_CHEAPEST_ARC)
                .setLocalSearchMetaheuristic(LocalSearchMetaheuristic.Value.GUIDED_LOCAL_SEARCH)
                .setSolutionLimit(tries)
                .build();
        model.closeModelWithParameters(search);
        Assignment start = model.readAssignmentFromRoutes(
                new long[][] {given.stream().mapToLong(indices::nodeToIndex).toArray()}, true);
        Assignment best = model.solveFromAssignmentWithParameters(start, search);
        return best == null ? given : walked(model, indices, best);
    }

    /** Length of a way in the units of {@link Place#stepsTo}. */
    static long length(List<Place> route, Optional<Place> from) {
        if (route.isEmpty()) {
            return 0;
        }
        long sum = 0;
        Place standing = from.orElse(route.get(0));
        for (Place next : route) {
            sum += standing.stepsTo(next);
            standing = next;
        }
        return sum;
    }

    /** Shortest length past each set of trees that ends at each of them, from small sets to large ones; of equal ones that of the given order. */
    private static List<Integer> shortest(long[][] steps, int n) {
        long[][] best = new long[1 << n][n];
        int[][] before = new int[1 << n][n];
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                if ((set >> last & 1) == 1) {
                    extend(steps, best, before, set, last, n);
                }
            }
        }
        int set = (1 << n) - 1;
        int last = 0;
        for (int end = 1; end < n; end++) {
            last = best[set][end] <= best[set][last] ? end : last;
        }
        LinkedList<Integer> route = new LinkedList<>();
        while (set != 0) {
            route.addFirst(last);
            int earlier = before[set][last];
            set &= ~(1 << last);
            last = earlier;
        }
        return List.copyOf(route);
    }

    private static void extend(long[][] steps, long[][] best, int[][] before, int set, int last, int n) {
        int rest = set & ~(1 << last);
        if (rest == 0) {
            best[set][last] = steps[n][last];
            return;
        }
        best[set][last] = Long.MAX_VALUE;
        for (int earlier = 0; earlier < n; earlier++) {
            if ((rest >> earlier & 1) == 1 && best[rest][earlier] + steps[earlier][last] <= best[set][last]) {
                best[set][last] = best[rest][earlier] + steps[earlier][last];
                before[set][last] = earlier;
            }
        }
    }

    private static List<Integer> walked(RoutingModel model, RoutingIndexManager indices, Assignment best) {
        List<Integer> order = new ArrayList<>();
        long at = best.value(model.nextVar(model.start(0)));
        while (!model.isEnd(at)) {
            order.add(indices.indexToNode(at));
            at = best.value(model.nextVar(at));
        }
        return order;
    }

    /** Between any two trees; the last row and column stand for where one comes from and for the end, which costs nothing. */
    private static long[][] steps(List<Place> places, Optional<Place> from) {
        int n = places.size();
        long[][] steps = new long[n + 1][n + 1];
        for (int i = 0; i < n; i++) {
            Place here = places.get(i);
            for (int j = 0; j < n; j++) {
                steps[i][j] = here.stepsTo(places.get(j));
            }
            steps[n][i] = from.map(f -> f.stepsTo(here)).orElse(0L);
        }
        return steps;
    }
}
