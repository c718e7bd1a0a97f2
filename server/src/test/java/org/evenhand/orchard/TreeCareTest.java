package org.evenhand.orchard;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Trees that are felled, grafted over or moved, and varieties that were entered twice: no record changes sides unasked. */
class TreeCareTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final LocalDate today = now.atZone(ZoneId.of("Pacific/Auckland")).toLocalDate();
    private final String lantern = api.variety("Lantern");
    private final String ridge = api.variety("Pale Ridge");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String taker = api.tree(ridge, "Pale Ridge 1");
    private String jar;
    private String pollination;

    @BeforeEach
    void anEvening() {
        Instant before = now.minus(Duration.ofDays(1));
        jar = api.lot(giver, before, 20).expect(200).id();
        pollination = api.pollinate(taker, jar, 6, before).expect(200).id();
        api.put("/api/readings/" + Api.newId(), Api.reading(taker, before, Map.of("parted", 9)))
                .expect(200);
    }

    private JsonNode tree(String id) {
        return api.get("/api/trees")
                .expect(200)
                .body()
                .valueStream()
                .filter(t -> t.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private Map<String, Object> treeBody(String id, Map<String, ?> changes) {
        JsonNode t = tree(id);
        Map<String, Object> body = new HashMap<>(Map.of(
                "varietyId",
                t.path("varietyId").asString(),
                "name",
                t.path("name").asString(),
                "row",
                t.path("row").asInt(),
                "position",
                t.path("position").asInt(),
                "version",
                t.path("version").asLong()));
        body.putAll(changes);
        return body;
    }

    private String say(String path) {
        return api.get(path).expect(200).body().toString();
    }

    @Test
    void grafted_over_a_tree_keeps_its_past_and_begins_anew_at_its_place() {
        String grafted = Api.newId();
        Map<String, Object> body = Map.of(
                "treeId",
                grafted,
                "varietyId",
                lantern,
                "name",
                "Lantern 2",
                "on",
                today.toString(),
                "version",
                tree(taker).path("version").asLong());
        api.put(
                        "/api/tree-spots/" + Api.newId(),
                        Map.of(
                                "treeId",
                                taker,
                                "latitude",
                                -35.3001,
                                "longitude",
                                173.9001,
                                "accuracyM",
                                3,
                                "how",
                                "GPS"))
                .expect(200);
        api.post("/api/trees/" + taker + "/graft", body).expect(200);
        api.post("/api/trees/" + taker + "/graft", body).expect(200);
        assertThat(api.get("/api/map")
                        .expect(200)
                        .body()
                        .path("trees")
                        .valueStream()
                        .filter(t -> t.path("treeId").asString().equals(grafted))
                        .map(t -> t.path("measured").path("latitude").asDouble()))
                .as("it stands where it stood, measured once")
                .containsExactly(-35.3001);

        assertThat(tree(taker).path("stoodUntil").asString()).isEqualTo(today.toString());
        assertThat(tree(grafted).path("graftedOnId").asString()).isEqualTo(taker);
        assertThat(tree(grafted).path("plantedOn").asString()).isEqualTo(today.toString());
        // The past stays what it was, and nothing is foreseen or looked for any more.
        assertThat(say("/api/story?tree=" + taker)).contains(pollination);
        assertThat(say("/api/bloom?hours=24")).doesNotContain(taker).contains(grafted);
        assertThat(say("/api/targets")).doesNotContain(taker);
        assertThat(api.get("/api/fruit-set").expect(200).body().path("due").asInt())
                .isZero();
        api.pollinate(grafted, jar, 1, now.minus(Duration.ofDays(1)))
                .expect(400)
                .errorAt("doneAt");
        Map<String, Object> again = with(body, "treeId", Api.newId());
        again.put("version", 1);
        api.post("/api/trees/" + taker + "/graft", again).expect(400).errorAt("on");
    }

    private static Map<String, Object> with(Map<String, Object> body, String key, Object value) {
        Map<String, Object> more = new HashMap<>(body);
        more.put(key, value);
        return more;
    }

    @Test
    void a_felled_tree_takes_no_records_of_later_days_and_keeps_those_of_before() {
        LocalDate last = today.minusDays(1);
        api.put("/api/trees/" + taker, treeBody(taker, Map.of("stoodUntil", last.toString())))
                .expect(200);

        assertThat(api.pollinate(taker, jar, 1, now).expect(400).errorAt("doneAt"))
                .contains("Pale Ridge 1 stood until");
        assertThat(api.put("/api/readings/" + Api.newId(), Api.reading(taker, now, Map.of("parted", 1)))
                        .expect(400)
                        .errorAt("takenAt"))
                .contains("stood until");
        api.pollinate(taker, jar, 1, now.minus(Duration.ofDays(1))).expect(200);
        assertThat(say("/api/pollinations")).contains(pollination);
        api.put(
                        "/api/trees/" + taker,
                        treeBody(taker, Map.of("stoodUntil", today.plusDays(1).toString())))
                .expect(400)
                .errorAt("stoodUntil");
    }

    @Test
    void records_count_for_another_variety_only_after_a_yes() {
        Map<String, Object> body = treeBody(taker, Map.of("varietyId", lantern));

        Api.Answer asked = api.put("/api/trees/" + taker, body).expect(409);
        assertThat(asked.body().path("confirm").asString()).isEqualTo("other-variety");
        assertThat(asked.body().path("detail").asString()).contains("Pale Ridge 1 has 2 records");
        String apple = api.variety("apple", "Copper Gate");
        assertThat(api.put("/api/trees/" + taker, with(body, "varietyId", apple))
                        .expect(409)
                        .body()
                        .path("detail")
                        .asString())
                .contains("of another crop");

        api.put("/api/trees/" + taker, with(body, "confirmed", List.of("other-variety")))
                .expect(200);
        assertThat(tree(taker).path("varietyName").asString()).isEqualTo("Lantern");
        String bare = api.tree(ridge, "Pale Ridge 2");
        api.put("/api/trees/" + bare, treeBody(bare, Map.of("varietyId", lantern)))
                .expect(200);
    }

    @Test
    void a_variety_entered_twice_becomes_one_with_all_that_named_it() {
        String twin = api.variety("Lanternn");
        String tree = api.tree(twin, "Lantern 9");
        String twinJar =
                api.lot(tree, now.minus(Duration.ofHours(3)), 5).expect(200).id();
        String used = api.pollinate(taker, twinJar, 2, now).expect(200).id();
        String child = api.variety("Child");
        breed(child, Map.of("motherId", twin, "fatherId", ridge));
        for (String variety : List.of(lantern, twin)) {
            api.put(
                            "/api/bloom-dates/" + Api.newId(),
                            Map.of("varietyId", variety, "year", 2025, "firstBloom", "2025-10-20"))
                    .expect(200);
        }
        api.put("/api/bloom-dates/" + Api.newId(), Map.of("varietyId", twin, "year", 2024, "firstBloom", "2024-10-21"))
                .expect(200);
        String request = "/api/cross-requests/";
        api.put(request + Api.newId(), Map.of("motherId", ridge, "fatherId", lantern, "flowers", 3, "priority", 2))
                .expect(200);
        api.put(request + Api.newId(), Map.of("motherId", ridge, "fatherId", twin, "flowers", 4, "priority", 2))
                .expect(200);
        assertThat(say("/api/story/variety/" + twin + "/effects")).contains("\"of\":\"jar\",\"number\":1");
        String apart = everythingNamed();

        api.post("/api/varieties/" + twin + "/merge", Map.of("into", lantern, "version", 0))
                .expect(200);

        assertThat(say("/api/varieties")).doesNotContain(twin).contains(lantern);
        assertThat(tree(tree).path("varietyId").asString()).isEqualTo(lantern);
        assertThat(say("/api/lots/" + twinJar)).contains("\"varietyName\":\"Lantern\"");
        assertThat(new String(api.bytes("/api/records/tables/bloom-dates.csv"), StandardCharsets.UTF_8).lines())
                .as("a head, and a line for each of two years")
                .hasSize(3);
        assertThat(api.get("/api/cross-requests").expect(200).body().toString()).doesNotContain(twin);
        assertThat(say("/api/pollinations")).contains(used);
        api.post("/api/varieties/" + twin + "/merge", Map.of("into", lantern, "version", 0))
                .expect(200);

        assertThat(say("/api/story/variety/" + twin + "/effects"))
                .as("a tree, a jar, a child, two years of bloom and a wanted cross")
                .contains("{\"what\":\"BACK\",\"of\":\"Lanternn\",\"number\":6}");
        api.post("/api/story/variety/" + twin + "/restore", Map.of("version", 1))
                .expect(204);
        assertThat(everythingNamed()).isEqualTo(apart);
    }

    @Test
    void what_was_changed_since_a_merge_stays_as_it_is_when_the_varieties_are_parted() {
        String twin = api.variety("Lanternn");
        String tree = api.tree(twin, "Lantern 9");
        String other = api.tree(twin, "Lantern 10");
        api.post("/api/varieties/" + twin + "/merge", Map.of("into", lantern, "version", 0))
                .expect(200);
        api.put("/api/trees/" + tree, treeBody(tree, Map.of("varietyId", ridge)))
                .expect(200);

        api.post("/api/story/variety/" + twin + "/restore", Map.of("version", 1))
                .expect(204);

        assertThat(tree(tree).path("varietyId").asString()).isEqualTo(ridge);
        assertThat(tree(other).path("varietyId").asString()).isEqualTo(twin);
        api.post("/api/story/variety/" + twin + "/restore", Map.of("version", 2))
                .expect(204);
        assertThat(tree(tree).path("varietyId").asString()).as("once is enough").isEqualTo(ridge);
    }

    /** Every page on which varieties are named, without what counts changes. */
    private String everythingNamed() {
        String named = String.join(
                "\n",
                say("/api/varieties"),
                say("/api/trees"),
                say("/api/lots"),
                say("/api/pollinations"),
                say("/api/cross-requests"),
                new String(api.bytes("/api/records/tables/bloom-dates.csv"), StandardCharsets.UTF_8));
        return named.replaceAll("\"version\":\\d+|(?m),\\d+\\s*$", "");
    }

    private void breed(String id, Map<String, ?> breeding) {
        JsonNode v = api.get("/api/varieties")
                .body()
                .valueStream()
                .filter(x -> x.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        api.put(
                        "/api/varieties/" + id,
                        Map.of(
                                "name",
                                v.path("name").asString(),
                                "crop",
                                v.path("crop").asString(),
                                "breeding",
                                breeding,
                                "version",
                                v.path("version").asLong()))
                .expect(200);
    }

    @Test
    void a_parent_is_not_merged_with_its_child_nor_a_variety_with_one_of_another_crop() {
        String child = api.variety("Child");
        breed(child, Map.of("motherId", lantern));
        String apple = api.variety("apple", "Copper Gate");

        for (String into : List.of(child, lantern, apple)) {
            assertThat(api.post("/api/varieties/" + lantern + "/merge", Map.of("into", into, "version", 0))
                            .expect(400)
                            .errorAt("into"))
                    .isNotBlank();
        }
        assertThat(api.post("/api/varieties/" + child + "/merge", Map.of("into", lantern, "version", 1))
                        .expect(400)
                        .errorAt("into"))
                .contains("nobody is their own parent");
        assertThat(tree(giver).path("varietyId").asString()).isEqualTo(lantern);
    }

    @Test
    void what_hangs_on_a_tree_is_said_before_it_is_removed_and_a_variety_goes_when_nothing_names_it() {
        assertThat(say("/api/story/tree/" + taker + "/effects"))
                .contains("{\"what\":\"RECORDS\",\"of\":\"pollination\",\"number\":1}")
                .contains("{\"what\":\"RECORDS\",\"of\":\"reading\",\"number\":1}");
        assertThat(say("/api/story/variety/" + ridge + "/effects"))
                .contains("{\"what\":\"FIRST\",\"of\":\"tree\",\"number\":1}");
        api.post("/api/story/variety/" + ridge + "/remove", Api.voiding(0)).expect(400);
        String unused = api.variety("Sea Cliff");
        api.post("/api/story/variety/" + unused + "/remove", Api.voiding(0)).expect(204);
        api.post("/api/story/variety/" + unused + "/restore", Map.of("version", 1))
                .expect(204);

        assertThat(say("/api/varieties")).contains(unused);
    }
}
