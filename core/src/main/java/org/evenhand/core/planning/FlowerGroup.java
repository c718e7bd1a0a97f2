package org.evenhand.core.planning;

import java.util.List;
import java.util.Optional;
import org.evenhand.core.Require;

/**
 * Female flowers of a tree that are alike.
 *
 * @param name as a person says it
 * @param tree place of its tree in the problem
 * @param flowers how many there are, each pollinated at most once
 * @param weight worth of a fruit of it, 0 or more
 * @param receptivity at each visit, share of them that takes pollen then, 0 or more
 * @param reservedFor the only father whose pollen they get, where they are kept for a cross
 */
public record FlowerGroup(
        String name, int tree, int flowers, double weight, List<Double> receptivity, Optional<String> reservedFor) {
    public FlowerGroup {
        receptivity = List.copyOf(receptivity);
        Require.notNegative("flowers", flowers);
        Require.notNegative("weight", weight);
        receptivity.forEach(r -> Require.notNegative("receptivity", r));
    }
}
