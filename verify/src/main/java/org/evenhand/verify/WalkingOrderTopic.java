package org.evenhand.verify;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.evenhand.core.Require;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.WalkingOrder;

/** The length of the way past some stops. */
final class WalkingOrderTopic implements Topic {
    private static final int MOST_STOPS = 1000;

    @Override
    public String name() {
        return "walking-order";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        List<Place> stops =
                in.children("stops").stream().map(WalkingOrderTopic::place).toList();
        Require.within("stops", stops.size(), 1, MOST_STOPS);
        Optional<Place> from = in.optionalChild("from").map(WalkingOrderTopic::place);
        List<Place> way = WalkingOrder.past(stops, Function.identity(), from);
        return Optional.of(Map.of("length", WalkingOrder.length(way, from)));
    }

    private static Place place(Inputs place) {
        return new Place(place.text("block"), place.whole("row"), place.whole("position"));
    }
}
