package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.core.findings.DrawnByLot;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Comparisons drawn by lot: evenly on every tree, drawn again by anybody, refused in sentences. */
class ComparisonTest {
    private final Api api = TestServer.get().newOrchard();
    private final String one = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String two = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    private static Map<String, Object> way(String name, String treatment) {
        return Map.of("name", name, "treatment", treatment);
    }

    private static Map<String, Object> request(List<Map<String, Object>> ways, List<String> trees, int each) {
        Map<String, Object> request = new HashMap<>();
        request.put("question", "OWN");
        request.put("ways", ways);
        request.put("trees", trees);
        request.put("flowersEach", each);
        return request;
    }

    @Test
    void every_tree_has_every_way_as_often_and_the_seed_draws_the_same_again() {
        List<Map<String, Object>> ways = List.of(way("brush", "HAND"), way("feather", "HAND"), way("none", "BAGGED"));
        JsonNode drawn = api.put("/api/comparisons/" + Api.newId(), request(ways, List.of(one, two), 5))
                .expect(200)
                .body();
        assertThat(drawn.path("asks").asString()).isEqualTo("Which is better: brush or feather or none?");
        Map<String, List<Integer>> byTree = new HashMap<>();
        drawn.path("places")
                .forEach(p -> byTree.computeIfAbsent(p.path("treeId").asString(), t -> new ArrayList<>())
                        .add(p.path("way").asInt()));
        long seed = Long.parseLong(drawn.path("seed").asString());
        assertThat(byTree.get(one)).isEqualTo(DrawnByLot.blocks(3, 3, seed));
        assertThat(byTree.get(two))
                .as("five of each over two trees: three and two")
                .isEqualTo(DrawnByLot.blocks(3, 2, seed + 1));
        assertThat(drawn.path("places").get(0).path("tag").asString()).isEqualTo("K1-1");
        assertThat(drawn.path("places").get(14).path("tag").asString()).isEqualTo("K1-15");

        JsonNode next = api.put("/api/comparisons/" + Api.newId(), request(ways.subList(0, 2), List.of(one), 2))
                .expect(200)
                .body();
        assertThat(next.path("label").asString()).isEqualTo("K2");
        assertThat(api.get("/api/comparisons").expect(200).body().size()).isEqualTo(2);
        api.post("/api/comparisons/" + next.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(api.get("/api/comparisons").expect(200).body().size()).isEqualTo(1);
        api.get("/api/comparisons/" + next.path("id").asString() + "/tags").expect(404);
        assertThat(api.put("/api/comparisons/" + Api.newId(), request(ways.subList(0, 2), List.of(one), 2))
                        .expect(200)
                        .body()
                        .path("label")
                        .asString())
                .as("a label is used once, as its tags may still hang")
                .isEqualTo("K3");
    }

    @Test
    void what_cannot_be_drawn_is_refused_beside_its_field() {
        List<Map<String, Object>> ways = List.of(way("brush", "HAND"), way("feather", "HAND"));
        assertThat(refused(request(List.of(way("a", "HAND")), List.of(one), 4), "ways"))
                .contains("ways: is 1", "is 1");
        assertThat(refused(request(List.of(way("Brush", "HAND"), way("brush ", "HAND")), List.of(one), 4), "ways"))
                .contains("same name twice");
        assertThat(refused(request(List.of(way(" ", "HAND"), way("b", "HAND")), List.of(one), 4), "ways[0].name"))
                .contains("is empty");
        assertThat(refused(request(ways, List.of(one, two), 1), "flowersEach")).contains("is 1; allowed is 2");
        assertThat(refused(request(ways, List.of(), 4), "trees")).contains("is 0");
        api.put("/api/comparisons/" + Api.newId(), request(ways, List.of(Api.newId()), 4))
                .expect(404);
        assertThat(api.get("/api/trial-size?one=0.4&other=0.6&power=0.2")
                        .expect(400)
                        .errorAt("power"))
                .contains("0.5 to 0.99");
    }

    private String refused(Map<String, Object> request, String field) {
        return field + ": "
                + api.put("/api/comparisons/" + Api.newId(), request)
                        .expect(400)
                        .errorAt(field);
    }

    @Test
    void a_flower_whose_mark_is_gone_counts_as_decided_and_neither_way() {
        List<Map<String, Object>> ways = List.of(way("nature", "NATURE"), way("bag", "BAGGED"));
        String id = Api.newId();
        JsonNode drawn = api.put("/api/comparisons/" + id, request(ways, List.of(one), 1))
                .expect(200)
                .body();
        var done = TestServer.NOW.minus(Duration.ofDays(20));
        for (JsonNode place : drawn.path("places")) {
            boolean bagged = place.path("way").asInt() == 1;
            Map<String, Object> flower = new HashMap<>();
            flower.put("treeId", one);
            flower.put("flowers", 1);
            flower.put("doneAt", done.toString());
            flower.put("tag", place.path("tag").asString());
            flower.put("how", Map.of("treatment", bagged ? "BAGGED" : "NATURE"));
            flower.put("comparisonId", id);
            flower.put("slot", place.path("slot").asInt());
            String p = api.put("/api/pollinations/" + Api.newId(), flower)
                    .expect(200)
                    .id();
            Map<String, Object> look =
                    new HashMap<>(Api.checkBody(p, done.plus(Duration.ofDays(12)), bagged ? 0 : 1, 0, 0));
            look.put("lost", bagged ? 1 : 0);
            api.put("/api/checks/" + Api.newId(), look).expect(200);
        }
        JsonNode complete = api.get("/api/comparisons").expect(200).body().get(0);
        assertThat(complete.path("complete").asBoolean()).isTrue();
        assertThat(complete.path("result").path("sentence").asString())
                .isEqualTo("Of one way no flower's fate could be told, so that nothing can be compared.");
    }
}
