package org.evenhand.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.statistics.BlockRandomization;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Comparisons drawn by lot: evenly on every tree, drawn again by anybody, refused in sentences. */
class ComparisonTest {
    private final Api api = TestServer.get().newOrchard();
    private final String one = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String two = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    private static Map<String, Object> request(List<String> names, List<String> trees, int each) {
        Map<String, Object> request = new HashMap<>();
        request.put("question", "OWN");
        request.put("names", names);
        request.put("trees", trees);
        request.put("flowersEach", each);
        return request;
    }

    @Test
    void every_tree_has_every_way_as_often_and_the_seed_draws_the_same_again() {
        List<String> ways = List.of("brush", "feather", "none");
        JsonNode drawn = api.put("/api/comparisons/" + Api.newId(), request(ways, List.of(one, two), 5))
                .expect(200)
                .body();
        assertThat(drawn.path("asks").asString()).isEqualTo("Which is better: brush or feather or none?");
        Map<String, List<Integer>> byTree = new HashMap<>();
        drawn.path("places")
                .forEach(p -> byTree.computeIfAbsent(p.path("treeId").asString(), t -> new ArrayList<>())
                        .add(p.path("arm").asInt()));
        long seed = Long.parseLong(drawn.path("seed").asString());
        assertThat(byTree.get(one)).isEqualTo(BlockRandomization.blocks(3, 3, seed));
        assertThat(byTree.get(two))
                .as("five of each over two trees: three and two")
                .isEqualTo(BlockRandomization.blocks(3, 2, seed + 1));
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
        List<String> ways = List.of("brush", "feather");
        assertThat(refused(request(List.of("a"), List.of(one), 4), "names")).contains("names: is 1", "allowed is 2");
        assertThat(refused(request(List.of("Brush", "brush "), List.of(one), 4), "names"))
                .contains("same twice");
        assertThat(refused(request(List.of(" ", "b"), List.of(one), 4), "names[0]"))
                .contains("is empty");
        assertThat(refused(request(ways, List.of(one, two), 1), "flowersEach")).contains("is 1; allowed is 2");
        assertThat(refused(request(ways, List.of(), 4), "trees")).contains("has 0 entries; allowed are 1");
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
    void a_question_says_which_ways_it_compares() {
        Map<String, Object> request = request(null, List.of(one), 2);
        request.put("question", "FULL_COVER");
        JsonNode cover =
                api.put("/api/comparisons/" + Api.newId(), request).expect(200).body();
        assertThat(cover.path("arms").findValuesAsString("strokes")).containsExactly("LIGHT", "FULL");
        request.put("question", "TOOL");
        assertThat(refused(request, "names")).contains("missing");
        request.put("names", List.of(" goat ", "feather"));
        JsonNode tool =
                api.put("/api/comparisons/" + Api.newId(), request).expect(200).body();
        assertThat(tool.path("arms").findValuesAsString("tool")).containsExactly("goat", "feather");
    }

    @Test
    void a_flower_whose_mark_is_gone_counts_as_decided_and_neither_way() {
        String id = Api.newId();
        Map<String, Object> request = request(null, List.of(one), 1);
        request.put("question", "NATURE");
        request.put("bagged", true);
        JsonNode drawn = api.put("/api/comparisons/" + id, request).expect(200).body();
        assertThat(drawn.path("arms").findValuesAsString("treatment")).containsExactly("NATURE", "HAND", "BAGGED");
        var done = TestServer.NOW.minus(Duration.ofDays(20));
        String lot =
                api.lot(two, done.minus(Duration.ofHours(12)), 5).expect(200).id();
        for (JsonNode place : drawn.path("places")) {
            String arm = drawn.path("arms")
                    .get(place.path("arm").asInt())
                    .path("treatment")
                    .asString();
            Map<String, Object> flower = new HashMap<>();
            flower.put("treeId", one);
            flower.put("flowers", 1);
            flower.put("doneAt", done.toString());
            flower.put("tag", place.path("tag").asString());
            flower.put("how", Map.of("treatment", arm));
            flower.put("lotId", arm.equals("HAND") ? lot : null);
            flower.put("comparisonId", id);
            flower.put("slot", place.path("slot").asInt());
            String p = api.put("/api/pollinations/" + Api.newId(), flower)
                    .expect(200)
                    .id();
            int gone = arm.equals("BAGGED") ? 1 : 0;
            Map<String, Object> look = new HashMap<>(Api.checkBody(p, done.plus(Duration.ofDays(12)), 1 - gone, 0, 0));
            look.put("lost", gone);
            api.put("/api/checks/" + Api.newId(), look).expect(200);
        }
        JsonNode complete = api.get("/api/comparisons").expect(200).body().get(0);
        assertThat(complete.path("complete").asBoolean()).isTrue();
        assertThat(complete.path("result").path("sentence").asString())
                .isEqualTo("Of one treatment no flower is decided, so that nothing can be compared.");
    }
}
