package org.evenhand.core.planning;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.mating.CrossCompatibility;

/**
 * What the coming rounds have to work with.
 *
 * @param mostFlowers flowers that can be done in each round, male flowers collected included, in order of time; as many entries as rounds, at least one
 * @param mothers trees with flowers that can take pollen in some round
 * @param lots pollen at hand, or to be collected
 * @param crosses which jar serves which tree
 * @param choices what a person has decided beforehand
 * @param certainty what a flower counts for in each round, as weather and plans change until then: more than 0, at most 1
 * @param cleaning flowers that could be done in the time it takes to clean, and to take up the pollen of another father; of every
 *     father whose pollen is used in a round, 0 or more
 */
public record RoundRequest(
        List<Integer> mostFlowers,
        List<Mother> mothers,
        List<Lot> lots,
        Crosses crosses,
        List<Choice> choices,
        List<Double> certainty,
        double cleaning) {
    /** No limit to the flowers that can be done. */
    public static final int NO_LIMIT = 1_000_000;

    /** Every round as certain as the first. */
    public RoundRequest(
            List<Integer> mostFlowers, List<Mother> mothers, List<Lot> lots, Crosses crosses, List<Choice> choices) {
        this(mostFlowers, mothers, lots, crosses, choices, Collections.nCopies(mostFlowers.size(), 1.0));
    }

    /** Without any time for cleaning. */
    public RoundRequest(
            List<Integer> mostFlowers,
            List<Mother> mothers,
            List<Lot> lots,
            Crosses crosses,
            List<Choice> choices,
            List<Double> certainty) {
        this(mostFlowers, mothers, lots, crosses, choices, certainty, 0);
    }

    public RoundRequest {
        mostFlowers = List.copyOf(mostFlowers);
        mothers = List.copyOf(mothers);
        lots = List.copyOf(lots);
        choices = List.copyOf(choices);
        certainty = List.copyOf(certainty);
        Require.within("cleaning", cleaning, 0, 10_000);
        Require.within("rounds", mostFlowers.size(), 1, 60);
        mostFlowers.forEach(n -> Require.within("mostFlowers", n, 0, NO_LIMIT));
        int rounds = mostFlowers.size();
        mothers.forEach(m -> m.groups().forEach(f -> requireRounds("receptivity", f.receptivity(), rounds)));
        lots.forEach(l -> requireRounds("viability", l.viability(), rounds));
        requireRounds("certainty", certainty, rounds);
        certainty.forEach(c -> Require.within("certainty", Require.positive("certainty", c), 0, 1));
    }

    private static void requireRounds(String field, List<Double> values, int rounds) {
        if (values.size() != rounds) {
            throw new InvalidInputException(
                    field, "has " + values.size() + " values for " + rounds + " rounds; give one for each.");
        }
    }

    int rounds() {
        return mostFlowers.size();
    }

    /** Hands that each round takes, in flowers of ordinary work, rounded up: flowers, male flowers collected, and cleaning. */
    int[] handsTaken(List<RoundPlan.Stop> stops) {
        double[] taken = new double[rounds()];
        Map<LotId, Lot> byId = lots.stream().collect(Collectors.toMap(Lot::id, Function.identity()));
        Map<TreeId, Double> effort = mothers.stream().collect(Collectors.toMap(Mother::id, Mother::effort));
        Set<List<Object>> fathers = new HashSet<>();
        for (RoundPlan.Stop stop : stops) {
            Lot lot = Require.present(byId, stop.lot());
            taken[stop.round()] += stop.flowers() * Require.present(effort, stop.tree());
            lot.collecting().ifPresent(c -> taken[c.round()] += stop.flowers() / c.dosesPerFlower());
            if (fathers.add(List.of(stop.round(), lot.brush()))) {
                taken[stop.round()] += cleaning;
            }
        }
        return Arrays.stream(taken).mapToInt(t -> (int) Math.ceil(t - 1e-6)).toArray();
    }

    /** The same with other choices. */
    public RoundRequest with(List<Choice> others) {
        return new RoundRequest(mostFlowers, mothers, lots, crosses, others, certainty, cleaning);
    }

    /** The same with other hands. */
    RoundRequest withHands(List<Integer> hands) {
        return new RoundRequest(hands, mothers, lots, crosses, choices, certainty, cleaning);
    }

    /** The same with other pollen. */
    RoundRequest withLots(List<Lot> others) {
        return new RoundRequest(mostFlowers, mothers, others, crosses, choices, certainty, cleaning);
    }

    /** Which jar serves which tree. */
    @FunctionalInterface
    public interface Crosses {
        CrossCompatibility between(TreeId tree, LotId lot);
    }

    /**
     * A tree whose flowers want pollen.
     *
     * @param wanted flowers to be done at most in all rounds together
     * @param flowers flowers still to be done, in groups that open together
     * @param again flowers that had pollen already and may have it once more: beyond those wanted, each counts for {@link
     *     PlanWeights#repeat} of one that had none
     * @param ruledOut rounds in which nobody goes to it
     * @param effort hands that a flower takes, 1 for ordinary work
     */
    public record Mother(
            TreeId id,
            Place place,
            int wanted,
            List<OpenFlowers> flowers,
            List<OpenFlowers> again,
            Set<Integer> ruledOut,
            double effort) {
        /** Somebody may go to it in every round, its flowers are ordinary work, and none had pollen before. */
        public Mother(TreeId id, Place place, int wanted, List<OpenFlowers> flowers) {
            this(id, place, wanted, flowers, List.of(), Set.of(), 1);
        }

        public Mother {
            Require.within("wanted", wanted, 0, NO_LIMIT);
            flowers = List.copyOf(flowers);
            again = List.copyOf(again);
            ruledOut = Set.copyOf(ruledOut);
            Require.within("effort", Require.positive("effort", effort), 0, 1000);
        }

        /** The same with other flowers, of which so many are wanted. */
        public Mother with(int otherWanted, List<OpenFlowers> others) {
            return new Mother(id, place, otherWanted, others, again, ruledOut, effort);
        }

        /** The same with flowers that may have pollen once more. */
        public Mother withAgain(List<OpenFlowers> onceMore) {
            return new Mother(id, place, wanted, flowers, onceMore, ruledOut, effort);
        }

        /** All groups: first those without pollen, then those that had it. */
        List<OpenFlowers> groups() {
            return Stream.concat(flowers.stream(), again.stream()).toList();
        }

        /** Flowers that there will be, wanted or not. */
        public int open() {
            return flowers.stream().mapToInt(OpenFlowers::flowers).sum();
        }

        /** Flowers that count for nothing are wanted by nobody. */
        int toDo() {
            return Math.min(
                    wanted,
                    flowers.stream()
                            .filter(f -> f.weight() > 0)
                            .mapToInt(OpenFlowers::flowers)
                            .sum());
        }
    }

    /**
     * Flowers that begin to take pollen by the same round.
     *
     * @param group what they are; of ordinary ones the stage at that round
     * @param flowers how many, 0 or more
     * @param weight what a fruit of theirs is worth to the grower against others, usually 1
     * @param receptivity expected share of full receptivity at each round, 0 to 1; 0 before they open and once they are past
     * @param only the lots that alone may serve them, as where a cross is made; empty when every lot may that serves the tree
     */
    public record OpenFlowers(
            FlowerGroupId group, int flowers, double weight, List<Double> receptivity, Optional<Set<LotId>> only) {
        public OpenFlowers {
            only = only.map(Set::copyOf);
            Require.within("flowers", flowers, 0, NO_LIMIT);
            Require.within("weight", weight, 0, 1000);
            receptivity = List.copyOf(receptivity);
            receptivity.forEach(r -> Require.within("receptivity", r, 0, 1));
        }

        /** Flowers that any lot may serve which serves their tree. */
        public static OpenFlowers ofAny(String stage, int flowers, double weight, List<Double> receptivity) {
            return new OpenFlowers(new FlowerGroupId.OfStage(stage), flowers, weight, receptivity, Optional.empty());
        }

        boolean receives(LotId lot) {
            return only.isEmpty() || only.get().contains(lot);
        }

        /** Whether another round than this one finds them at least half as receptive, later on. */
        boolean canWait(int round) {
            return receptivity.subList(round + 1, receptivity.size()).stream()
                    .anyMatch(r -> r >= receptivity.get(round) / 2);
        }
    }

    /**
     * Pollen at hand, or to be collected.
     *
     * @param doses whole doses, 0 or more
     * @param viability estimated share of living grains at each round, 0 to 1; 0 at rounds where it is not there
     * @param useRank 0 for the lots that should be used first, rising; lots alike may share a rank
     * @param father what lots of one pollen parent share, so that they are walked without cleaning in between; empty for a lot
     *     that shares its brush with no other, as a blend
     * @param collecting where it must be collected first; empty for what is in a jar
     */
    public record Lot(
            LotId id,
            int doses,
            List<Double> viability,
            int useRank,
            Optional<VarietyId> father,
            Optional<Collecting> collecting) {
        /** What is in a jar of one father, or of several where that is empty. */
        public Lot(LotId id, int doses, List<Double> viability, int useRank, Optional<VarietyId> father) {
            this(id, doses, viability, useRank, father, Optional.empty());
        }

        /** A lot that shares its brush with no other. */
        public Lot(LotId id, int doses, List<Double> viability, int useRank) {
            this(id, doses, viability, useRank, Optional.empty());
        }

        public Lot {
            Require.within("doses", doses, 0, 10_000_000);
            viability = List.copyOf(viability);
            viability.forEach(v -> Require.within("viability", v, 0, 1));
            Require.within("useRank", useRank, 0, 100_000);
        }

        /** What shares a brush with it: its father, or only itself. */
        Object brush() {
            return father.<Object>map(f -> f).orElse(id);
        }

        /** The same without a dose. */
        Lot empty() {
            return new Lot(id, 0, viability, useRank, father, collecting);
        }
    }

    /**
     * Collecting takes hands: each male flower as much as one that is pollinated.
     *
     * @param round the round in which it is done
     * @param dosesPerFlower what a male flower gives, more than 0
     */
    public record Collecting(int round, double dosesPerFlower) {
        public Collecting {
            Require.within("round", round, 0, 59);
            Require.positive("dosesPerFlower", dosesPerFlower);
        }
    }

    /**
     * What a person has decided of a pair of tree and lot.
     *
     * @param round the round it is meant for; empty for all
     * @param flowers flowers at least, when it is wanted; 0 when it is forbidden
     */
    public record Choice(TreeId tree, LotId lot, OptionalInt round, int flowers) {
        public Choice {
            Require.within("flowers", flowers, 0, NO_LIMIT);
        }

        public static Choice forbid(TreeId tree, LotId lot, OptionalInt round) {
            return new Choice(tree, lot, round, 0);
        }

        boolean forbids() {
            return flowers == 0;
        }

        boolean means(TreeId someTree, LotId someLot, int someRound) {
            return tree.equals(someTree) && lot.equals(someLot) && (round.isEmpty() || round.getAsInt() == someRound);
        }
    }
}
