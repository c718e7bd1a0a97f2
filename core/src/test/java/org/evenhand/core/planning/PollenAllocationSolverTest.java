package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Plans of random orchards: within every limit, worth what they say, never worse for more of anything, the same whatever the order. */
class PollenAllocationSolverTest {
    private static final double PATIENCE = 60;
    private static final List<String> FATHERS = List.of("A", "B", "C");

    private static double share(SplittableRandom random) {
        return random.nextInt(5) == 0 ? 0 : random.nextInt(1, 11) / 10.0;
    }

    private static List<Double> shares(SplittableRandom random, int n) {
        return IntStream.range(0, n).mapToObj(i -> share(random)).toList();
    }

    /** Small, with everything in it. */
    private static PlanningProblem thrown(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int visits = random.nextInt(1, 4);
        int trees = random.nextInt(1, 5);
        List<FlowerGroup> groups = new ArrayList<>();
        for (int g = 0; g < random.nextInt(1, 6); g++) {
            groups.add(new FlowerGroup(
                    "G" + g,
                    random.nextInt(trees),
                    random.nextInt(8),
                    random.nextInt(1, 5),
                    shares(random, visits),
                    random.nextInt(5) == 0 ? Optional.of(FATHERS.get(random.nextInt(3))) : Optional.empty()));
        }
        List<PollenSupply.ToCollect> toCollect = new ArrayList<>();
        for (int s = 0; s < random.nextInt(3); s++) {
            List<List<Double>> viability = new ArrayList<>();
            for (int v = 0; v < visits; v++) {
                List<Double> row = new ArrayList<>(Collections.nCopies(visits, 0.0));
                for (int u = v; u < visits; u++) {
                    row.set(u, share(random));
                }
                viability.add(row);
            }
            int from = random.nextInt(visits);
            toCollect.add(new PollenSupply.ToCollect(
                    "S" + s,
                    FATHERS.get(random.nextInt(3)),
                    BigDecimal.valueOf(random.nextInt(3, 30), 1),
                    List.of(new PollenSupply.Batch(random.nextInt(6), from, random.nextInt(from, visits))),
                    viability));
        }
        Map<String, Map<Integer, Double>> fits = new HashMap<>();
        for (String father : FATHERS) {
            Map<Integer, Double> row = new HashMap<>();
            IntStream.range(0, trees).forEach(t -> row.put(t, share(random)));
            fits.put(father, row);
        }
        return new PlanningProblem(
                IntStream.range(0, visits)
                        .mapToObj(v -> new CandidateVisit(
                                "V" + v, BigDecimal.valueOf(random.nextInt(0, 200), 1), random.nextInt(4)))
                        .toList(),
                new Pace(
                        BigDecimal.valueOf(random.nextInt(1, 20), 1),
                        BigDecimal.valueOf(random.nextInt(20), 1),
                        BigDecimal.valueOf(random.nextInt(5))),
                IntStream.range(0, trees)
                        .mapToObj(t -> new SeedTree(
                                "T" + t,
                                random.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(random.nextInt(9))))
                        .toList(),
                groups,
                IntStream.range(0, random.nextInt(3))
                        .mapToObj(j -> new PollenSupply.OnShelf(
                                "J" + j, FATHERS.get(random.nextInt(3)), random.nextInt(9), shares(random, visits)))
                        .toList(),
                toCollect,
                fits);
    }

    private static double value(PlanningProblem problem) {
        SolvedPlan plan = PollenAllocationSolver.solve(problem, PATIENCE);
        assertThat(plan.gap()).isLessThan(1e-6);
        return plan.value();
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void a_plan_keeps_every_limit_and_is_worth_what_it_says(long seed) {
        PlanningProblem p = thrown(seed);
        SolvedPlan plan = PollenAllocationSolver.solve(p, PATIENCE);
        int[] ofGroup = new int[p.groups().size()];
        int[] ofTree = new int[p.trees().size()];
        int[] ofJar = new int[p.jars().size()];
        Map<SolvedPlan.Source, Integer> ofCollection = new HashMap<>();
        List<BigDecimal> minutes =
                new ArrayList<>(Collections.nCopies(p.visits().size(), BigDecimal.ZERO));
        List<Set<String>> fathers = p.visits().stream()
                .map(v -> (Set<String>) new HashSet<String>())
                .toList();
        double worth = 0;
        for (SolvedPlan.Pollination done : plan.pollinations()) {
            FlowerGroup group = p.groups().get(done.group());
            ofGroup[done.group()] += done.flowers();
            ofTree[group.tree()] += done.flowers();
            double viability;
            String father;
            if (done.source() instanceof SolvedPlan.Source.Jar jar) {
                ofJar[jar.jar()] += done.flowers();
                viability = p.jars().get(jar.jar()).viability().get(done.visit());
                father = p.jars().get(jar.jar()).father();
            } else {
                SolvedPlan.Source.Collected from = (SolvedPlan.Source.Collected) done.source();
                assertThat(from.visit()).isLessThanOrEqualTo(done.visit());
                ofCollection.merge(from, done.flowers(), Integer::sum);
                viability = p.toCollect()
                        .get(from.supply())
                        .viability()
                        .get(from.visit())
                        .get(done.visit());
                father = p.toCollect().get(from.supply()).father();
            }
            double each = group.weight()
                    * group.receptivity().get(done.visit())
                    * viability
                    * p.compatibility().get(father).get(group.tree());
            assertThat(each).as("nothing that is worth nothing").isPositive();
            group.reservedFor().ifPresent(only -> assertThat(father).isEqualTo(only));
            worth += each * done.flowers();
            fathers.get(done.visit()).add(father);
            add(minutes, done.visit(), p.pace().perFlower(), done.flowers());
        }
        Map<List<Integer>, Integer> ofBatch = new HashMap<>();
        Map<SolvedPlan.Source, Integer> collected = new HashMap<>();
        for (SolvedPlan.Collection c : plan.collections()) {
            PollenSupply.Batch batch = p.toCollect().get(c.supply()).batches().get(c.batch());
            assertThat(c.visit()).isBetween(batch.from(), batch.until());
            ofBatch.merge(List.of(c.supply(), c.batch()), c.flowers(), Integer::sum);
            collected.merge(new SolvedPlan.Source.Collected(c.supply(), c.visit()), c.flowers(), Integer::sum);
            add(minutes, c.visit(), p.pace().perCollectedFlower(), c.flowers());
        }
        ofBatch.forEach((batch, flowers) -> assertThat(flowers)
                .isLessThanOrEqualTo(p.toCollect()
                        .get(batch.get(0))
                        .batches()
                        .get(batch.get(1))
                        .flowers()));
        ofCollection.forEach((source, doses) -> {
            BigDecimal each = p.toCollect()
                    .get(((SolvedPlan.Source.Collected) source).supply())
                    .dosesPerFlower();
            assertThat(doses)
                    .isLessThanOrEqualTo(each.multiply(BigDecimal.valueOf(collected.getOrDefault(source, 0)))
                            .intValue());
        });
        for (int g = 0; g < ofGroup.length; g++) {
            assertThat(ofGroup[g]).isLessThanOrEqualTo(p.groups().get(g).flowers());
        }
        for (int t = 0; t < ofTree.length; t++) {
            assertThat(ofTree[t]).isLessThanOrEqualTo(p.trees().get(t).wanted().orElse(Integer.MAX_VALUE));
        }
        for (int j = 0; j < ofJar.length; j++) {
            assertThat(ofJar[j]).isLessThanOrEqualTo(p.jars().get(j).doses());
        }
        for (int v = 0; v < p.visits().size(); v++) {
            add(minutes, v, p.pace().perFather(), fathers.get(v).size());
            assertThat(minutes.get(v)).isLessThanOrEqualTo(p.visits().get(v).minutes());
            if (!plan.visitsMade().contains(v)) {
                assertThat(minutes.get(v)).isEqualByComparingTo("0");
            }
        }
        double cost = plan.visitsMade().stream()
                .mapToDouble(v -> p.visits().get(v).cost())
                .sum();
        assertThat(plan.value()).isCloseTo(worth - cost, within(1e-9)).isNotNegative();
    }

    private static void add(List<BigDecimal> minutes, int visit, BigDecimal each, int times) {
        minutes.set(visit, minutes.get(visit).add(each.multiply(BigDecimal.valueOf(times))));
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void more_flowers_pollen_or_minutes_never_make_it_worse_and_the_order_of_groups_and_jars_makes_no_difference(
            long seed) {
        PlanningProblem p = thrown(seed);
        double worth = value(p);
        List<FlowerGroup> more = p.groups().stream()
                .map(g -> new FlowerGroup(
                        g.name(), g.tree(), g.flowers() + 2, g.weight(), g.receptivity(), g.reservedFor()))
                .toList();
        List<PollenSupply.OnShelf> fuller = p.jars().stream()
                .map(j -> new PollenSupply.OnShelf(j.name(), j.father(), j.doses() + 2, j.viability()))
                .toList();
        List<CandidateVisit> longer = p.visits().stream()
                .map(v -> new CandidateVisit(v.name(), v.minutes().add(BigDecimal.TEN), v.cost()))
                .toList();
        assertThat(value(with(p, p.visits(), more, p.jars()))).isGreaterThanOrEqualTo(worth - 1e-6);
        assertThat(value(with(p, p.visits(), p.groups(), fuller))).isGreaterThanOrEqualTo(worth - 1e-6);
        assertThat(value(with(p, longer, p.groups(), p.jars()))).isGreaterThanOrEqualTo(worth - 1e-6);
        assertThat(value(with(p, p.visits(), reversed(p.groups()), reversed(p.jars()))))
                .isCloseTo(worth, within(1e-6));
        assertThat(PollenAllocationSolver.solve(p, PATIENCE))
                .as("the same question, the same answer")
                .isEqualTo(PollenAllocationSolver.solve(p, PATIENCE));
    }

    private static <T> List<T> reversed(List<T> of) {
        List<T> other = new ArrayList<>(of);
        Collections.reverse(other);
        return other;
    }

    private static PlanningProblem with(
            PlanningProblem p, List<CandidateVisit> visits, List<FlowerGroup> groups, List<PollenSupply.OnShelf> jars) {
        return new PlanningProblem(visits, p.pace(), p.trees(), groups, jars, p.toCollect(), p.compatibility());
    }

    /** Three male flowers give 2.7 doses: two whole ones; nothing can be made of the rest. */
    @Test
    void doses_of_a_collection_are_rounded_down_and_nothing_is_done_where_there_is_nothing() {
        PlanningProblem pawpaw = new PlanningProblem(
                List.of(new CandidateVisit("evening", BigDecimal.valueOf(60), 0.5)),
                new Pace(BigDecimal.ONE, BigDecimal.ONE, BigDecimal.ZERO),
                List.of(new SeedTree("T", OptionalInt.empty())),
                List.of(new FlowerGroup("G", 0, 9, 1, List.of(1.0), Optional.empty())),
                List.of(),
                List.of(new PollenSupply.ToCollect(
                        "S",
                        "A",
                        new BigDecimal("0.9"),
                        List.of(new PollenSupply.Batch(3, 0, 0)),
                        List.of(List.of(0.5)))),
                Map.of("A", Map.of(0, 1.0)));
        SolvedPlan plan = PollenAllocationSolver.solve(pawpaw, PATIENCE);
        assertThat(plan.flowers()).isEqualTo(2);
        assertThat(plan.value()).isCloseTo(0.5, within(1e-9));
        assertThat(plan.collections()).containsExactly(new SolvedPlan.Collection(0, 0, 0, 3));

        PlanningProblem nothing =
                new PlanningProblem(List.of(), pawpaw.pace(), List.of(), List.of(), List.of(), List.of(), Map.of());
        assertThat(PollenAllocationSolver.solve(nothing, PATIENCE).visitsMade()).isEmpty();
        assertThatThrownBy(() -> new PollenSupply.Batch(1, 2, 1)).hasMessageContaining("after 'until'");
        assertThatThrownBy(() -> with(pawpaw, List.of(), pawpaw.groups(), List.of()))
                .hasMessageContaining("of G has 1 numbers, but there are 0 visits");
    }
}
