package org.evenhand.core.planning;

import com.google.ortools.Loader;
import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPSolverParameters;
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
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The integer program behind a plan: whole doses of lots to groups of flowers in rounds, within the doses of each lot, the flowers of
 * each group, the flowers wanted of each tree and the flowers that can be done in each round, for the greatest sum of worths.
 *
 * <p>Solved in three steps. The relaxation to fractions is solved by column generation: only uses that its prices call for are
 * handed to GLOP. Its value bounds every plan. Then SCIP finds the best whole plan among the uses whose reduced cost does not rule
 * them out, so that what it proves holds for all. Last, among equally good plans, it prefers lots that should go first and then few
 * pairs of tree and lot. One worker, a fixed seed and limits of deterministic time: the same question has the same answer.
 */
final class AllocationProgram {
    /** Worths are whole millionths. */
    static final double SCALE = 1e6;

    /** Hands are counted in thousandths of a flower's work. */
    static final int HANDS = 1000;

    /** In no round is such a lot collected. */
    static final int IN_A_JAR = -1;

    private static final int SEED = 20;
    /** Branches that are looked into at most before the best plan so far stands, its distance from the bound beside it. */
    private static final int MOST_NODES = 2000;

    /** Good plans are found early and cuts beyond the root cost more than they bring, found by trial on invented orchards. */
    private static final String FOR_MANY = """
            limits/nodes = 300
            separating/maxrounds = 0
            separating/maxroundsroot = 5
            """;

    private static final int MANY_USES = 2000;

    private static final int MANY_WITH_CLEANING = 800;

    /** Beyond these the fathers that the relaxation settles on are taken as they are. */
    private static final int VERY_MANY_WITH_CLEANING = 30_000;

    /** Fathers settled beforehand do so many times the work that their cleaning takes; found by trial on invented orchards. */
    private static final int WORTH_CLEANING = 2;

    private static final double NEARLY = 0.005;

    private static final double NEARLY_WITH_CLEANING = 0.01;

    /** Where fathers must be cleaned for, more uses than these take too long for a proof: the relaxation's bound stands. */
    private static final int MOST_TO_PROVE = 10_000;

    private static final double PREFERENCE_TIME = 0.6;

    /** More finds nothing better among so many, found by trial on invented orchards. */
    private static final double PREFERENCE_TIME_OF_MANY = 0.02;
    /** Room for sixteen million uses; worths may then reach half a million flowers each. */
    private static final int INDEX_BITS = 24;

    /** Below a tenth of a millionth nothing is a difference. */
    private static final double TOLERANCE = 0.1;

    private final Limits limits;
    private final PossibleUses arcs;
    private final Cancellation cancellation;

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
     * @param work what can be done in each round, and what it takes
     */
    record Limits(int[] lotDoses, int[] lotRank, int[] groupFlowers, int[] groupTree, int[] treeWanted, Hands work) {}

    /**
     * Work in thousandths of an ordinary flower.
     *
     * @param most flowers of ordinary work that can be done in each round
     * @param ofGroup what a flower of each group takes
     * @param collected the round in which each lot is collected; {@link #IN_A_JAR} where it need not be
     * @param ofCollecting what collecting a dose of each lot takes
     * @param brush lots of one father have one number
     * @param cleaning what every father takes whose pollen is used in a round
     */
    record Hands(int[] most, int[] ofGroup, int[] collected, int[] ofCollecting, int[] brush, int cleaning) {

        /** What a use takes in a round: its own there, and that of collecting. */
        long of(Arc arc, int round) {
            return (arc.round() == round ? ofGroup[arc.group()] : 0)
                    + (collected[arc.lot()] == round ? ofCollecting[arc.lot()] : 0);
        }

        int leastOfGroup() {
            return Arrays.stream(ofGroup).min().orElse(1);
        }

        long mostIn(int round) {
            return (long) most[round] * HANDS;
        }

        /** Whether fathers must be counted in a round: not where hands have no end. */
        boolean counts(int round) {
            return cleaning > 0 && most[round] < RoundRequest.NO_LIMIT;
        }

        /** One number for a round and a father. */
        int father(Arc arc) {
            return arc.round() * brush.length + brush[arc.lot()];
        }
    }

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

    /** @param arcs which do not change any more */
    AllocationProgram(Limits limits, PossibleUses arcs, Cancellation cancellation) {
        this.cancellation = cancellation;
        this.limits = limits;
        this.arcs = arcs;
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
        int[] best = wholeAmong(relaxation, floors);
        long value = worth(best);
        long bound = (long) Math.floor(relaxation.value + TOLERANCE);
        if (provable() && bound - value > allowedGap(bound)) {
            // By the relaxation's own value: half a millionth less would rule out uses of the best plan.
            int[] all = relaxation.notRuledOut(relaxation.value - value);
            Whole whole = best(all, floors, best, null);
            best = worth(whole.flowers) > value ? whole.flowers : best;
            bound = Math.min(bound, whole.bound);
            value = worth(best);
        }
        int[] candidates = relaxation.notRuledOut(relaxation.value - value);
        if (candidates.length > MANY_USES) {
            candidates = relaxation.asGoodAnd(best);
        }
        return new Solution(new Preference(candidates, floors).among(best, value), value, Math.max(value, bound));
    }

    /** What a plan may be short of the bound, so that nobody waits for the last of it. */
    private double allowedGap(long bound) {
        return allowedShare() * bound;
    }

    private double allowedShare() {
        if (manyToClean()) {
            return NEARLY_WITH_CLEANING;
        }
        return arcs.size() > MANY_USES ? NEARLY : 0;
    }

    /** Whether there are too many uses to find the very best of fathers to clean for. */
    private boolean manyToClean() {
        return limits.work().cleaning() > 0 && arcs.size() > MANY_WITH_CLEANING;
    }

    private boolean provable() {
        return limits.work().cleaning() == 0 || arcs.size() <= MOST_TO_PROVE;
    }

    private int[] wholeAmong(Relaxation relaxation, List<Floor> floors) throws Impossible {
        int[] rounded = relaxation.rounded();
        if (rounded != null) {
            return rounded;
        }
        if (!manyToClean()) {
            return best(relaxation.columns(), floors, null, null).flowers;
        }
        int[] settled = best(relaxation.columns(), floors, null, relaxation.fathers(floors)).flowers;
        return arcs.size() > VERY_MANY_WITH_CLEANING
                ? settled
                : best(relaxation.columns(), floors, settled, null).flowers;
    }

    private long worth(int[] flowers) {
        long sum = 0;
        for (int a = 0; a < flowers.length; a++) {
            sum += flowers[a] * arcs.get(a).worth();
        }
        return sum;
    }

    /** What every use takes of what there is, as rows of a linear program. */
    private final class Rows {
        private final MPSolver solver;
        private final MPConstraint[] lots;
        private final MPConstraint[] groups;
        private final MPConstraint[] trees;
        private final MPConstraint[] rounds;
        /** A lot is used in a round: the cleaning of its father counts, by {@link #lotIn}. */
        private final MPConstraint[] cleaned;

        private final List<MPConstraint> floors = new ArrayList<>();
        private final Map<Integer, List<Integer>> floorsOf = new HashMap<>();

        /**
         * @param whole whether a father is used or not, and never by half
         * @param settled fathers whose cleaning is taken for granted, where that is settled already; null where it is not
         */
        Rows(MPSolver solver, List<Floor> wanted, boolean whole, @Nullable Set<Integer> settled) {
            this.solver = solver;
            lots = rows(Arrays.stream(limits.lotDoses()).asDoubleStream());
            groups = rows(Arrays.stream(limits.groupFlowers()).asDoubleStream());
            trees = rows(Arrays.stream(limits.treeWanted()).asDoubleStream());
            rounds = rows(IntStream.range(0, limits.work().most().length).mapToDouble(r -> mostIn(r, settled)));
            cleaned = new MPConstraint[limits.work().most().length * limits.lotDoses().length];
            if (settled == null) {
                countCleaning(whole);
            }
            solver.objective().setMaximization();
            // A use may stand in several floors: all rows must be there before the first variable enters them.
            for (Floor floor : wanted) {
                floor.arcs()
                        .forEach(a -> floorsOf.computeIfAbsent(a, k -> new ArrayList<>())
                                .add(floors.size()));
                floors.add(solver.makeConstraint(floor.flowers(), Double.POSITIVE_INFINITY));
            }
        }

        /** One row for each lot of a father: a sum over all his lots would let the relaxation clean by small fractions. */
        private void countCleaning(boolean whole) {
            Hands work = limits.work();
            Map<Integer, MPVariable> used = new HashMap<>();
            for (Arc arc : arcs) {
                if (cleaned[lotIn(arc)] == null && work.counts(arc.round())) {
                    MPVariable father = used.computeIfAbsent(work.father(arc), f -> {
                        MPVariable y = whole ? solver.makeIntVar(0, 1, "") : solver.makeNumVar(0, 1, "");
                        rounds[arc.round()].setCoefficient(y, (double) work.cleaning() / HANDS);
                        return y;
                    });
                    MPConstraint row = solver.makeConstraint(Double.NEGATIVE_INFINITY, 0);
                    row.setCoefficient(father, -mostOf(arc));
                    cleaned[lotIn(arc)] = row;
                }
            }
        }

        private double mostIn(int round, @Nullable Set<Integer> settled) {
            Hands work = limits.work();
            long cleaned = settled == null || !work.counts(round)
                    ? 0
                    : settled.stream()
                            .filter(f -> f / work.brush().length == round)
                            .count();
            return Math.max(0, work.most()[round] - (double) cleaned * work.cleaning() / HANDS);
        }

        private MPConstraint[] rows(DoubleStream most) {
            return most.mapToObj(m -> solver.makeConstraint(Double.NEGATIVE_INFINITY, m))
                    .toArray(MPConstraint[]::new);
        }

        MPVariable add(int a, MPVariable x) {
            Arc arc = arcs.get(a);
            solver.objective().setCoefficient(x, arc.worth());
            lots[arc.lot()].setCoefficient(x, 1);
            groups[arc.group()].setCoefficient(x, 1);
            trees[limits.groupTree()[arc.group()]].setCoefficient(x, 1);
            rounds[arc.round()].setCoefficient(x, hands(arc, arc.round()));
            MPConstraint of = cleaned[lotIn(arc)];
            if (of != null) {
                of.setCoefficient(x, 1);
            }
            int collected = limits.work().collected()[arc.lot()];
            if (collected >= 0 && collected != arc.round()) {
                rounds[collected].setCoefficient(x, hands(arc, collected));
            }
            floorsOf.getOrDefault(a, List.of()).forEach(f -> floors.get(f).setCoefficient(x, 1));
            return x;
        }

        private double hands(Arc arc, int round) {
            return (double) limits.work().of(arc, round) / HANDS;
        }

        /** The worth of a use less what it takes, at the prices of the last solution. */
        double[] reduced() {
            double[] lotPrice = prices(lots);
            double[] groupPrice = prices(groups);
            double[] treePrice = prices(trees);
            double[] roundPrice = prices(rounds);
            double[] floorPrice = prices(floors.toArray(MPConstraint[]::new));
            double[] reduced = new double[arcs.size()];
            for (int a = 0; a < reduced.length; a++) {
                Arc arc = arcs.get(a);
                reduced[a] = arc.worth()
                        - lotPrice[arc.lot()]
                        - groupPrice[arc.group()]
                        - treePrice[limits.groupTree()[arc.group()]]
                        - roundPrice[arc.round()] * hands(arc, arc.round());
                MPConstraint of = cleaned[lotIn(arc)];
                reduced[a] -= of == null ? 0 : of.dualValue();
                int collected = limits.work().collected()[arc.lot()];
                if (collected >= 0 && collected != arc.round()) {
                    reduced[a] -= roundPrice[collected] * hands(arc, collected);
                }
                for (int f : floorsOf.getOrDefault(a, List.of())) {
                    reduced[a] -= floorPrice[f];
                }
            }
            return reduced;
        }

        private static double[] prices(MPConstraint[] rows) {
            return Arrays.stream(rows).mapToDouble(MPConstraint::dualValue).toArray();
        }
    }

    /** The same in fractions, by column generation. */
    private final class Relaxation {
        private final MPSolver solver = MPSolver.createSolver("GLOP");
        private final Rows rows;
        private final MPVariable[] variables = new MPVariable[arcs.size()];
        private double[] reduced = new double[arcs.size()];
        private double value;

        Relaxation(List<Floor> wanted) {
            rows = new Rows(solver, wanted, false, null);
            wanted.forEach(floor -> floor.arcs().forEach(this::add));
        }

        private void add(int a) {
            if (variables[a] == null) {
                variables[a] = rows.add(a, solver.makeNumVar(0, Double.POSITIVE_INFINITY, ""));
            }
        }

        void solve() throws Impossible {
            promisingFirst();
            do {
                if (cancellation.solve(solver::interruptSolve, solver::solve) != MPSolver.ResultStatus.OPTIMAL) {
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
            long[] handsLeft = IntStream.range(0, limits.work().most().length)
                    .mapToLong(limits.work()::mostIn)
                    .toArray();
            for (int a : byWorth()) {
                Arc arc = arcs.get(a);
                int tree = limits.groupTree()[arc.group()];
                int flowers =
                        Math.min(Math.min(lotsLeft[arc.lot()], groupsLeft[arc.group()]), Math.min(treesLeft[tree], (int)
                                (handsLeft[arc.round()] / limits.work().of(arc, arc.round()))));
                if (flowers > 0) {
                    add(a);
                    lotsLeft[arc.lot()] -= flowers;
                    groupsLeft[arc.group()] -= flowers;
                    treesLeft[tree] -= flowers;
                    handsLeft[arc.round()] -= flowers * limits.work().of(arc, arc.round());
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
            reduced = rows.reduced();
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

        /** Fathers that the relaxation uses for enough to be worth their cleaning, and those that somebody wants. */
        Set<Integer> fathers(List<Floor> floors) {
            Hands work = limits.work();
            Map<Integer, Double> used = new HashMap<>();
            for (int a : columns()) {
                if (work.counts(arcs.get(a).round())) {
                    used.merge(
                            work.father(arcs.get(a)),
                            variables[a].solutionValue()
                                    * work.of(arcs.get(a), arcs.get(a).round()),
                            Double::sum);
                }
            }
            Set<Integer> settled = new HashSet<>();
            used.forEach((father, hands) -> {
                if (hands > WORTH_CLEANING * work.cleaning()) {
                    settled.add(father);
                }
            });
            floors.forEach(f -> f.arcs().forEach(a -> settled.add(work.father(arcs.get(a)))));
            return settled;
        }

        int[] columns() {
            return IntStream.range(0, arcs.size())
                    .filter(a -> variables[a] != null)
                    .toArray();
        }

        /** The uses of a plan and those that the prices find as good. */
        int[] asGoodAnd(int[] plan) {
            return IntStream.range(0, arcs.size())
                    .filter(a -> variables[a] != null && reduced[a] >= -TOLERANCE || plan[a] > 0)
                    .toArray();
        }

        /** Uses that a plan at most so much worse than the bound may hold. */
        int[] notRuledOut(double worse) {
            return IntStream.range(0, arcs.size())
                    .filter(a -> reduced[a] >= -worse - 2 * TOLERANCE)
                    .toArray();
        }

        /** The solution where it is whole already, else null. */
        int @Nullable [] rounded() {
            int[] whole = new int[arcs.size()];
            for (int a = 0; a < whole.length; a++) {
                double x = variables[a] == null ? 0 : variables[a].solutionValue();
                whole[a] = (int) Math.round(x);
                if (Math.abs(x - whole[a]) > 1e-6) {
                    return null;
                }
            }
            return fits(whole) ? whole : null;
        }
    }

    /** One number for a round and a lot. */
    private int lotIn(Arc arc) {
        return arc.round() * limits.lotDoses().length + arc.lot();
    }

    /** Flowers that may get pollen of a lot in a round at most. */
    private long mostOf(Arc arc) {
        Hands work = limits.work();
        int least = work.leastOfGroup();
        return Math.max(
                0,
                Math.min(
                        limits.lotDoses()[arc.lot()],
                        (work.mostIn(arc.round()) - work.cleaning()) / Math.max(1, least)));
    }

    /** Whether whole uses leave time for the cleaning between their fathers. */
    private boolean fits(int[] flowers) {
        Hands work = limits.work();
        if (work.cleaning() == 0) {
            return true;
        }
        long[] left =
                IntStream.range(0, work.most().length).mapToLong(work::mostIn).toArray();
        Set<Integer> fathers = new HashSet<>();
        for (int a = 0; a < flowers.length; a++) {
            if (flowers[a] > 0) {
                Arc arc = arcs.get(a);
                for (int r = 0; r < left.length; r++) {
                    left[r] -= flowers[a] * work.of(arc, r);
                }
                left[arc.round()] -= fathers.add(work.father(arc)) && work.counts(arc.round()) ? work.cleaning() : 0;
            }
        }
        return Arrays.stream(left).allMatch(l -> l >= 0);
    }

    /**
     * A plan in whole numbers.
     *
     * @param bound none among the same uses is worth more
     */
    private record Whole(int[] flowers, long bound) {}

    /**
     * The plan of greatest worth among some of the uses, {@code known} to begin with where there is one.
     *
     * @param settled fathers that may be used, where that is settled; what is proven then holds for plans with these only
     */
    private Whole best(int[] some, List<Floor> floors, int @Nullable [] known, @Nullable Set<Integer> settled)
            throws Impossible {
        int[] columns = settled == null
                ? some
                : Arrays.stream(some)
                        .filter(a -> !limits.work().counts(arcs.get(a).round())
                                || settled.contains(limits.work().father(arcs.get(a))))
                        .toArray();
        MPSolver mip = MPSolver.createSolver("SCIP");
        mip.setSolverSpecificParametersAsString(manyToClean() ? FOR_MANY : "limits/nodes = " + MOST_NODES);
        Rows rows = new Rows(mip, floors, true, settled);
        MPVariable[] x = new MPVariable[arcs.size()];
        for (int a : columns) {
            x[a] = rows.add(a, mip.makeIntVar(0, most(arcs.get(a)), ""));
        }
        if (known != null) {
            mip.setHint(
                    Arrays.stream(columns).mapToObj(a -> x[a]).toArray(MPVariable[]::new),
                    Arrays.stream(columns).mapToDouble(a -> known[a]).toArray());
        }
        MPSolverParameters parameters = new MPSolverParameters();
        parameters.setDoubleParam(MPSolverParameters.DoubleParam.RELATIVE_MIP_GAP, allowedShare());
        MPSolver.ResultStatus status = cancellation.solve(mip::interruptSolve, () -> mip.solve(parameters));
        if (status == MPSolver.ResultStatus.INFEASIBLE) {
            throw new Impossible();
        }
        if (status != MPSolver.ResultStatus.OPTIMAL && status != MPSolver.ResultStatus.FEASIBLE) {
            return new Whole(known == null ? new int[arcs.size()] : known, Long.MAX_VALUE);
        }
        int[] flowers = new int[arcs.size()];
        for (int a : columns) {
            flowers[a] = (int) Math.round(x[a].solutionValue());
        }
        return new Whole(
                flowers, settled == null ? (long) Math.ceil(mip.objective().bestBound() - TOLERANCE) : Long.MAX_VALUE);
    }

    private int most(Arc arc) {
        return Math.min(limits.lotDoses()[arc.lot()], limits.groupFlowers()[arc.group()]);
    }

    /** Among plans of the same worth: lots that should go first, then few pairs of lot and tree. */
    private final class Preference {
        private final int[] columns;
        private final CpModel model = new CpModel();
        private final IntVar[] variables;

        Preference(int[] columns, List<Floor> floors) {
            this.columns = columns;
            this.variables = new IntVar[arcs.size()];
            for (int a : columns) {
                variables[a] = model.newIntVar(0, most(arcs.get(a)), "x" + a);
            }
            limit(Arc::lot, limits.lotDoses());
            limit(Arc::group, limits.groupFlowers());
            limit(arc -> limits.groupTree()[arc.group()], limits.treeWanted());
            limitHands();
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

        private void limitHands() {
            Hands hands = limits.work();
            LinearExprBuilder[] work = new LinearExprBuilder[hands.most().length];
            Arrays.setAll(work, r -> LinearExpr.newBuilder());
            Map<Integer, List<IntVar>> ofFather = new TreeMap<>();
            for (int a : columns) {
                Arc arc = arcs.get(a);
                work[arc.round()].addTerm(variables[a], hands.of(arc, arc.round()));
                int collected = hands.collected()[arc.lot()];
                if (collected >= 0 && collected != arc.round()) {
                    work[collected].addTerm(variables[a], hands.of(arc, collected));
                }
                if (hands.counts(arc.round())) {
                    ofFather.computeIfAbsent(hands.father(arc), f -> new ArrayList<>())
                            .add(variables[a]);
                }
            }
            ofFather.forEach((father, uses) -> {
                BoolVar used = model.newBoolVar("");
                uses.forEach(x -> model.addEquality(x, 0).onlyEnforceIf(used.not()));
                work[father / hands.brush().length].addTerm(used, hands.cleaning());
            });
            for (int r = 0; r < work.length; r++) {
                model.addLessOrEqual(work[r].build(), hands.mostIn(r));
            }
        }

        private LinearExpr worth() {
            LinearExprBuilder sum = LinearExpr.newBuilder();
            for (int a : columns) {
                sum.addTerm(variables[a], arcs.get(a).worth());
            }
            return sum.build();
        }

        int[] among(int[] known, long value) {
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
            for (int a : columns) {
                model.addHint(variables[a], known[a]);
            }
            model.minimize(sum.build());
            CpSolver solver = new CpSolver();
            solver.getParameters()
                    .setNumWorkers(1)
                    .setRandomSeed(SEED)
                    .setMaxDeterministicTime(arcs.size() > MANY_USES ? PREFERENCE_TIME_OF_MANY : PREFERENCE_TIME);
            CpSolverStatus status = cancellation.solve(solver::stopSearch, () -> solver.solve(model));
            return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE ? flowers(solver) : known;
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
