package org.evenhand.demo;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.evenhand.core.map.OrchardPlane;
import org.evenhand.core.map.Spot;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.map.BlockRowsRequest;
import org.evenhand.map.Maps;
import org.evenhand.map.TreeSpotRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Where the demo's trees stand: a few of them measured with a phone, the others by their rows. */
@Component
@ConditionalOnProperty("even-hand.demo")
class DemoMap {
    private static final Map<String, Spot> MEASURED = Map.of(
            "Lantern 1", new Spot(2.1, -4.5),
            "Lantern 3", new Spot(10.3, -0.8),
            "Pale Ridge 3", new Spot(12.5, -5.2),
            "Night Ferry 1", new Spot(-20, -8),
            "Stone Wall 1", new Spot(-20.3, -12.1),
            "Quarry Red 1", new Spot(4, -30),
            "Copper Gate 1", new Spot(-17, 7));

    private static final List<BlockRowsRequest> ROWS = List.of(
            new BlockRowsRequest("Bank", 5.0, 4.5, null, null),
            new BlockRowsRequest("Wall", 4.0, 3.5, 92.0, null),
            new BlockRowsRequest("Tunnel", 4.0, 4.0, 60.0, null));

    private final Maps maps;
    private final Orchards orchards;

    DemoMap(Maps maps, Orchards orchards) {
        this.maps = maps;
        this.orchards = orchards;
    }

    void fill(Caller caller, Supplier<UUID> ids) {
        Site site = orchards.details(caller).site();
        OrchardPlane plane = new OrchardPlane(site.latitude(), site.longitude());
        Map<String, TreeView> byName =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::name, Function.identity()));
        ROWS.forEach(rows -> maps.put(caller, ids.get(), rows));
        MEASURED.forEach((name, spot) -> maps.put(
                caller,
                ids.get(),
                new TreeSpotRequest(
                        byName.get(name).id(),
                        plane.latitude(spot),
                        plane.longitude(spot),
                        3.0,
                        TreeSpotRequest.How.GPS)));
    }
}
