package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.planning.RoundPlan.Stop;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;

/**
 * The order of walking each round: one father after another, so that the brush is changed once a father, pollen that should be used
 * first in front; for each jar a short way past its trees, beginning near where the jar before it ended.
 */
public final class WalkingOrder {
    private WalkingOrder() {}

    /** Rounds of the next day or two, whose ways are searched for with care; those after them are planned anew before anybody walks. */
    private static final int ROUNDS_SOON = 4;

    static List<Stop> of(List<Stop> stops, RoundRequest request) {
        Map<TreeId, Place> places = new HashMap<>();
        for (Mother mother : request.mothers()) {
            places.put(mother.id(), mother.place());
        }
        List<LotId> jars = jars(request.lots());
        return IntStream.range(0, request.rounds())
                .parallel()
                .mapToObj(round ->
                        ofRound(stops.stream().filter(s -> s.round() == round).toList(), jars, places, round))
                .flatMap(List::stream)
                .toList();
    }

    private static List<Stop> ofRound(List<Stop> stops, List<LotId> jars, Map<TreeId, Place> places, int round) {
        List<Stop> ordered = new ArrayList<>();
        Optional<Place> standing = Optional.empty();
        for (LotId jar : jars) {
            List<Stop> ofJar = stops.stream().filter(s -> s.lot().equals(jar)).toList();
            for (Stop stop : shortRoute(ofJar, places, standing, round < ROUNDS_SOON)) {
                ordered.add(stop);
                standing = Optional.of(Require.present(places, stop.tree()));
            }
        }
        return ordered;
    }

    /** Jars of one father together; the father whose pollen should go first in front. */
    private static List<LotId> jars(List<Lot> lots) {
        List<Lot> byRank =
                lots.stream().sorted(Comparator.comparingInt(Lot::useRank)).toList();
        Map<Object, List<LotId>> byFather = new LinkedHashMap<>();
        for (Lot lot : byRank) {
            Object father = lot.father().isPresent() ? lot.father().get() : lot.id();
            byFather.computeIfAbsent(father, f -> new ArrayList<>()).add(lot.id());
        }
        return byFather.values().stream().flatMap(List::stream).toList();
    }

    private static List<Stop> shortRoute(
            List<Stop> stops, Map<TreeId, Place> places, Optional<Place> standing, boolean soon) {
        Function<Stop, Place> place = s -> Require.present(places, s.tree());
        return soon ? past(stops, place, standing) : past(stops, place, standing, WalkingRoute.FEW_TRIES);
    }

    /**
     * A short way past things that stand somewhere.
     *
     * @param things in any order
     * @param standing where one stands before; empty to begin anywhere
     */
    public static <T> List<T> past(List<T> things, Function<T, Place> place, Optional<Place> standing) {
        return past(things, place, standing, WalkingRoute.MOST_TRIES);
    }

    private static <T> List<T> past(
            List<T> things, Function<T, Place> place, Optional<Place> standing, long mostTries) {
        List<T> downAndBack = downAndBack(things, place);
        return WalkingRoute.past(downAndBack.stream().map(place).toList(), standing, mostTries).stream()
                .map(downAndBack::get)
                .toList();
    }

    /** Length of a way past places, from where one stands: 2 for a place along a row, 3 for a row, far more to another block. */
    public static long length(List<Place> route, Optional<Place> standing) {
        return WalkingRoute.length(route, standing);
    }

    /** Block by block, down one row and back up the next: where the search for a short way begins. */
    private static <T> List<T> downAndBack(List<T> things, Function<T, Place> place) {
        Map<String, Map<Integer, List<T>>> rows = new TreeMap<>();
        for (T thing : things) {
            Place at = place.apply(thing);
            rows.computeIfAbsent(at.block(), b -> new TreeMap<>())
                    .computeIfAbsent(at.row(), r -> new ArrayList<>())
                    .add(thing);
        }
        Comparator<T> down = Comparator.comparingInt(t -> place.apply(t).position());
        List<T> ordered = new ArrayList<>();
        for (Map<Integer, List<T>> block : rows.values()) {
            boolean goingDown = true;
            for (List<T> row : block.values()) {
                row.stream().sorted(goingDown ? down : down.reversed()).forEach(ordered::add);
                goingDown = !goingDown;
            }
        }
        return ordered;
    }
}
