package org.evenhand.verify;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.planning.CandidateVisit;
import org.evenhand.core.planning.FlowerGroup;
import org.evenhand.core.planning.Pace;
import org.evenhand.core.planning.PlanningProblem;
import org.evenhand.core.planning.PollenAllocationSolver;
import org.evenhand.core.planning.PollenSupply;
import org.evenhand.core.planning.SeedTree;
import org.evenhand.core.planning.SolvedPlan;

/** Which visits to make, what to collect in each, and which pollen goes to which flowers. */
final class VisitPlanTopic implements Topic {
    /** Seconds of the solver's own; the reference cases take far less. */
    private static final double PATIENCE = 600;

    private static final double PROVEN = 1e-4;

    @Override
    public String name() {
        return "visit-plan";
    }

    @Override
    public boolean offersSomeReadings() {
        return true;
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        for (String list : List.of("visits", "trees", "groups", "jars", "shedding")) {
            RoundPlanTopic.requireDistinct(in, list);
        }
        SolvedPlan plan = PollenAllocationSolver.solve(problem(in), PATIENCE);
        if (plan.bound() - plan.value() > PROVEN) {
            throw new InvalidInputException("plan", "is not proven: " + plan.value() + " of at most " + plan.bound());
        }
        return Optional.of(Map.of(
                "value",
                plan.value(),
                "visitsMade",
                plan.visitsMade().stream()
                        .map(v -> in.children("visits").get(v).text("id"))
                        .toList(),
                "flowers",
                plan.flowers()));
    }

    private static PlanningProblem problem(Inputs in) {
        Map<String, Integer> trees = places(in, "trees");
        Map<String, String> reserved = new HashMap<>();
        Map<String, Integer> groups = places(in, "groups");
        for (Inputs r : in.children("reserved")) {
            if (!groups.containsKey(r.text("group"))) {
                throw r.wrong("group", "names " + r.text("group") + ", which is not among groups");
            }
            if (reserved.put(r.text("group"), r.text("father")) != null) {
                throw r.wrong("group", "reserves " + r.text("group") + " twice");
            }
        }
        return new PlanningProblem(
                in.children("visits").stream()
                        .map(v -> new CandidateVisit(v.text("id"), v.decimal("minutes"), v.number("cost")))
                        .toList(),
                new Pace(
                        in.decimal("minutesPerFlower"),
                        in.decimal("minutesPerGatheredFlower"),
                        in.decimal("minutesPerFather")),
                in.children("trees").stream()
                        .map(t -> new SeedTree(
                                t.text("id"),
                                t.optionalWhole("wanted").map(OptionalInt::of).orElse(OptionalInt.empty())))
                        .toList(),
                in.children("groups").stream()
                        .map(g -> group(g, trees, reserved))
                        .toList(),
                in.children("jars").stream()
                        .map(j -> new PollenSupply.OnShelf(
                                j.text("id"), j.text("father"), j.whole("doses"), j.numbers("viability")))
                        .toList(),
                in.children("shedding").stream().map(VisitPlanTopic::toCollect).toList(),
                compatibility(in.child("compatibility"), trees));
    }

    private static Map<String, Integer> places(Inputs in, String list) {
        Map<String, Integer> places = new HashMap<>();
        IntStream.range(0, in.children(list).size())
                .forEach(i -> places.put(in.children(list).get(i).text("id"), i));
        return places;
    }

    private static FlowerGroup group(Inputs g, Map<String, Integer> trees, Map<String, String> reserved) {
        Integer tree = trees.get(g.text("tree"));
        if (tree == null) {
            throw g.wrong("tree", "names " + g.text("tree") + ", which is not among trees");
        }
        return new FlowerGroup(
                g.text("id"),
                tree,
                g.whole("flowers"),
                g.number("weight"),
                g.numbers("receptivity"),
                Optional.ofNullable(reserved.get(g.text("id"))));
    }

    private static PollenSupply.ToCollect toCollect(Inputs s) {
        return new PollenSupply.ToCollect(
                s.text("id"),
                s.text("father"),
                s.decimal("dosesPerFlower"),
                s.children("batches").stream()
                        .map(b -> new PollenSupply.Batch(b.whole("flowers"), b.whole("from"), b.whole("until")))
                        .toList(),
                s.rows("viability"));
    }

    private static Map<String, Map<Integer, Double>> compatibility(Inputs in, Map<String, Integer> trees) {
        Map<String, Map<Integer, Double>> all = new HashMap<>();
        for (String father : in.names()) {
            Map<Integer, Double> of = new HashMap<>();
            Inputs row = in.child(father);
            for (String tree : new ArrayList<>(row.names())) {
                double worth = row.number(tree);
                if (trees.containsKey(tree)) {
                    of.put(trees.get(tree), worth);
                } else if (worth < 0) {
                    throw row.wrong(tree, "is " + worth + ", below 0");
                }
            }
            all.put(father, of);
        }
        return all;
    }
}
