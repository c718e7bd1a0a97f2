package org.evenhand.map;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Component;

/** Measured places of trees out of a file. A later one takes the place of an earlier; none is changed. */
@Component
class TreePositionImport implements ImportKind<TreeSpotRequest> {
    private final Maps maps;
    private final TreeSpotRepository spots;
    private final Orchards orchards;

    TreePositionImport(Maps maps, TreeSpotRepository spots, Orchards orchards) {
        this.maps = maps;
        this.spots = spots;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "tree-positions";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree.", "name", "árbol"),
                Column.needed("latitude", "latitude", Holds.NUMBER, "Degrees, north positive.", "lat", "latitud", "y"),
                Column.needed(
                        "longitude",
                        "longitude",
                        Holds.NUMBER,
                        "Degrees, east positive.",
                        "lon",
                        "lng",
                        "longitud",
                        "x"),
                Column.optional("accuracy_m", "accuracyM", Holds.NUMBER, "Accuracy, metres.", "accuracy"));
    }

    @Override
    public Class<TreeSpotRequest> requestType() {
        return TreeSpotRequest.class;
    }

    @Override
    public Session<TreeSpotRequest> begin(Caller caller, Set<String> confirmed) {
        Map<UUID, Existing<TreeSpotRequest>> there = new HashMap<>();
        maps.measured(caller)
                .forEach((tree, m) -> there.put(
                        tree,
                        new Existing<>(
                                m.id(),
                                m.version(),
                                new TreeSpotRequest(tree, m.latitude(), m.longitude(), m.accuracyM(), m.how()))));
        return new Reading(there, ImportRow.byName(orchards.trees(caller), TreeView::name));
    }

    private record Reading(Map<UUID, Existing<TreeSpotRequest>> there, Map<String, TreeView> trees)
            implements Session<TreeSpotRequest> {
        @Override
        public Line<TreeSpotRequest> read(ImportRow row) {
            UUID tree = row.named("tree", trees, "tree").id();
            TreeSpotRequest request = new TreeSpotRequest(
                    tree,
                    Given.required("latitude", row.numberOr("latitude", null)),
                    Given.required("longitude", row.numberOr("longitude", null)),
                    row.numberOr("accuracy_m", null),
                    TreeSpotRequest.How.FILE);
            Existing<TreeSpotRequest> found = there.get(tree);
            boolean same = found != null
                    && found.request().latitude().equals(request.latitude())
                    && found.request().longitude().equals(request.longitude());
            return Line.of(same ? found.request() : request, same ? found : null);
        }

        @Override
        public void written(TreeSpotRequest request, UUID id) {
            there.put(request.treeId(), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, TreeSpotRequest request, Long version) {
        maps.put(caller, id, request);
    }

    @Override
    public long version(Caller caller, UUID id) {
        return spots.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        maps.voidSpot(caller, id, request);
    }
}
