package org.evenhand.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class MapTest {
    private final Api api = TestServer.get().newOrchard();
    private final String variety = api.variety("Lantern");
    private final String one = tree("Lantern 1", 1, 1);
    private final String two = tree("Lantern 2", 1, 2);
    private final String behind = tree("Lantern 3", 2, 1);

    private String tree(String name, int row, int place) {
        String id = Api.newId();
        api.put(
                        "/api/trees/" + id,
                        Map.of("varietyId", variety, "name", name, "block", "Bank", "row", row, "position", place))
                .expect(200);
        return id;
    }

    private JsonNode map() {
        return api.get("/api/map").expect(200).body();
    }

    private JsonNode treeOf(JsonNode map, String id) {
        return map.path("trees")
                .valueStream()
                .filter(t -> t.path("treeId").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private String measure(String tree, double latitude, double longitude) {
        String id = Api.newId();
        api.put("/api/tree-spots/" + id, spot(tree, latitude, longitude)).expect(200);
        return id;
    }

    private static Map<String, Object> spot(String tree, double latitude, double longitude) {
        return Map.of("treeId", tree, "latitude", latitude, "longitude", longitude, "accuracyM", 4, "how", "GPS");
    }

    private static double east(JsonNode tree) {
        return tree.path("eastM").asDouble();
    }

    private static double north(JsonNode tree) {
        return tree.path("northM").asDouble();
    }

    @Test
    void trees_lie_in_their_rows_until_they_are_measured_and_the_others_follow_them() {
        JsonNode before = map();
        assertThat(east(treeOf(before, two)) - east(treeOf(before, one))).isCloseTo(3, within(1e-9));
        assertThat(north(treeOf(before, behind)) - north(treeOf(before, one))).isCloseTo(-4, within(1e-9));
        assertThat(before.path("blocks").get(0).path("bearingFrom").asString()).isEqualTo("ASSUMED");

        measure(one, -35.3001, 173.9001);
        String wrong = measure(two, -35.30012, 173.9001);
        JsonNode turned = map();
        // Lantern 2 is south of Lantern 1: places are counted to the south, and the next row lies to the west.
        assertThat(turned.path("blocks").get(0).path("bearingFrom").asString()).isEqualTo("MEASURED_TREES");
        assertThat(turned.path("blocks").get(0).path("bearing").asDouble()).isCloseTo(180, within(0.001));
        assertThat(east(treeOf(turned, behind))).isLessThan(east(treeOf(turned, one)) - 3.9);

        api.post("/api/tree-spots/" + wrong + "/void", Map.of("version", 0, "reason", "the wrong tree"))
                .expect(204);
        JsonNode after = map();
        assertThat(treeOf(after, two).has("measured")).isFalse();
        assertThat(east(treeOf(after, two)) - east(treeOf(after, one))).isCloseTo(3, within(1e-6));
        // 0.0001 degrees north of the origin by the length of a degree at 35.3° (110.94 km, NIMA TR8350.2).
        assertThat(north(treeOf(after, one))).isCloseTo(-11.09, within(0.01));
    }

    @Test
    void the_rows_of_a_block_are_described_once_and_changed_under_their_version() {
        String id = Api.newId();
        Map<String, Object> rows = Map.of("block", "Bank", "rowSpacingM", 6, "placeSpacingM", 5, "bearing", 0);
        JsonNode map = api.put("/api/block-rows/" + id, rows).expect(200).body();
        assertThat(north(treeOf(map, two)) - north(treeOf(map, one))).isCloseTo(5, within(1e-9));
        assertThat(east(treeOf(map, behind)) - east(treeOf(map, one))).isCloseTo(6, within(1e-9));
        api.put("/api/block-rows/" + Api.newId(), rows).expect(409);
        assertThat(api.put(
                                "/api/block-rows/" + id,
                                Map.of("block", "Bank", "rowSpacingM", 0, "placeSpacingM", 5, "version", 0))
                        .expect(400)
                        .errorAt("rowSpacingM"))
                .contains("0.1 to 100");
        api.put("/api/block-rows/" + id, Map.of("block", "Bank", "rowSpacingM", 3, "placeSpacingM", 5, "version", 0))
                .expect(200);
        api.put("/api/block-rows/" + id, Map.of("block", "Bank", "rowSpacingM", 9, "placeSpacingM", 5, "version", 0))
                .expect(409);
    }

    @Test
    void a_spot_far_away_or_of_nobodys_tree_is_refused() {
        assertThat(api.put("/api/tree-spots/" + Api.newId(), spot(one, -35.3, 17.39))
                        .expect(400)
                        .errorAt("latitude"))
                .contains("km from the orchard");
        api.put("/api/tree-spots/" + Api.newId(), spot(Api.newId(), -35.3, 173.9))
                .expect(404);
        Api other = TestServer.get().newOrchard();
        other.put("/api/tree-spots/" + Api.newId(), spot(one, -35.3, 173.9)).expect(404);
        assertThat(api.put(
                                "/api/tree-spots/" + Api.newId(),
                                Map.of("treeId", one, "latitude", 91, "longitude", 0, "how", "GPS"))
                        .expect(400)
                        .errorAt("latitude"))
                .contains("-90 to 90");
    }

    @Test
    void the_map_goes_out_as_geojson_and_the_same_file_comes_in_without_a_change() {
        measure(one, -35.30014, 173.90022);
        JsonNode out = api.get("/api/map.geojson").expect(200).body();
        assertThat(out.path("type").asString()).isEqualTo("FeatureCollection");
        assertThat(out.path("features").size()).isEqualTo(3);
        JsonNode first = out.path("features").get(0);
        assertThat(first.path("geometry").path("coordinates").get(0).asDouble()).isEqualTo(173.90022);
        assertThat(first.path("geometry").path("coordinates").get(1).asDouble()).isEqualTo(-35.30014);
        assertThat(first.path("properties").path("name").asString()).isEqualTo("Lantern 1");
        JsonNode again =
                api.post("/api/map/import", Map.of("file", out)).expect(200).body();
        assertThat(again.path("trees").asInt()).isZero();
        assertThat(treeOf(map(), two).has("measured")).isFalse();
    }

    @Test
    void a_file_from_elsewhere_sets_the_trees_it_names_asks_about_others_and_is_read_whole_or_not_at_all() {
        Map<String, Object> good = feature("lantern 2", List.of(173.9003, -35.3003, 12.5));
        Map<String, Object> stranger = feature("Gate post", List.of(173.9003, -35.3003));
        Map<String, Object> far = feature("Lantern 3", List.of(-35.3, 173.9));
        JsonNode refused = api.post("/api/map/import", Map.of("file", collection(good, far)))
                .expect(400)
                .body();
        assertThat(refused.path("errors").toString()).contains("feature 2");
        assertThat(treeOf(map(), two).has("measured")).isFalse();

        JsonNode asked = api.post("/api/map/import", Map.of("file", collection(good, stranger)))
                .expect(409)
                .body();
        assertThat(asked.path("confirm").asString()).isEqualTo("unknown-trees");
        JsonNode read = api.post(
                        "/api/map/import",
                        Map.of("file", collection(good, stranger), "confirmed", List.of("unknown-trees")))
                .expect(200)
                .body();
        assertThat(read.path("trees").asInt()).isEqualTo(1);
        assertThat(read.path("unknown").get(0).asString()).isEqualTo("Gate post");
        assertThat(treeOf(map(), two).path("measured").path("how").asString()).isEqualTo("FILE");
        assertThat(api.post("/api/map/import", Map.of("file", Map.of("type", "Feature")))
                        .expect(400)
                        .errorAt("file"))
                .contains("no GeoJSON collection");
    }

    private static Map<String, Object> feature(String name, List<Double> coordinates) {
        return Map.of(
                "type",
                "Feature",
                "geometry",
                Map.of("type", "Point", "coordinates", coordinates),
                "properties",
                Map.of("name", name, "height", 3));
    }

    @SafeVarargs
    private static Map<String, Object> collection(Map<String, Object>... features) {
        return Map.of("type", "FeatureCollection", "features", List.of(features));
    }
}
