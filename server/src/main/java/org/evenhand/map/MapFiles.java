package org.evenhand.map;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.map.OrchardPlane;
import org.evenhand.core.map.Spot;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ExportedFile;
import org.evenhand.kit.Given;
import org.evenhand.kit.QuestionException;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The map as GeoJSON, out and in. */
@Service
class MapFiles implements ExportedFile.Of {
    private static final int MOST = 20_000;

    /** More are not listed one by one. */
    private static final int MOST_NAMED = 5;

    private final Maps maps;
    private final Orchards orchards;
    private final JsonMapper json;

    MapFiles(Maps maps, Orchards orchards, JsonMapper json) {
        this.maps = maps;
        this.orchards = orchards;
        this.json = json;
    }

    /**
     * What came of a file.
     *
     * @param trees that stand elsewhere now
     * @param unknown names for which there is no tree
     */
    record Imported(int trees, List<String> unknown) {}

    /** Trees of blocks whose place on earth is known, a point each. */
    @Transactional(readOnly = true)
    GeoJson.FeatureCollection trees(Caller caller) {
        MapView map = maps.map(caller);
        OrchardPlane plane = new OrchardPlane(map.latitude(), map.longitude());
        Map<String, Integer> measured =
                map.blocks().stream().collect(Collectors.toMap(MapView.Block::block, MapView.Block::measured));
        return GeoJson.FeatureCollection.of(map.trees().stream()
                .filter(t -> measured.get(t.block()) > 0)
                .map(t -> feature(t, plane))
                .toList());
    }

    @Override
    @Transactional(readOnly = true)
    public List<ExportedFile> files(Caller caller) {
        return List.of(new ExportedFile(
                "trees.geojson",
                GeoJson.MEDIA_TYPE,
                "Trees of blocks whose place on earth is known.",
                json.writeValueAsBytes(trees(caller))));
    }

    private static GeoJson.Feature feature(MapView.Tree t, OrchardPlane plane) {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("id", t.treeId());
        properties.put("name", t.tree());
        properties.put("variety", t.variety());
        properties.put("crop", t.crop());
        properties.put("block", t.block());
        properties.put("row", t.row());
        properties.put("place", t.position());
        properties.put("measured", t.measured() != null);
        if (t.measured() != null) {
            // As it was measured, not by way of the plane.
            return GeoJson.Feature.point(t.measured().longitude(), t.measured().latitude(), properties);
        }
        Spot spot = new Spot(t.eastM(), t.northM());
        return GeoJson.Feature.point(plane.longitude(spot), plane.latitude(spot), properties);
    }

    /**
     * Takes the points of a file for where the trees of their names stand: all of them or none. A point that the file says was not measured,
     * but worked out from rows, is passed over.
     *
     * @param confirmed holds {@code unknown-trees} where points without a tree are to be passed over
     */
    @Transactional
    Imported read(Caller caller, GeoJson.FeatureCollection file, List<String> confirmed) {
        if (!"FeatureCollection".equals(file.type()) || file.features() == null) {
            throw new InvalidInputException("file", "is no GeoJSON collection of features.");
        }
        if (file.features().size() > MOST) {
            throw new InvalidInputException(
                    "file", "has " + file.features().size() + " features; at most " + MOST + " can be read at once.");
        }
        OrchardPlane plane = Maps.plane(orchards.details(caller).site());
        Map<String, TreeView> byName =
                orchards.trees(caller).stream().collect(Collectors.toMap(t -> key(t.name()), t -> t, (a, b) -> a));
        List<TreeSpotRequest> found = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        List<FieldProblem> problems = new ArrayList<>();
        for (int i = 0; i < file.features().size(); i++) {
            String where = "feature " + (i + 1);
            try {
                point(file.features().get(i), plane, byName, found, unknown);
            } catch (InvalidInputException e) {
                e.problems().forEach(p -> problems.add(new FieldProblem(where, p.field() + " " + p.message())));
            }
        }
        if (!problems.isEmpty()) {
            throw new InvalidInputException(problems);
        }
        if (!unknown.isEmpty() && !confirmed.contains("unknown-trees")) {
            throw new QuestionException("unknown-trees", question(unknown));
        }
        Map<UUID, MapView.Measured> known = maps.measured(caller);
        // The same file twice is there once.
        List<TreeSpotRequest> changed =
                found.stream().filter(s -> !same(s, known.get(s.treeId()))).toList();
        maps.putAll(caller, changed);
        return new Imported(changed.size(), unknown);
    }

    private static boolean same(TreeSpotRequest spot, MapView.Measured known) {
        return known != null && known.latitude() == spot.latitude() && known.longitude() == spot.longitude();
    }

    private static String question(List<String> unknown) {
        String named = unknown.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
        int more = unknown.size() - MOST_NAMED;
        return "There is no tree by the name of " + named + (more > 0 ? " and " + more + " more" : "")
                + ". Read the others and leave these out?";
    }

    private static void point(
            GeoJson.Feature feature,
            OrchardPlane plane,
            Map<String, TreeView> byName,
            List<TreeSpotRequest> found,
            List<String> unknown) {
        Map<String, Object> properties = feature.properties() == null ? Map.of() : feature.properties();
        if (Boolean.FALSE.equals(properties.get("measured"))) {
            return;
        }
        Object named = properties.get("name");
        String name = Given.text("name", named == null ? null : String.valueOf(named), 200);
        TreeView tree = byName.get(key(name));
        if (tree == null) {
            unknown.add(name);
            return;
        }
        List<Double> degrees = degrees(feature.geometry());
        plane.spot(degrees.get(1), degrees.get(0));
        found.add(new TreeSpotRequest(tree.id(), degrees.get(1), degrees.get(0), null, TreeSpotRequest.How.FILE));
    }

    private static List<Double> degrees(GeoJson.Geometry geometry) {
        if (geometry != null
                && "Point".equals(geometry.type())
                && geometry.coordinates() instanceof List<?> numbers
                && numbers.size() >= 2
                && numbers.get(0) instanceof Number longitude
                && numbers.get(1) instanceof Number latitude) {
            return List.of(longitude.doubleValue(), latitude.doubleValue());
        }
        throw new InvalidInputException("geometry", "is no point with a longitude and a latitude.");
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
