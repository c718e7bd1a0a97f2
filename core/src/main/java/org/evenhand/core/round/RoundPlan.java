package org.evenhand.core.round;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.round.RoundRequest.Lot;
import org.evenhand.core.round.RoundRequest.Mother;
import org.evenhand.core.round.RoundRequest.OpenFlowers;

/**
 * The best use of the pollen at hand in one round.
 *
 * <p>Each flower takes one dose. Maximises the sum over flowers of receptivity · viability · worth of the cross, within the doses
 * of each lot, the flowers of each tree and stage and the flowers that can be done; a pair that does not serve is never made.
 * Among equally good plans the one that uses the lots that should go first, then the one with fewest pairs of jar and tree. Solved
 * to a proven optimum by OR-Tools' CP-SAT with one worker and a fixed seed, so the same question has the same answer; values are
 * rounded to a millionth of a flower.
 *
 * @param stops which jar to which tree, in walking order
 * @param unserved trees with flowers that get no pollen, and why
 * @param value sum of the objective: flowers weighted by how promising they are
 * @param bound no plan can be worth more than this
 */
public record RoundPlan(List<Stop> stops, List<Unserved> unserved, double value, double bound) {
    private static final double SCALE = 1e6;
    private static final int SEED = 20;
    private static final double SECONDS = 8;

    public RoundPlan {
        stops = List.copyOf(stops);
        unserved = List.copyOf(unserved);
    }

    /**
     * One tree given one jar.
     *
     * @param flowers how many flowers
     * @param byStage of which stages, keys in the crop sheet's order
     * @param expected flowers weighted by receptivity, viability and worth of the cross
     * @param cross why this jar may serve this tree
     */
    public record Stop(
            TreeId tree,
            LotId lot,
            int flowers,
            Map<String, Integer> byStage,
            double expected,
            CrossCompatibility cross) {}

    /** Flowers of a tree that the plan leaves, and the reason. */
    public record Unserved(TreeId tree, int flowers, Reason reason) {}

    /** Why flowers are left. */
    public enum Reason {
        NO_POLLEN,
        NO_LOT_THAT_SERVES,
        DOSES_RUN_OUT,
        MORE_THAN_CAN_BE_DONE
    }

    /** Whether the plan is proven to be the best. */
    public boolean proven() {
        return bound - value <= 1e-6 * Math.max(1, bound);
    }

    /** Plans a round. */
    public static RoundPlan of(RoundRequest request) {
        return new Solver(request).solve();
    }

    /** One possible use: flowers of one stage of one tree served from one lot. */
    private record Use(
            Mother mother, OpenFlowers flowers, Lot lot, CrossCompatibility cross, IntVar count, long worth) {
        double expectedPerFlower() {
            return flowers.receptivity() * lot.viability() * cross.worth();
        }
    }

    /** One run of the solver; used once. */
    private static final class Solver {
        private final RoundRequest request;
        private final CpModel model = new CpModel();
        private final List<Use> uses = new ArrayList<>();

        Solver(RoundRequest request) {
            this.request = request;
        }

        static {
            Loader.loadNativeLibraries();
        }

        RoundPlan solve() {
            addUses();
            if (uses.isEmpty()) {
                return plan(u -> 0, 0, 0);
            }
            addLimits();
            CpSolver first = run(worth(), true);
            long best = Math.round(first.objectiveValue());
            model.addGreaterOrEqual(worth(), best);
            CpSolver second = run(preferences(), false);
            return plan(u -> (int) second.value(u.count()), best / SCALE, first.bestObjectiveBound() / SCALE);
        }

        private void addUses() {
            for (Mother mother : request.mothers()) {
                for (Lot lot : request.lots()) {
                    CrossCompatibility cross = request.crosses().between(mother.id(), lot.id());
                    for (OpenFlowers open : mother.flowers()) {
                        long worth = Math.round(SCALE * open.receptivity() * lot.viability() * cross.worth());
                        if (cross.serves() && worth > 0 && open.flowers() > 0 && lot.doses() > 0) {
                            int most = Math.min(open.flowers(), lot.doses());
                            uses.add(new Use(
                                    mother, open, lot, cross, model.newIntVar(0, most, "use" + uses.size()), worth));
                        }
                    }
                }
            }
        }

        private void addLimits() {
            for (Mother mother : request.mothers()) {
                for (OpenFlowers open : mother.flowers()) {
                    limit(u -> u.mother() == mother && u.flowers() == open, open.flowers());
                }
            }
            for (Lot lot : request.lots()) {
                limit(u -> u.lot() == lot, lot.doses());
            }
            request.mostFlowers().ifPresent(most -> limit(u -> true, most));
        }

        private void limit(java.util.function.Predicate<Use> which, int most) {
            List<Use> chosen = uses.stream().filter(which).toList();
            if (!chosen.isEmpty()) {
                model.addLessOrEqual(
                        LinearExpr.sum(chosen.stream().map(Use::count).toArray(IntVar[]::new)), most);
            }
        }

        private LinearExpr worth() {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            uses.forEach(u -> sum.addTerm(u.count(), u.worth()));
            return sum.build();
        }

        /** Lots that should go first, and then few pairs: the pairs together weigh less than one flower. */
        private LinearExpr preferences() {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            Map<List<Object>, BoolVar> pairs = new LinkedHashMap<>();
            long flowerWeight = (long) request.mothers().size() * request.lots().size() + 1;
            for (Use use : uses) {
                sum.addTerm(use.count(), use.lot().useRank() * flowerWeight);
                BoolVar pair = pairs.computeIfAbsent(
                        List.of(use.mother().id(), use.lot().id()), key -> model.newBoolVar("pair" + key));
                model.addEquality(use.count(), 0).onlyEnforceIf(pair.not());
            }
            pairs.values().forEach(sum::add);
            return sum.build();
        }

        private CpSolver run(LinearExpr objective, boolean maximise) {
            if (maximise) {
                model.maximize(objective);
            } else {
                model.clearObjective();
                model.minimize(objective);
            }
            CpSolver solver = new CpSolver();
            solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxTimeInSeconds(SECONDS);
            CpSolverStatus status = solver.solve(model);
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                throw new IllegalStateException("The solver found no plan for the round: " + status);
            }
            return solver;
        }

        private RoundPlan plan(java.util.function.ToIntFunction<Use> count, double value, double bound) {
            Map<List<Object>, List<Use>> byPair = new LinkedHashMap<>();
            Map<TreeId, Integer> served = new LinkedHashMap<>();
            int done = 0;
            for (Use use : uses) {
                int flowers = count.applyAsInt(use);
                if (flowers > 0) {
                    byPair.computeIfAbsent(List.of(use.mother().id(), use.lot().id()), k -> new ArrayList<>())
                            .add(use);
                    served.merge(use.mother().id(), flowers, Integer::sum);
                    done += flowers;
                }
            }
            List<Stop> stops =
                    byPair.values().stream().map(pair -> stop(pair, count)).toList();
            return new RoundPlan(WalkingOrder.of(stops, request), unserved(served, done), value, bound);
        }

        private static Stop stop(List<Use> pair, java.util.function.ToIntFunction<Use> count) {
            Map<String, Integer> byStage = new LinkedHashMap<>();
            double expected = 0;
            int flowers = 0;
            for (Use use : pair) {
                int n = count.applyAsInt(use);
                byStage.put(use.flowers().stage(), n);
                expected += n * use.expectedPerFlower();
                flowers += n;
            }
            Use any = pair.get(0);
            return new Stop(any.mother().id(), any.lot().id(), flowers, byStage, expected, any.cross());
        }

        private List<Unserved> unserved(Map<TreeId, Integer> served, int done) {
            List<Unserved> left = new ArrayList<>();
            for (Mother mother : request.mothers()) {
                int flowers = mother.wanted() - served.getOrDefault(mother.id(), 0);
                if (flowers > 0) {
                    left.add(new Unserved(mother.id(), flowers, reason(mother, done)));
                }
            }
            return left;
        }

        private Reason reason(Mother mother, int done) {
            if (request.lots().stream().allMatch(l -> l.doses() == 0)) {
                return Reason.NO_POLLEN;
            }
            if (uses.stream().noneMatch(u -> u.mother() == mother)) {
                return Reason.NO_LOT_THAT_SERVES;
            }
            boolean atLimit = request.mostFlowers().isPresent()
                    && done >= request.mostFlowers().getAsInt();
            return atLimit ? Reason.MORE_THAN_CAN_BE_DONE : Reason.DOSES_RUN_OUT;
        }
    }
}
