package org.evenhand.core.round;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.evenhand.core.round.RoundPlan.Stop;
import org.evenhand.core.round.RoundRequest.Lot;
import org.evenhand.core.round.RoundRequest.Mother;

/**
 * The order of walking each round: one father after another, so that the brush is changed once a father, lots that should be used first in
 * front; within a father block by block, down one row and back up the next.
 */
final class WalkingOrder {
    private WalkingOrder() {}

    static List<Stop> of(List<Stop> stops, RoundRequest request) {
        Map<TreeId, Place> places = new LinkedHashMap<>();
        for (Mother mother : request.mothers()) {
            places.put(mother.id(), mother.place());
        }
        List<Stop> ordered = new ArrayList<>();
        List<Lot> lots = request.lots().stream()
                .sorted(Comparator.comparingInt(Lot::useRank))
                .toList();
        for (int round = 0; round < request.rounds(); round++) {
            for (Lot lot : lots) {
                int now = round;
                ordered.addAll(downAndBack(
                        stops.stream()
                                .filter(s -> s.round() == now && s.lot().equals(lot.id()))
                                .toList(),
                        places));
            }
        }
        return ordered;
    }

    private static List<Stop> downAndBack(List<Stop> stops, Map<TreeId, Place> places) {
        Map<String, Map<Integer, List<Stop>>> rows = new TreeMap<>();
        for (Stop stop : stops) {
            Place place = places.get(stop.tree());
            rows.computeIfAbsent(place.block(), b -> new TreeMap<>())
                    .computeIfAbsent(place.row(), r -> new ArrayList<>())
                    .add(stop);
        }
        Comparator<Stop> down =
                Comparator.comparingInt(s -> places.get(s.tree()).position());
        List<Stop> ordered = new ArrayList<>();
        for (Map<Integer, List<Stop>> block : rows.values()) {
            boolean goingDown = true;
            for (List<Stop> row : block.values()) {
                row.stream().sorted(goingDown ? down : down.reversed()).forEach(ordered::add);
                goingDown = !goingDown;
            }
        }
        return ordered;
    }
}
