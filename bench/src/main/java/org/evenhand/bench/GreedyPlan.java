package org.evenhand.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;

/** What a careful person does without the sum of all combinations: the most promising flower first, while there is any. */
final class GreedyPlan {
    private GreedyPlan() {}

    private record Use(Mother mother, int group, OpenFlowers flowers, Lot lot, int round, double worth) {}

    /** Value of the plan, as the planner counts it. */
    static double value(RoundRequest request) {
        List<Use> uses = uses(request);
        uses.sort(Comparator.comparingDouble((Use u) -> -u.worth()));
        Map<Object, Integer> left = new HashMap<>();
        double value = 0;
        for (Use u : uses) {
            String group = u.mother().id() + "/" + u.group();
            int flowers = Math.min(
                    Math.min(
                            left.getOrDefault(group, u.flowers().flowers()),
                            left.getOrDefault(u.lot().id(), u.lot().doses())),
                    Math.min(
                            left.getOrDefault(u.mother().id(), u.mother().wanted()),
                            left.getOrDefault(u.round(), request.mostFlowers().get(u.round()))));
            value += flowers * u.worth();
            left.merge(group, u.flowers().flowers() - flowers, (before, now) -> before - flowers);
            left.merge(u.lot().id(), u.lot().doses() - flowers, (before, now) -> before - flowers);
            left.merge(u.mother().id(), u.mother().wanted() - flowers, (before, now) -> before - flowers);
            left.merge(u.round(), request.mostFlowers().get(u.round()) - flowers, (before, now) -> before - flowers);
        }
        return value;
    }

    private static List<Use> uses(RoundRequest request) {
        List<Use> uses = new ArrayList<>();
        for (Mother mother : request.mothers()) {
            for (Lot lot : request.lots()) {
                double cross = request.crosses().between(mother.id(), lot.id()).worth();
                for (int g = 0; g < mother.flowers().size(); g++) {
                    OpenFlowers open = mother.flowers().get(g);
                    for (int r = 0; r < request.mostFlowers().size(); r++) {
                        double worth = open.weight()
                                * open.receptivity().get(r)
                                * lot.viability().get(r)
                                * cross;
                        if (worth > 0) {
                            uses.add(new Use(mother, g, open, lot, r, worth));
                        }
                    }
                }
            }
        }
        return uses;
    }
}
