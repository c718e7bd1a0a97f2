package org.evenhand.core.planning;

import java.util.List;

/**
 * What to do, and how good it is.
 *
 * @param visitsMade places of the visits that are made, in order
 * @param collections male flowers to collect
 * @param pollinations female flowers to pollinate
 * @param value what it is worth, the cost of its visits taken off; 0 or more
 * @param bound no plan is worth more
 */
public record SolvedPlan(
        List<Integer> visitsMade,
        List<Collection> collections,
        List<Pollination> pollinations,
        double value,
        double bound) {
    /** Nothing is worth doing. */
    static final SolvedPlan NOTHING = new SolvedPlan(List.of(), List.of(), List.of(), 0, 0);

    /**
     * Male flowers collected at a visit.
     *
     * @param supply place of the supply in the problem
     * @param batch place of its batch
     */
    public record Collection(int supply, int batch, int visit, int flowers) {}

    /** Where pollen comes from: a jar, or what was collected of a supply at a visit. */
    public sealed interface Source {
        record Jar(int jar) implements Source {}

        record Collected(int supply, int visit) implements Source {}
    }

    /** Flowers of a group pollinated at a visit. */
    public record Pollination(int group, Source source, int visit, int flowers) {}

    public SolvedPlan {
        visitsMade = List.copyOf(visitsMade);
        collections = List.copyOf(collections);
        pollinations = List.copyOf(pollinations);
    }

    /** Flowers pollinated in all visits. */
    public int flowers() {
        return pollinations.stream().mapToInt(Pollination::flowers).sum();
    }

    /** How much better a plan could be at most, as a share of this one's worth; 0 where it is proven best. */
    public double gap() {
        return bound <= value ? 0 : value == 0 ? Double.POSITIVE_INFINITY : (bound - value) / value;
    }
}
