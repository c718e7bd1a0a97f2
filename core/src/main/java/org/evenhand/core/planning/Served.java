package org.evenhand.core.planning;

import java.util.List;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;

/** A tree's groups of flowers, and how many of each are served in which round. */
final class Served {
    private final List<OpenFlowers> groups;
    /** By group and round. */
    private final int[][] flowers;

    /** @param stops at this tree */
    Served(Mother mother, List<Stop> stops) {
        // Those that have pollen once more are no flowers of their own.
        this.groups = mother.flowers();
        int rounds = groups.stream().mapToInt(g -> g.receptivity().size()).max().orElse(0);
        this.flowers = new int[groups.size()][rounds];
        stops.forEach(s -> s.groups().stream()
                .filter(g -> g.group() < groups.size())
                .forEach(g -> flowers[g.group()][s.round()] += g.flowers()));
    }

    /** Groups that can take pollen in a round. */
    int[] openIn(int round) {
        return IntStream.range(0, groups.size())
                .filter(g -> groups.get(g).receptivity().get(round) > 0)
                .toArray();
    }

    boolean ofACross(int group) {
        return groups.get(group).only().isPresent();
    }

    /** A group that counts for nothing; flowers kept for a cross do not, whatever they count for. */
    boolean leftAlone(int group) {
        return !ofACross(group) && groups.get(group).weight() == 0;
    }

    /** Flowers of a group that have pollen by none of the rounds before one. */
    int leftBefore(int group, int round) {
        return groups.get(group).flowers()
                - IntStream.range(0, round).map(r -> flowers[group][r]).sum();
    }

    /** Flowers of a group that no round serves. */
    int left(int group) {
        return leftBefore(group, flowers[group].length);
    }

    /** Flowers that open until a round and that no round serves. */
    int leftUntil(int round) {
        return IntStream.range(0, groups.size())
                .filter(g -> groups.get(g).receptivity().subList(0, round + 1).stream()
                        .anyMatch(r -> r > 0))
                .map(this::left)
                .sum();
    }
}
