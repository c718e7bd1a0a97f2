package org.evenhand.core.planning;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The integer program behind a plan: which visits are made, how many male flowers of each batch are collected in each, and how many
 * female flowers of each group get pollen of each source in each, for the greatest worth.
 *
 * <p>Minutes and doses a flower are turned into whole numbers of their smallest decimal, so that seven flowers of 0.1 minutes fit into
 * 0.7. Deterministic: one worker, a fixed seed and a limit in the solver's own time; the same question has the same answer.
 */
public final class PollenAllocationSolver {
    /** Worths are whole millionths of a hundredth. */
    private static final double SCALE = 1e8;

    private static final int SEED = 20;

    static {
        Loader.loadNativeLibraries();
    }

    private final PlanningProblem problem;
    private final CpModel model = new CpModel();
    private final List<Arc> arcs = new ArrayList<>();
    private final List<Collected> takings = new ArrayList<>();
    private final BoolVar[] made;

    /** A use that is worth something: flowers of a group at a visit, with pollen of a source. */
    private record Arc(int group, int visit, SolvedPlan.Source source, String father, double worth, IntVar flowers) {}

    /** Male flowers of a batch that may be collected at a visit. */
    private record Collected(int supply, int batch, int visit, IntVar flowers) {}

    private PollenAllocationSolver(PlanningProblem problem) {
        this.problem = problem;
        this.made = IntStream.range(0, problem.visits().size())
                .mapToObj(v -> model.newBoolVar(""))
                .toArray(BoolVar[]::new);
        takings();
        arcs();
    }

    /**
     * The best plan.
     *
     * @param patience most of the solver's own seconds that it may take; where they do not do the plan is the best that was found, and its
     *     bound says how much better another may be
     */
    public static SolvedPlan solve(PlanningProblem problem, double patience) {
        return new PollenAllocationSolver(problem).best(patience);
    }

    private void takings() {
        for (int s = 0; s < problem.toCollect().size(); s++) {
            PollenSupply.ToCollect supply = problem.toCollect().get(s);
            for (int b = 0; b < supply.batches().size(); b++) {
                PollenSupply.Batch batch = supply.batches().get(b);
                for (int v = batch.from(); v <= batch.until(); v++) {
                    takings.add(new Collected(s, b, v, model.newIntVar(0, batch.flowers(), "")));
                }
            }
        }
    }

    private void arcs() {
        for (int g = 0; g < problem.groups().size(); g++) {
            for (int j = 0; j < problem.jars().size(); j++) {
                PollenSupply.OnShelf jar = problem.jars().get(j);
                for (int u = 0; u < made.length; u++) {
                    arc(
                            g,
                            u,
                            new SolvedPlan.Source.Jar(j),
                            jar.father(),
                            jar.viability().get(u),
                            jar.doses());
                }
            }
            for (int s = 0; s < problem.toCollect().size(); s++) {
                PollenSupply.ToCollect supply = problem.toCollect().get(s);
                for (int v = 0; v < made.length; v++) {
                    int most = most(supply, v);
                    for (int u = v; u < made.length && most > 0; u++) {
                        double viability = supply.viability().get(v).get(u);
                        arc(g, u, new SolvedPlan.Source.Collected(s, v), supply.father(), viability, most);
                    }
                }
            }
        }
    }

    /** Doses that a collection at a visit can give at most. */
    private static int most(PollenSupply.ToCollect supply, int visit) {
        int flowers = supply.batches().stream()
                .filter(b -> b.shedsAt(visit))
                .mapToInt(PollenSupply.Batch::flowers)
                .sum();
        return supply.dosesPerFlower().multiply(BigDecimal.valueOf(flowers)).intValue();
    }

    private void arc(int group, int visit, SolvedPlan.Source source, String father, double viability, int doses) {
        FlowerGroup of = problem.groups().get(group);
        double worth = problem.worth(of, visit, father, viability);
        int most = Math.min(of.flowers(), doses);
        if (worth * SCALE >= 1 && most > 0) {
            arcs.add(new Arc(group, visit, source, father, worth, model.newIntVar(0, most, "")));
        }
    }

    private SolvedPlan best(double patience) {
        if (arcs.isEmpty()) {
            return SolvedPlan.NOTHING;
        }
        flowersAndDoses();
        minutes();
        LinearExprBuilder worth = LinearExpr.newBuilder();
        arcs.forEach(a -> worth.addTerm(a.flowers, Math.round(a.worth * SCALE)));
        for (int v = 0; v < made.length; v++) {
            worth.addTerm(made[v], -Math.round(problem.visits().get(v).cost() * SCALE));
        }
        model.maximize(worth);
        CpSolver solver = new CpSolver();
        solver.getParameters()
                .setRandomSeed(SEED)
                .setNumWorkers(1)
                .setLinearizationLevel(2)
                .setMaxDeterministicTime(patience);
        CpSolverStatus status = solver.solve(model);
        return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE
                ? read(solver)
                : SolvedPlan.NOTHING;
    }

    private void flowersAndDoses() {
        Map<SolvedPlan.Source, List<Arc>> bySource = arcs.stream().collect(Collectors.groupingBy(Arc::source));
        Map<Integer, List<Arc>> byTree = new HashMap<>();
        for (int g = 0; g < problem.groups().size(); g++) {
            int group = g;
            List<Arc> of = arcs.stream().filter(a -> a.group == group).toList();
            model.addLessOrEqual(sum(of), problem.groups().get(g).flowers());
            byTree.computeIfAbsent(problem.groups().get(g).tree(), t -> new ArrayList<>())
                    .addAll(of);
        }
        byTree.forEach((tree, of) ->
                problem.trees().get(tree).wanted().ifPresent(most -> model.addLessOrEqual(sum(of), most)));
        for (int j = 0; j < problem.jars().size(); j++) {
            model.addLessOrEqual(
                    sum(bySource.getOrDefault(new SolvedPlan.Source.Jar(j), List.of())),
                    problem.jars().get(j).doses());
        }
        Map<SolvedPlan.Source.Collected, List<Collected>> collected = new HashMap<>();
        Map<List<Integer>, List<Collected>> byBatch = new HashMap<>();
        for (Collected t : takings) {
            collected
                    .computeIfAbsent(new SolvedPlan.Source.Collected(t.supply, t.visit), k -> new ArrayList<>())
                    .add(t);
            byBatch.computeIfAbsent(List.of(t.supply, t.batch), k -> new ArrayList<>())
                    .add(t);
        }
        byBatch.forEach((batch, of) -> model.addLessOrEqual(
                LinearExpr.sum(of.stream().map(Collected::flowers).toArray(IntVar[]::new)),
                problem.toCollect()
                        .get(batch.get(0))
                        .batches()
                        .get(batch.get(1))
                        .flowers()));
        collected.forEach((source, of) -> {
            BigDecimal each = problem.toCollect().get(source.supply()).dosesPerFlower();
            int scale = Math.max(0, each.scale());
            LinearExprBuilder left = LinearExpr.newBuilder();
            long perDose = BigDecimal.TEN.pow(scale).longValueExact();
            bySource.getOrDefault(source, List.of()).forEach(a -> left.addTerm(a.flowers, perDose));
            long perFlower = each.movePointRight(scale).longValueExact();
            of.forEach(t -> left.addTerm(t.flowers, -perFlower));
            model.addLessOrEqual(left, 0);
        });
    }

    private static LinearExpr sum(List<Arc> arcs) {
        return LinearExpr.sum(arcs.stream().map(Arc::flowers).toArray(IntVar[]::new));
    }

    /** Nothing is done at a visit that is not made, and what is done fits into its minutes. */
    private void minutes() {
        Pace pace = problem.pace();
        for (int v = 0; v < made.length; v++) {
            int visit = v;
            List<Arc> here = arcs.stream().filter(a -> a.visit == visit).toList();
            List<Collected> taken =
                    takings.stream().filter(t -> t.visit == visit).toList();
            BigDecimal lasts = problem.visits().get(v).minutes();
            int scale = IntStream.of(
                            pace.perFlower().scale(),
                            pace.perCollectedFlower().scale(),
                            pace.perFather().scale(),
                            lasts.scale(),
                            0)
                    .max()
                    .orElse(0);
            LinearExprBuilder used = LinearExpr.newBuilder();
            here.forEach(a -> used.addTerm(a.flowers, whole(pace.perFlower(), scale)));
            taken.forEach(t -> used.addTerm(t.flowers, whole(pace.perCollectedFlower(), scale)));
            for (String father : new TreeSet<>(here.stream().map(Arc::father).toList())) {
                List<Arc> ofFather =
                        here.stream().filter(a -> a.father.equals(father)).toList();
                Literal uses = usedBy(ofFather, v);
                used.addTerm(uses, whole(pace.perFather(), scale));
            }
            used.addTerm(made[v], -whole(lasts, scale));
            model.addLessOrEqual(used, 0);
            for (Collected t : taken) {
                model.addLessOrEqual(
                        t.flowers,
                        LinearExpr.term(
                                made[v],
                                problem.toCollect()
                                        .get(t.supply)
                                        .batches()
                                        .get(t.batch)
                                        .flowers()));
            }
        }
    }

    /** Whether pollen of a father is used at a visit; only at one that is made. */
    private Literal usedBy(List<Arc> arcs, int visit) {
        BoolVar uses = model.newBoolVar("");
        model.addImplication(uses, made[visit]);
        for (Arc a : arcs) {
            model.addLessOrEqual(
                    a.flowers, LinearExpr.term(uses, a.flowers.getDomain().max()));
        }
        return uses;
    }

    private static long whole(BigDecimal value, int scale) {
        return value.movePointRight(scale).longValueExact();
    }

    private SolvedPlan read(CpSolver solver) {
        List<SolvedPlan.Pollination> pollinations = new ArrayList<>();
        double value = 0;
        for (Arc a : arcs) {
            int flowers = (int) solver.value(a.flowers);
            if (flowers > 0) {
                pollinations.add(new SolvedPlan.Pollination(a.group, a.source, a.visit, flowers));
                value += flowers * a.worth;
            }
        }
        List<SolvedPlan.Collection> collections = new ArrayList<>();
        for (Collected t : takings) {
            int flowers = (int) solver.value(t.flowers);
            if (flowers > 0) {
                collections.add(new SolvedPlan.Collection(t.supply, t.batch, t.visit, flowers));
            }
        }
        List<Integer> visits = new ArrayList<>();
        for (int v = 0; v < made.length; v++) {
            if (solver.booleanValue(made[v])) {
                visits.add(v);
                value -= problem.visits().get(v).cost();
            }
        }
        return new SolvedPlan(
                visits, collections, pollinations, value, Math.max(value, solver.bestObjectiveBound() / SCALE));
    }
}
