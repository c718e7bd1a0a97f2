package org.evenhand.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;

/** What a careful person does without the sum of all combinations: the most promising flower first, while there is any. */
final class GreedyPlan {
    private GreedyPlan() {}

    private record Use(Mother mother, int group, OpenFlowers flowers, Lot lot, int round, double worth) {}

    /** Value of the plan, as the planner counts it, within the same limits: hands for collecting and for cleaning are taken too. */
    static double value(RoundRequest request) {
        List<Use> uses = uses(request);
        uses.sort(Comparator.comparingDouble((Use u) -> -u.worth()));
        Map<Object, Integer> left = new HashMap<>();
        double[] hands = request.mostFlowers().stream().mapToDouble(n -> n).toArray();
        Set<String> cleaned = new HashSet<>();
        double value = 0;
        for (Use u : uses) {
            String group = u.mother().id() + "/" + u.group();
            String father = u.round() + "/" + u.lot().father();
            int doses = Math.min(
                    Math.min(
                            left.getOrDefault(group, u.flowers().flowers()),
                            left.getOrDefault(u.lot().id(), u.lot().doses())),
                    left.getOrDefault(u.mother().id(), u.mother().wanted()));
            double cleaning = cleaned.contains(father) ? 0 : request.cleaning();
            int flowers = IntStream.iterate(doses, f -> f > 0, f -> f - 1)
                    .filter(f -> fits(u, f, cleaning, hands))
                    .findFirst()
                    .orElse(0);
            if (flowers > 0) {
                cleaned.add(father);
                take(u, flowers, cleaning, hands);
                value += flowers * u.worth();
                left.merge(group, u.flowers().flowers() - flowers, (before, now) -> before - flowers);
                left.merge(u.lot().id(), u.lot().doses() - flowers, (before, now) -> before - flowers);
                left.merge(u.mother().id(), u.mother().wanted() - flowers, (before, now) -> before - flowers);
            }
        }
        return value;
    }

    private static boolean fits(Use u, int flowers, double cleaning, double[] hands) {
        double[] then = hands.clone();
        take(u, flowers, cleaning, then);
        return then[u.round()] >= 0
                && u.lot().collecting().map(c -> then[c.round()] >= 0).orElse(true);
    }

    private static void take(Use u, int flowers, double cleaning, double[] hands) {
        hands[u.round()] -= flowers * u.mother().effort() + cleaning;
        u.lot().collecting().ifPresent(c -> hands[c.round()] -= flowers / c.dosesPerFlower());
    }

    private static List<Use> uses(RoundRequest request) {
        List<Use> uses = new ArrayList<>();
        for (Mother mother : request.mothers()) {
            for (Lot lot : request.lots()) {
                double cross = request.crosses().between(mother.id(), lot.id()).compatibilityFactor();
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
