package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The plan that the pages show and the exact problem of the reference cases are one: what both can say, with jars, collecting, cleaning
 * and hours that are too short, has the same worth by either program, in sizes that nobody could try through.
 */
class TwoSolversTest {
    private static final double PATIENCE = 60;

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void both_programs_find_the_same_worth(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        RoundRequest request = inBothWords(new RoundPlanTest().largeRequest(random));

        RoundPlan plan = RoundPlan.of(request);
        SolvedPlan exact = PollenAllocationSolver.solve(problem(request), PATIENCE);

        assertThat(exact.gap()).as("the exact program is done").isLessThan(1e-6);
        assertThat(plan.value())
                .as("%d stops, cleaning %s, bound %s", plan.stops().size(), request.cleaning(), plan.bound())
                .isCloseTo(exact.value(), within(1e-4));
    }

    /** Without what only one of them knows: flowers kept for lots, work of a crop's own, more or less than one dose of a flower. */
    private static RoundRequest inBothWords(RoundRequest r) {
        List<Mother> mothers = r.mothers().stream()
                .map(m -> new Mother(
                        m.id(),
                        m.place(),
                        m.wanted(),
                        m.flowers().stream()
                                .map(f -> new OpenFlowers(
                                        f.group(), f.flowers(), f.weight(), f.receptivity(), Optional.empty()))
                                .toList(),
                        m.again().stream()
                                .map(f -> new OpenFlowers(
                                        f.group(), f.flowers(), f.weight(), f.receptivity(), Optional.empty()))
                                .toList(),
                        m.ruledOut(),
                        1))
                .toList();
        List<Lot> lots = r.lots().stream()
                .map(l -> new Lot(
                        l.id(),
                        l.doses(),
                        onceThere(l),
                        l.useRank(),
                        l.father(),
                        l.collecting().map(c -> new RoundRequest.Collecting(c.round(), 1))))
                .toList();
        return new RoundRequest(r.mostFlowers(), mothers, lots, r.crosses(), r.choices(), r.certainty(), r.cleaning());
    }

    /** Nothing is used before it is collected; to the pages that is said by whoever asks. */
    private static List<Double> onceThere(Lot lot) {
        int from = lot.collecting().map(RoundRequest.Collecting::round).orElse(0);
        return IntStream.range(0, lot.viability().size())
                .mapToObj(v -> v < from ? 0.0 : lot.viability().get(v))
                .toList();
    }

    private static PlanningProblem problem(RoundRequest r) {
        List<PollenSupply.OnShelf> jars = new ArrayList<>();
        List<PollenSupply.ToCollect> toCollect = new ArrayList<>();
        Map<String, Map<Integer, Double>> compatibility = new HashMap<>();
        for (Lot lot : r.lots()) {
            String father = lot.brush().toString();
            if (lot.collecting().isEmpty()) {
                jars.add(new PollenSupply.OnShelf(lot.id().toString(), father, lot.doses(), lot.viability()));
            } else {
                int v = lot.collecting().get().round();
                List<List<Double>> viability =
                        new ArrayList<>(Collections.nCopies(r.rounds(), Collections.nCopies(r.rounds(), 0.0)));
                // The pages may use what is collected in any visit in which it is there: it is theirs to say when that
                // is.
                viability.set(v, lot.viability());
                toCollect.add(new PollenSupply.ToCollect(
                        lot.id().toString(),
                        father,
                        BigDecimal.ONE,
                        List.of(new PollenSupply.Batch(lot.doses(), v, v)),
                        viability));
            }
            for (int t = 0; t < r.mothers().size(); t++) {
                CrossCompatibility cross =
                        r.crosses().between(r.mothers().get(t).id(), lot.id());
                if (cross.serves()) {
                    compatibility.computeIfAbsent(father, f -> new HashMap<>()).put(t, cross.compatibilityFactor());
                    compatibility.get(father).put(r.mothers().size() + t, cross.compatibilityFactor());
                }
            }
        }
        return new PlanningProblem(
                r.mostFlowers().stream()
                        .map(n -> new CandidateVisit("visit", BigDecimal.valueOf(n), 0))
                        .toList(),
                new Pace(BigDecimal.ONE, BigDecimal.ONE, BigDecimal.valueOf(r.cleaning())),
                Stream.concat(
                                r.mothers().stream()
                                        .map(m -> new SeedTree(m.id().toString(), OptionalInt.of(m.wanted()))),
                                // Flowers that had pollen are beyond those wanted: to the exact program, of another
                                // tree.
                                r.mothers().stream().map(m -> new SeedTree(m.id() + " again", OptionalInt.empty())))
                        .toList(),
                Stream.concat(
                                groups(r, 0, 1).stream(),
                                groups(r, r.mothers().size(), PlanWeights.USUAL.repeat()).stream())
                        .toList(),
                jars,
                toCollect,
                compatibility);
    }

    private static List<FlowerGroup> groups(RoundRequest r, int firstTree, double counts) {
        List<FlowerGroup> groups = new ArrayList<>();
        for (int t = 0; t < r.mothers().size(); t++) {
            Set<Integer> ruledOut = r.mothers().get(t).ruledOut();
            Mother mother = r.mothers().get(t);
            for (OpenFlowers f : firstTree == 0 ? mother.flowers() : mother.again()) {
                List<Double> receptivity = IntStream.range(0, r.rounds())
                        .mapToObj(v -> ruledOut.contains(v)
                                ? 0.0
                                : f.receptivity().get(v) * r.certainty().get(v))
                        .toList();
                groups.add(new FlowerGroup(
                        f.group().toString(),
                        firstTree + t,
                        f.flowers(),
                        counts * f.weight(),
                        receptivity,
                        Optional.empty()));
            }
        }
        return groups;
    }
}
