package org.evenhand.core.planning;

import com.google.ortools.Loader;
import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * The integer program behind a plan: whole doses of lots to groups of flowers in rounds, within the doses of each lot, the flowers of
 * each group, the flowers wanted of each tree and the flowers that can be done in each round, for the greatest sum of worths.
 *
 * <p>Solved in three steps. The relaxation to fractions is solved by column generation: only uses that its prices call for are
 * handed to GLOP. Its value bounds every plan. Then CP-SAT finds the best whole plan among the uses whose reduced cost does not rule
 * them out, so that what it proves holds for all. Last, among equally good plans, it prefers lots that should go first and then few
 * pairs of tree and lot. One worker, a fixed seed and limits of deterministic time: the same question has the same answer.
 */
final class BestUse {
    /** Worths are whole millionths. */
    static final double SCALE = 1e6;

    private static final int SEED = 20;
    private static final double PROOF_TIME = 20;
    private static final double PREFERENCE_TIME = 0.6;
    /** Room for sixteen million uses; worths may then reach half a million flowers each. */
    private static final int INDEX_BITS = 24;

    /** Below a tenth of a millionth nothing is a difference. */
    private static final double TOLERANCE = 0.1;

    private final Limits limits;
    private final List<Arc> arcs;

    static {
        Loader.loadNativeLibraries();
    }

    /**
     * What there is.
     *
     * @param lotDoses doses of each lot
     * @param lotRank 0 for lots that should be used first, rising; lots alike may share a rank
     * @param groupFlowers flowers of each group
     * @param groupTree tree of each group
     * @param treeWanted flowers wanted of each tree
     * @param roundMost flowers that can be done in each round
     */
    record Limits(
            int[] lotDoses, int[] lotRank, int[] groupFlowers, int[] groupTree, int[] treeWanted, int[] roundMost) {}

    /**
     * A possible use: flowers of a group served from a lot in a round.
     *
     * @param worth millionths a flower, more than 0
     */
    record Arc(int lot, int group, int round, long worth) {}

    /** So many flowers of some uses at least, as a person wants it. */
    record Floor(List<Integer> arcs, int flowers) {}

    /**
     * The answer.
     *
     * @param flowers flowers of each use
     * @param value sum of worths, millionths
     * @param bound no plan is worth more, millionths
     */
    record Solution(int[] flowers, long value, long bound) {}

    /** No whole numbers satisfy what is asked for. */
    static final class Impossible extends Exception {
        private static final long serialVersionUID = 1;
    }

    BestUse(Limits limits, List<Arc> arcs) {
        this.limits = limits;
        this.arcs = List.copyOf(arcs);
    }

    Solution solve(List<Floor> floors) throws Impossible {
        if (arcs.isEmpty()) {
            if (floors.stream().anyMatch(f -> f.flowers() > 0)) {
                throw new Impossible();
            }
            return new Solution(new int[0], 0, 0);
        }
        Relaxation relaxation = new Relaxation(floors);
        relaxation.solve();
        int[] best = wholeAmong(relaxation, floors, relaxation.columns());
        long value = worth(best);
        long bound = (long) Math.floor(relaxation.value + TOLERANCE);
        if (value < bound) {
            int[] all = relaxation.notRuledOut(bound - value);
            Whole whole = new Whole(all, floors);
            best = whole.best(best);
            bound = Math.min(bound, whole.bound);
            value = worth(best);
        }
        int[] candidates = relaxation.notRuledOut(relaxation.value - value);
        return new Solution(new Whole(candidates, floors).preferred(best, value), value, Math.max(value, bound));
    }

    private int[] wholeAmong(Relaxation relaxation, List<Floor> floors, int[] columns) throws Impossible {
        int[] rounded = relaxation.rounded();
        return rounded != null ? rounded : new Whole(columns, floors).best(null);
    }

    private long worth(int[] flowers) {
        long sum = 0;
        for (int a = 0; a < flowers.length; a++) {
            sum += flowers[a] * arcs.get(a).worth();
        }
        return sum;
    }

    /** The same in fractions, by column generation. */
    private final class Relaxation {
        private final MPSolver solver = MPSolver.createSolver("GLOP");
        private final MPConstraint[] lots;
        private final MPConstraint[] groups;
        private final MPConstraint[] trees;
        private final MPConstraint[] rounds;
        private final List<MPConstraint> floors = new ArrayList<>();
        private final List<List<Integer>> floorsOf = new ArrayList<>();
        private final MPVariable[] variables = new MPVariable[arcs.size()];
        private final double[] reduced = new double[arcs.size()];
        private double value;

        Relaxation(List<Floor> wanted) {
            lots = rows(limits.lotDoses());
            groups = rows(limits.groupFlowers());
            trees = rows(limits.treeWanted());
            rounds = rows(limits.roundMost());
            solver.objective().setMaximization();
            for (int a = 0; a < arcs.size(); a++) {
                floorsOf.add(new ArrayList<>());
            }
            // A use may stand in several floors: all rows must be there before the first variable enters them.
            for (Floor floor : wanted) {
                floor.arcs().forEach(a -> floorsOf.get(a).add(floors.size()));
                floors.add(solver.makeConstraint(floor.flowers(), Double.POSITIVE_INFINITY));
            }
            wanted.forEach(floor -> floor.arcs().forEach(this::add));
        }

        private MPConstraint[] rows(int[] most) {
            return Arrays.stream(most)
                    .mapToObj(m -> solver.makeConstraint(Double.NEGATIVE_INFINITY, m))
                    .toArray(MPConstraint[]::new);
        }

        private void add(int a) {
            if (variables[a] != null) {
                return;
            }
            Arc arc = arcs.get(a);
            MPVariable x = solver.makeNumVar(0, Double.POSITIVE_INFINITY, "");
            variables[a] = x;
            solver.objective().setCoefficient(x, arc.worth());
            lots[arc.lot()].setCoefficient(x, 1);
            groups[arc.group()].setCoefficient(x, 1);
            trees[limits.groupTree()[arc.group()]].setCoefficient(x, 1);
            rounds[arc.round()].setCoefficient(x, 1);
            floorsOf.get(a).forEach(f -> floors.get(f).setCoefficient(x, 1));
        }

        void solve() throws Impossible {
            promisingFirst();
            do {
                if (solver.solve() != MPSolver.ResultStatus.OPTIMAL) {
                    throw new Impossible();
                }
                value = solver.objective().value();
            } while (price());
        }

        /** The most promising first, while there is any: a fair plan to begin with, whose prices are near the true ones. */
        private void promisingFirst() {
            int[] lotsLeft = limits.lotDoses().clone();
            int[] groupsLeft = limits.groupFlowers().clone();
            int[] treesLeft = limits.treeWanted().clone();
            int[] roundsLeft = limits.roundMost().clone();
            for (int a : byWorth()) {
                Arc arc = arcs.get(a);
                int tree = limits.groupTree()[arc.group()];
                int flowers = Math.min(
                        Math.min(lotsLeft[arc.lot()], groupsLeft[arc.group()]),
                        Math.min(treesLeft[tree], roundsLeft[arc.round()]));
                if (flowers > 0) {
                    add(a);
                    lotsLeft[arc.lot()] -= flowers;
                    groupsLeft[arc.group()] -= flowers;
                    treesLeft[tree] -= flowers;
                    roundsLeft[arc.round()] -= flowers;
                }
            }
        }

        /** Uses, the one worth most first; worth and index are packed into one number, which sorts much faster. */
        private int[] byWorth() {
            long[] packed = new long[arcs.size()];
            Arrays.setAll(packed, a -> -arcs.get(a).worth() << INDEX_BITS | a);
            Arrays.sort(packed);
            return Arrays.stream(packed)
                    .mapToInt(p -> (int) (p & (1L << INDEX_BITS) - 1))
                    .toArray();
        }

        /** Adds the uses that the prices call for; false when there are none. */
        private boolean price() {
            double[] lotPrice = prices(lots);
            double[] groupPrice = prices(groups);
            double[] treePrice = prices(trees);
            double[] roundPrice = prices(rounds);
            double[] floorPrice = prices(floors.toArray(MPConstraint[]::new));
            for (int a = 0; a < arcs.size(); a++) {
                Arc arc = arcs.get(a);
                reduced[a] = arc.worth()
                        - lotPrice[arc.lot()]
                        - groupPrice[arc.group()]
                        - treePrice[limits.groupTree()[arc.group()]]
                        - roundPrice[arc.round()];
                for (int f : floorsOf.get(a)) {
                    reduced[a] -= floorPrice[f];
                }
            }
            int[] wanted = bestOfEachPair();
            Arrays.stream(wanted).forEach(this::add);
            return wanted.length > 0;
        }

        /** Of each pair of lot and tree the use that the prices call for most. */
        private int[] bestOfEachPair() {
            Map<Long, Integer> best = new TreeMap<>();
            for (int a = 0; a < reduced.length; a++) {
                if (variables[a] == null && reduced[a] > TOLERANCE / 2) {
                    long key = (long) arcs.get(a).lot() << 16
                            | limits.groupTree()[arcs.get(a).group()];
                    Integer known = best.get(key);
                    if (known == null || reduced[a] > reduced[known]) {
                        best.put(key, a);
                    }
                }
            }
            return best.values().stream().mapToInt(a -> a).toArray();
        }

        private static double[] prices(MPConstraint[] rows) {
            return Arrays.stream(rows).mapToDouble(MPConstraint::dualValue).toArray();
        }

        int[] columns() {
            return IntStream.range(0, arcs.size())
                    .filter(a -> variables[a] != null)
                    .toArray();
        }

        /** Uses that a plan at most so much worse than the bound may hold. */
        int[] notRuledOut(double worse) {
            return IntStream.range(0, arcs.size())
                    .filter(a -> reduced[a] >= -worse - 2 * TOLERANCE)
                    .toArray();
        }

        /** The solution where it is whole already, else null. */
        int[] rounded() {
            int[] whole = new int[arcs.size()];
            for (int a = 0; a < whole.length; a++) {
                double x = variables[a] == null ? 0 : variables[a].solutionValue();
                whole[a] = (int) Math.round(x);
                if (Math.abs(x - whole[a]) > 1e-6) {
                    return null;
                }
            }
            return whole;
        }
    }

    /** The same in whole numbers, among some of the uses. */
    private final class Whole {
        private final int[] columns;
        private final CpModel model = new CpModel();
        private final IntVar[] variables;
        private long bound = Long.MAX_VALUE;

        Whole(int[] columns, List<Floor> floors) {
            this.columns = columns;
            this.variables = new IntVar[arcs.size()];
            for (int a : columns) {
                Arc arc = arcs.get(a);
                int most = Math.min(limits.lotDoses()[arc.lot()], limits.groupFlowers()[arc.group()]);
                variables[a] = model.newIntVar(0, most, "x" + a);
            }
            limit(Arc::lot, limits.lotDoses());
            limit(Arc::group, limits.groupFlowers());
            limit(arc -> limits.groupTree()[arc.group()], limits.treeWanted());
            limit(Arc::round, limits.roundMost());
            for (Floor floor : floors) {
                model.addGreaterOrEqual(
                        LinearExpr.sum(floor.arcs().stream()
                                .filter(a -> variables[a] != null)
                                .map(a -> variables[a])
                                .toArray(IntVar[]::new)),
                        floor.flowers());
            }
        }

        private void limit(java.util.function.ToIntFunction<Arc> row, int[] most) {
            Map<Integer, List<IntVar>> byRow = new HashMap<>();
            for (int a : columns) {
                byRow.computeIfAbsent(row.applyAsInt(arcs.get(a)), r -> new ArrayList<>())
                        .add(variables[a]);
            }
            byRow.forEach((r, of) -> model.addLessOrEqual(LinearExpr.sum(of.toArray(IntVar[]::new)), most[r]));
        }

        private LinearExpr worth() {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            for (int a : columns) {
                sum.addTerm(variables[a], arcs.get(a).worth());
            }
            return sum.build();
        }

        /** The plan of greatest worth, {@code known} to begin with where there is one. */
        int[] best(int[] known) throws Impossible {
            hint(known);
            model.maximize(worth());
            CpSolver solver = solver(PROOF_TIME);
            CpSolverStatus status = solver.solve(model);
            if (status == CpSolverStatus.INFEASIBLE || status == CpSolverStatus.MODEL_INVALID) {
                throw new Impossible();
            }
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                return known == null ? new int[arcs.size()] : known;
            }
            bound = (long) Math.ceil(solver.bestObjectiveBound() - TOLERANCE);
            return flowers(solver);
        }

        /** Among plans worth as much: lots that should go first, then few pairs. */
        int[] preferred(int[] known, long value) {
            model.addGreaterOrEqual(worth(), value);
            LinearExprBuilder sum = LinearExpr.newBuilder();
            Map<List<Integer>, BoolVar> pairs = new HashMap<>();
            int last = Arrays.stream(limits.lotRank()).max().orElse(0);
            long most = (long) limits.treeWanted().length * limits.lotDoses().length + 1;
            for (int a : columns) {
                Arc arc = arcs.get(a);
                sum.addTerm(variables[a], -(last - limits.lotRank()[arc.lot()] + 1) * most);
                int tree = limits.groupTree()[arc.group()];
                BoolVar pair = pairs.computeIfAbsent(List.of(tree, arc.lot()), k -> model.newBoolVar("pair" + k));
                model.addEquality(variables[a], 0).onlyEnforceIf(pair.not());
                if (known[a] > 0) {
                    model.addHint(pair, 1);
                }
            }
            pairs.values().forEach(sum::add);
            hint(known);
            model.minimize(sum.build());
            CpSolver solver = solver(PREFERENCE_TIME);
            CpSolverStatus status = solver.solve(model);
            return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE ? flowers(solver) : known;
        }

        private void hint(int[] known) {
            for (int a : columns) {
                if (known != null) {
                    model.addHint(variables[a], known[a]);
                }
            }
        }

        private static CpSolver solver(double deterministicSeconds) {
            CpSolver solver = new CpSolver();
            solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxDeterministicTime(deterministicSeconds);
            return solver;
        }

        private int[] flowers(CpSolver solver) {
            int[] flowers = new int[arcs.size()];
            for (int a : columns) {
                flowers[a] = (int) solver.value(variables[a]);
            }
            return flowers;
        }
    }
}
