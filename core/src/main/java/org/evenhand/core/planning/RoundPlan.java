package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.RoundRequest.Choice;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.jspecify.annotations.Nullable;

/**
 * The best use of the pollen over the coming rounds.
 *
 * <p>Each flower takes one dose. Maximises the sum over flowers of weight · receptivity · viability · worth of the cross · certainty of the round, within the
 * doses of each lot, the flowers of each group, the flowers wanted of each tree and the flowers that can be done in each round; a
 * pair that does not serve, or that somebody forbade, is never made. Among equally good plans the one that uses the lots that should
 * go first, then one with few pairs of jar and tree. Solved to a proven optimum by {@link AllocationProgram}; values are rounded to a
 * millionth of a flower.
 *
 * @param stops which jar to which tree in which round, in walking order
 * @param unserved flowers that get no pollen, and why
 * @param keptBack doses that wait for a later round
 * @param value sum of the objective: flowers weighted by how promising they are
 * @param bound no plan can be worth more than this
 */
public record RoundPlan(
        List<Stop> stops, List<Unserved> unserved, List<ReservedDoses> keptBack, double value, double bound) {

    public RoundPlan {
        stops = List.copyOf(stops);
        unserved = List.copyOf(unserved);
        keptBack = List.copyOf(keptBack);
    }

    /**
     * Of the flowers that open until a round those that no round serves, with the reason for all of their tree.
     *
     * @param request what the plan was made from
     */
    public List<Unserved> unservedUntil(RoundRequest request, int round) {
        Map<TreeId, List<Stop>> byTree = stops.stream().collect(Collectors.groupingBy(Stop::tree));
        Map<TreeId, Mother> mothers = request.mothers().stream().collect(Collectors.toMap(Mother::id, m -> m));
        return unserved.stream()
                .map(u -> {
                    Served served =
                            new Served(Require.present(mothers, u.tree()), byTree.getOrDefault(u.tree(), List.of()));
                    return new Unserved(u.tree(), Math.min(u.flowers(), served.leftUntil(round)), u.reason());
                })
                .filter(u -> u.flowers() > 0)
                .toList();
    }

    /**
     * One tree given one jar.
     *
     * @param round index of the round
     * @param flowers how many flowers
     * @param parts by what the flowers are, in the order of the request
     * @param groups the same by group of flowers
     * @param cross why this jar may serve this tree
     * @param grounds why this jar, and why now
     */
    public record Stop(
            int round,
            TreeId tree,
            LotId lot,
            int flowers,
            List<Part> parts,
            List<OfGroup> groups,
            CrossCompatibility cross,
            Grounds grounds) {
        public Stop {
            parts = List.copyOf(parts);
            groups = List.copyOf(groups);
        }

        /** Flowers weighted as in the objective. */
        public double expected() {
            return parts.stream().mapToDouble(Part::expected).sum();
        }

        /** Flowers weighted by receptivity, viability and worth of the cross only: so many full ones. */
        public double full() {
            return parts.stream().mapToDouble(Part::full).sum();
        }
    }

    /**
     * Flowers of one group.
     *
     * @param group its place among the flowers of its tree in the request; beyond the last of them those that have pollen once more
     */
    public record OfGroup(int group, int flowers) {}

    /**
     * Flowers of one kind at a stop.
     *
     * @param group what they are
     * @param expected flowers weighted as in the objective
     * @param full flowers weighted by receptivity, viability and worth of the cross only
     */
    public record Part(FlowerGroupId group, int flowers, double expected, double full) {
        Part plus(Part other) {
            return new Part(group, flowers + other.flowers, expected + other.expected, full + other.full);
        }
    }

    /**
     * Why a stop is as it is.
     *
     * @param lotsThatServe lots that could serve this tree in this round
     * @param better a lot that would be worth more here, but earns more elsewhere
     * @param canWait whether most of these flowers could still be done in a later round
     * @param wanted whether a person chose it
     */
    public record Grounds(int lotsThatServe, Optional<LotId> better, boolean canWait, boolean wanted) {}

    /** Flowers of a tree that the plan leaves, and the reason. */
    public record Unserved(TreeId tree, int flowers, Reason reason) {}

    /** Doses that are used in a later round only. */
    public record ReservedDoses(LotId lot, int doses, int round, TreeId tree) {}

    /** Why flowers are left. */
    public enum Reason {
        NO_POLLEN,
        NO_LOT_THAT_SERVES,
        /** Some would serve, but in no round in which one goes to the tree. */
        RULED_OUT,
        DOSES_RUN_OUT,
        MORE_THAN_CAN_BE_DONE
    }

    /** Whether the plan is proven to be the best. */
    public boolean proven() {
        return bound - value <= 1e-6 * Math.max(1, bound);
    }

    /**
     * Plans the rounds.
     *
     * @throws InvalidInputException when what somebody chose cannot be had; names the choice where it is a single one
     */
    public static RoundPlan of(RoundRequest request) {
        return of(request, new Cancellation());
    }

    /**
     * As {@link #of(RoundRequest)}, as long as it is wanted.
     *
     * @throws java.util.concurrent.CancellationException when it is cancelled meanwhile
     */
    public static RoundPlan of(RoundRequest request, Cancellation cancellation) {
        return new Making(request, cancellation).plan();
    }

    /** One possible use. */
    private record Use(
            Mother mother,
            OpenFlowers flowers,
            int group,
            boolean again,
            Lot lot,
            int round,
            double certainty,
            CrossCompatibility cross) {
        double expectedPerFlower() {
            return flowers.weight() * certainty * fullPerFlower();
        }

        /** In millionths of a flower, as the program counts. */
        long worth() {
            return Math.round(AllocationProgram.SCALE * expectedPerFlower());
        }

        /** What a flower promises, whatever a fruit of it is worth to the grower. */
        double fullPerFlower() {
            return (again ? PlanWeights.USUAL.repeat() : 1)
                    * flowers.receptivity().get(round)
                    * lot.viability().get(round)
                    * cross.compatibilityFactor();
        }
    }

    /** One making of a plan; used once. */
    private static final class Making {
        private final RoundRequest request;
        private final Cancellation cancellation;
        private final PossibleUses uses = new PossibleUses();
        private final List<OpenFlowers> groups = new ArrayList<>();
        /** By group: the place of its tree among the mothers. */
        private final List<Integer> groupTree = new ArrayList<>();
        /** By group: the place of its tree's first group. */
        private final List<Integer> firstOfTree = new ArrayList<>();

        private final List<Choice> forbidding;

        Making(RoundRequest request, Cancellation cancellation) {
            this.cancellation = cancellation;
            this.request = request;
            this.forbidding = request.choices().stream().filter(Choice::forbids).toList();
        }

        RoundPlan plan() {
            addUses();
            try {
                AllocationProgram.Solution solution =
                        new AllocationProgram(limits(), uses, cancellation).solve(wanted());
                return plan(solution);
            } catch (AllocationProgram.Impossible e) {
                throw new InvalidInputException(
                        "choices",
                        "ask together for more than there are doses, open flowers or hours. Remove one of them.");
            }
        }

        private void addUses() {
            for (int t = 0; t < request.mothers().size(); t++) {
                Mother mother = request.mothers().get(t);
                int first = groups.size();
                for (OpenFlowers open : mother.groups()) {
                    groups.add(open);
                    groupTree.add(t);
                    firstOfTree.add(first);
                }
            }
            for (int l = 0; l < request.lots().size(); l++) {
                int group = 0;
                for (Mother mother : request.mothers()) {
                    CrossCompatibility cross = cross(mother, request.lots().get(l));
                    for (OpenFlowers open : mother.groups()) {
                        if (cross != null && open.flowers() > 0) {
                            addRounds(l, group, cross);
                        }
                        group++;
                    }
                }
            }
        }

        /** Null where the lot does not serve the tree. */
        private @Nullable CrossCompatibility cross(Mother mother, Lot lot) {
            CrossCompatibility cross =
                    lot.doses() == 0 ? null : request.crosses().between(mother.id(), lot.id());
            return cross != null && cross.serves() ? cross : null;
        }

        private void addRounds(int lot, int group, CrossCompatibility cross) {
            for (int round = 0; round < request.rounds(); round++) {
                Use use = use(lot, group, round, cross);
                if (possible(use)) {
                    uses.add(new AllocationProgram.Arc(lot, group, round, use.worth()));
                }
            }
        }

        private boolean possible(Use use) {
            return use.worth() > 0
                    && use.flowers().receives(use.lot().id())
                    && !use.mother().ruledOut().contains(use.round())
                    && !forbidden(use);
        }

        private Use use(int lot, int group, int round, CrossCompatibility cross) {
            return new Use(
                    request.mothers().get(groupTree.get(group)),
                    groups.get(group),
                    group,
                    again(group),
                    request.lots().get(lot),
                    round,
                    request.certainty().get(round),
                    cross);
        }

        private Use use(int u) {
            AllocationProgram.Arc arc = uses.get(u);
            Mother mother = request.mothers().get(groupTree.get(arc.group()));
            Lot lot = request.lots().get(arc.lot());
            return use(arc.lot(), arc.group(), arc.round(), request.crosses().between(mother.id(), lot.id()));
        }

        /** What else could be done with the flowers of a use in its round, that use included. */
        private List<Use> besides(Use use) {
            return IntStream.range(0, request.lots().size())
                    .boxed()
                    .flatMap(l -> Stream.ofNullable(
                                    cross(use.mother(), request.lots().get(l)))
                            .map(cross -> use(l, use.group(), use.round(), cross)))
                    .filter(this::possible)
                    .toList();
        }

        /** Whether a group's flowers had pollen before. */
        private boolean again(int group) {
            Mother mother = request.mothers().get(groupTree.get(group));
            return group - firstOfTree.get(group) >= mother.flowers().size();
        }

        private boolean forbidden(Use use) {
            return !forbidding.isEmpty()
                    && forbidding.stream()
                            .anyMatch(c -> c.means(use.mother().id(), use.lot().id(), use.round()));
        }

        private AllocationProgram.Limits limits() {
            return new AllocationProgram.Limits(
                    request.lots().stream().mapToInt(Lot::doses).toArray(),
                    request.lots().stream().mapToInt(Lot::useRank).toArray(),
                    groups.stream().mapToInt(OpenFlowers::flowers).toArray(),
                    IntStream.range(0, groups.size()).map(this::wantedBy).toArray(),
                    IntStream.concat(
                                    request.mothers().stream().mapToInt(Mother::wanted),
                                    request.mothers().stream().mapToInt(m -> RoundRequest.NO_LIMIT))
                            .toArray(),
                    new AllocationProgram.Hands(
                            request.mostFlowers().stream().mapToInt(n -> n).toArray(),
                            groupTree.stream()
                                    .mapToInt(
                                            t -> hands(request.mothers().get(t).effort()))
                                    .toArray(),
                            request.lots().stream()
                                    .mapToInt(l -> l.collecting()
                                            .map(RoundRequest.Collecting::round)
                                            .orElse(AllocationProgram.IN_A_JAR))
                                    .toArray(),
                            request.lots().stream()
                                    .mapToInt(l -> l.collecting()
                                            .map(c -> hands(1 / c.dosesPerFlower()))
                                            .orElse(0))
                                    .toArray(),
                            brushes(),
                            hands(request.cleaning())));
        }

        /** Flowers that have pollen once more are wanted beside the others of their tree, as if of a tree of their own. */
        private int wantedBy(int group) {
            return groupTree.get(group) + (again(group) ? request.mothers().size() : 0);
        }

        private static int hands(double flowers) {
            return (int) Math.round(AllocationProgram.HANDS * flowers);
        }

        /** Lots that share a brush have the same number. */
        private int[] brushes() {
            Map<Object, Integer> known = new LinkedHashMap<>();
            request.lots().forEach(l -> known.putIfAbsent(l.brush(), known.size()));
            return request.lots().stream().mapToInt(l -> known.get(l.brush())).toArray();
        }

        private List<AllocationProgram.Floor> wanted() {
            List<AllocationProgram.Floor> floors = new ArrayList<>();
            for (int i = 0; i < request.choices().size(); i++) {
                Choice choice = request.choices().get(i);
                if (!choice.forbids()) {
                    List<Integer> meant = IntStream.range(0, uses.size())
                            .filter(u -> {
                                Use use = use(u);
                                return !use.again()
                                        && choice.means(
                                                use.mother().id(), use.lot().id(), use.round());
                            })
                            .boxed()
                            .toList();
                    requirePossible(i, choice, meant);
                    floors.add(new AllocationProgram.Floor(meant, choice.flowers()));
                }
            }
            return floors;
        }

        private void requirePossible(int i, Choice choice, List<Integer> meant) {
            String field = "choices[" + i + "]";
            if (meant.isEmpty()) {
                boolean contradicted = request.choices().stream()
                        .anyMatch(c -> c.forbids()
                                && c.tree().equals(choice.tree())
                                && c.lot().equals(choice.lot()));
                throw new InvalidInputException(
                        field,
                        contradicted
                                ? "is pinned and ruled out at once. Remove one of the two."
                                : "cannot be had: the jar does not serve that tree then, or no flower can use its pollen.");
            }
            int open = meant.stream()
                    .map(u -> use(u).group())
                    .distinct()
                    .mapToInt(g -> groups.get(g).flowers())
                    .sum();
            int most = Math.min(open, use(meant.get(0)).lot().doses());
            if (choice.flowers() > most) {
                throw new InvalidInputException(
                        field,
                        "asks for " + Plural.of(choice.flowers(), "flower") + ", but only " + most + " can be had.");
            }
        }

        private RoundPlan plan(AllocationProgram.Solution solution) {
            Map<List<Object>, List<Integer>> byStop = new LinkedHashMap<>();
            int[] flowers = solution.flowers();
            for (int u = 0; u < uses.size(); u++) {
                if (flowers[u] > 0) {
                    Use use = use(u);
                    byStop.computeIfAbsent(
                                    List.of(
                                            use.round(),
                                            use.mother().id(),
                                            use.lot().id()),
                                    k -> new ArrayList<>())
                            .add(u);
                }
            }
            Map<LotId, Integer> drawn = new LinkedHashMap<>();
            IntStream.range(0, uses.size())
                    .filter(u -> flowers[u] > 0)
                    .forEach(u -> drawn.merge(use(u).lot().id(), flowers[u], Integer::sum));
            List<Stop> stops =
                    byStop.values().stream().map(of -> stop(of, flowers, drawn)).toList();
            double value = stops.stream().mapToDouble(Stop::expected).sum();
            // The solver counts in millionths; what it rounded off must not look like a gap.
            boolean proven = solution.bound() <= solution.value();
            return new RoundPlan(
                    WalkingOrder.of(stops, request),
                    unserved(stops),
                    keptBack(stops),
                    value,
                    proven ? value : Math.max(value, solution.bound() / AllocationProgram.SCALE));
        }

        private Stop stop(List<Integer> of, int[] flowers, Map<LotId, Integer> drawn) {
            Map<FlowerGroupId, Part> parts = new LinkedHashMap<>();
            for (int u : of) {
                Use use = use(u);
                Part part = new Part(
                        use.flowers().group(),
                        flowers[u],
                        flowers[u] * use.expectedPerFlower(),
                        flowers[u] * use.fullPerFlower());
                parts.merge(part.group(), part, Part::plus);
            }
            Use any = use(of.get(0));
            return new Stop(
                    any.round(),
                    any.mother().id(),
                    any.lot().id(),
                    parts.values().stream().mapToInt(Part::flowers).sum(),
                    List.copyOf(parts.values()),
                    of.stream()
                            .map(u -> new OfGroup(use(u).group() - firstOfTree.get(any.group()), flowers[u]))
                            .toList(),
                    any.cross(),
                    grounds(any, of, drawn));
        }

        private Grounds grounds(Use any, List<Integer> of, Map<LotId, Integer> drawn) {
            List<Use> here = besides(any);
            Optional<LotId> better = here.stream()
                    .filter(u -> u.expectedPerFlower() > any.expectedPerFlower() + 1e-9)
                    .filter(u -> drawn.getOrDefault(u.lot().id(), 0) >= u.lot().doses())
                    .max(Comparator.comparingDouble(Use::expectedPerFlower))
                    .map(u -> u.lot().id());
            boolean canWait =
                    of.stream().map(this::use).allMatch(u -> u.flowers().canWait(u.round()));
            boolean wanted = request.choices().stream()
                    .anyMatch(c ->
                            !c.forbids() && c.means(any.mother().id(), any.lot().id(), any.round()));
            return new Grounds(here.size(), better, canWait, wanted);
        }

        private List<ReservedDoses> keptBack(List<Stop> stops) {
            return stops.stream()
                    .filter(s -> s.round() > 0)
                    .filter(s -> request.lots().stream()
                            .anyMatch(
                                    l -> l.id().equals(s.lot()) && l.viability().get(0) > 0))
                    .map(s -> new ReservedDoses(s.lot(), s.flowers(), s.round(), s.tree()))
                    .toList();
        }

        private List<Unserved> unserved(List<Stop> stops) {
            WhyUnserved why = new WhyUnserved(request, stops);
            List<Unserved> left = new ArrayList<>();
            for (Mother mother : request.mothers()) {
                int served = stops.stream()
                        .filter(s -> s.tree().equals(mother.id()))
                        .flatMap(s -> s.groups().stream())
                        .filter(g -> g.group() < mother.flowers().size())
                        .mapToInt(OfGroup::flowers)
                        .sum();
                int flowers = mother.toDo() - served;
                if (flowers > 0) {
                    left.add(new Unserved(mother.id(), flowers, why.reason(mother, r -> true)));
                }
            }
            return left;
        }
    }
}
