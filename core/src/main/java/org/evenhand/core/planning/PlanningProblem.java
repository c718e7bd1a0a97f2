package org.evenhand.core.planning;

import java.util.List;
import java.util.Map;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * All that a plan is made from; see the package for what it asks.
 *
 * <p>One flower of a group, pollinated at a visit with pollen of a father, is worth its weight × its receptivity then × the viability
 * of the pollen × the compatibility of the two; a plan is worth the sum, less the cost of the visits that are made.
 *
 * @param visits in time order
 * @param compatibility for a father and the place of a tree, what a dose is worth there, 0 or more; 0 where it is missing
 */
public record PlanningProblem(
        List<CandidateVisit> visits,
        Pace pace,
        List<SeedTree> trees,
        List<FlowerGroup> groups,
        List<PollenSupply.OnShelf> jars,
        List<PollenSupply.ToCollect> toCollect,
        Map<String, Map<Integer, Double>> compatibility) {
    public PlanningProblem {
        visits = List.copyOf(visits);
        trees = List.copyOf(trees);
        groups = List.copyOf(groups);
        jars = List.copyOf(jars);
        toCollect = List.copyOf(toCollect);
        compatibility = Map.copyOf(compatibility);
        int n = visits.size();
        for (FlowerGroup group : groups) {
            Require.within("tree", group.tree(), 0, trees.size() - 1);
            requireEach("receptivity", group.name(), group.receptivity().size(), n);
        }
        jars.forEach(jar -> requireEach("viability", jar.name(), jar.viability().size(), n));
        for (PollenSupply.ToCollect supply : toCollect) {
            requireEach("viability", supply.name(), supply.viability().size(), n);
            supply.viability().forEach(row -> requireEach("viability", supply.name(), row.size(), n));
            for (PollenSupply.Batch batch : supply.batches()) {
                Require.within("from", batch.from(), 0, n - 1);
                Require.within("until", batch.until(), 0, n - 1);
            }
        }
        compatibility.values().forEach(of -> of.values().forEach(c -> Require.notNegative("compatibility", c)));
    }

    private static void requireEach(String field, String of, int given, int visits) {
        if (given != visits) {
            throw new InvalidInputException(
                    field, "of " + of + " has " + given + " numbers, but there are " + visits + " visits.");
        }
    }

    /** What a dose of a father is worth on a tree. */
    double compatibility(String father, int tree) {
        return compatibility.getOrDefault(father, Map.of()).getOrDefault(tree, 0.0);
    }

    /** Worth of one flower of a group at a visit with pollen of a father of which so much lives; 0 where it is reserved for another. */
    double worth(FlowerGroup group, int visit, String father, double viability) {
        if (group.reservedFor().filter(f -> !f.equals(father)).isPresent()) {
            return 0;
        }
        return group.weight() * group.receptivity().get(visit) * viability * compatibility(father, group.tree());
    }
}
