package org.evenhand.orchard;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A variety's own numbers: kept with their source, asked for by every step that uses them, and taken back. */
class VarietyNumbersTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String ridge = api.variety("Pale Ridge");
    private final String tree = api.tree(lantern, "Lantern 1");
    private final String sister = api.tree(ridge, "Pale Ridge 1");

    private Api.Answer set(int version, Map<String, ?> numbers) {
        return api.put(
                "/api/varieties/" + lantern,
                Map.of("crop", "cherimoya", "name", "Lantern", "version", version, "numbers", numbers));
    }

    private JsonNode row(String path, String key, String of) {
        for (JsonNode row : api.get(path).expect(200).body()) {
            if (row.path(key).asString().equals(of)) {
                return row;
            }
        }
        throw new AssertionError("no " + key + " " + of + " in " + path);
    }

    @Test
    void numbers_are_kept_with_their_source_and_taken_back_by_leaving_them_empty() {
        set(0, Map.of("setShare", 0.6, "dosesPerFlower", 2.5, "source", "own records 2023 to 2025"))
                .expect(200);

        JsonNode kept = row("/api/varieties", "id", lantern).path("numbers");
        assertThat(kept.path("setShare").asDouble()).isEqualTo(0.6);
        assertThat(kept.path("dosesPerFlower").asDouble()).isEqualTo(2.5);
        assertThat(kept.path("source").asString()).isEqualTo("own records 2023 to 2025");
        assertThat(kept.has("ownPollen") && !kept.path("ownPollen").isNull()).isFalse();

        // A change of its name alone leaves its numbers.
        api.put("/api/varieties/" + lantern, Map.of("crop", "cherimoya", "name", "Lantern Hill", "version", 1))
                .expect(200);
        assertThat(row("/api/varieties", "id", lantern)
                        .path("numbers")
                        .path("setShare")
                        .asDouble())
                .isEqualTo(0.6);

        set(2, Map.of()).expect(200);
        assertThat(row("/api/varieties", "id", lantern)
                        .path("numbers")
                        .path("setShare")
                        .isNumber())
                .isFalse();
    }

    @Test
    void seeds_of_a_varietys_fruit_decide_how_many_flowers_a_cross_request_for_seeds_takes() {
        api.put(
                        "/api/cross-requests/" + Api.newId(),
                        Map.of("motherId", lantern, "fatherId", ridge, "seeds", 60, "priority", 1))
                .expect(200);
        int bySheet = requested();
        set(0, Map.of("seedsPerFruit", 6)).expect(200);
        assertThat(requested()).isGreaterThan(2 * bySheet);
        assertThat(set(1, Map.of("seedsPerFruit", 0)).expect(400).errorAt("numbers.seedsPerFruit"))
                .contains("allowed is");
    }

    private int requested() {
        return api.get("/api/cross-requests")
                .expect(200)
                .body()
                .get(0)
                .path("flowers")
                .asInt();
    }

    @Test
    void a_number_that_cannot_be_is_refused_beside_its_field_and_nothing_is_written() {
        Map<String, Double> bad = Map.of(
                "ownPollen", 1.2,
                "setShare", 0.0,
                "chillPortions", -1.0,
                "dosesPerFlower", 0.0,
                "developmentRate", 4.0);
        bad.forEach((field, value) -> assertThat(
                        set(0, Map.of(field, value)).expect(400).errorAt("numbers." + field))
                .as(field)
                .contains("allowed is"));
        assertThat(row("/api/varieties", "id", lantern).path("version").asInt()).isZero();
    }

    @Test
    void two_people_who_change_them_at_once_do_not_overwrite_each_other() {
        set(0, Map.of("setShare", 0.6)).expect(200);
        set(0, Map.of("setShare", 0.4)).expect(409);
        assertThat(row("/api/varieties", "id", lantern)
                        .path("numbers")
                        .path("setShare")
                        .asDouble())
                .isEqualTo(0.6);
    }

    @Test
    void a_lower_set_share_asks_for_more_flowers_of_this_variety_only() {
        for (String of : new String[] {tree, sister}) {
            api.put("/api/targets/" + Api.newId(), Map.of("treeId", of, "fruits", 8, "confidence", 90, "priority", 1))
                    .expect(200);
        }
        int before = row("/api/targets", "treeId", tree).path("flowers").asInt();
        int beside = row("/api/targets", "treeId", sister).path("flowers").asInt();

        set(0, Map.of("setShare", 0.2, "source", "own records")).expect(200);

        JsonNode after = row("/api/targets", "treeId", tree);
        assertThat(after.path("share").asDouble()).isCloseTo(0.2, within(1e-9));
        assertThat(after.path("flowers").asInt()).isGreaterThan(2 * before);
        assertThat(after.path("why").asString()).contains("as set for Lantern (own records)");
        assertThat(row("/api/targets", "treeId", sister).path("flowers").asInt())
                .isEqualTo(beside);
    }

    @Test
    void doses_of_its_flowers_say_how_many_to_gather() {
        int usual = flowersToCollect().path("expected").asInt();
        double each = flowersToCollect().path("dosesPerFlower").asDouble();
        set(0, Map.of("dosesPerFlower", each / 4)).expect(200);

        assertThat(flowersToCollect().path("dosesPerFlower").asDouble()).isCloseTo(each / 4, within(1e-9));
        assertThat(flowersToCollect().path("expected").asInt()).isBetween(4 * usual - 4, 4 * usual);
    }

    private JsonNode flowersToCollect() {
        return api.get("/api/gathering?variety=" + lantern + "&doses=40")
                .expect(200)
                .body();
    }

    /** Self-fertile or self-sterile: the plan of mates says what the grower set, not what the sheet says of the crop. */
    @Test
    void its_own_pollen_serves_as_far_as_was_set() {
        set(0, Map.of("ownPollen", 0)).expect(200);
        String sterile = verdict();
        set(1, Map.of("ownPollen", 1)).expect(200);
        String fertile = verdict();

        assertThat(sterile).isEqualTo("NO");
        assertThat(fertile).isEqualTo("YES");
    }

    private String verdict() {
        return api.get("/api/mates/pair?mother=" + lantern + "&father=" + lantern)
                .expect(200)
                .body()
                .path("answer")
                .path("verdict")
                .asString();
    }

    /** A variety that was set to develop slower is foreseen so, give or take the little doubt that is left about a number set. */
    @Test
    void the_rate_that_was_set_is_that_of_the_forecast() {
        api.read(tree, now.minus(Duration.ofHours(30)), Map.of("closed", 60, "parted", 12))
                .expect(200);
        JsonNode usual = rate();
        set(0, Map.of("developmentRate", 1.4)).expect(200);

        JsonNode slower = rate();

        assertThat(usual.path("factor").asDouble()).isBetween(0.8, 1.25);
        assertThat(slower.path("factor").asDouble()).isCloseTo(1.4, within(0.1));
        assertThat(slower.path("high").asDouble() - slower.path("low").asDouble())
                .isLessThan(usual.path("high").asDouble() - usual.path("low").asDouble());
    }

    private JsonNode rate() {
        for (JsonNode row : api.get("/api/bloom?hours=24").expect(200).body().path("trees")) {
            if (row.path("treeId").asString().equals(tree)) {
                return row.path("developmentRate");
            }
        }
        throw new AssertionError("no row");
    }

    /** Numbers are the orchard's own: a neighbour with a variety of the same name has none of them. */
    @Test
    void another_orchard_does_not_see_them() {
        set(0, Map.of("setShare", 0.6)).expect(200);
        Api neighbour = server.newOrchard();
        String same = neighbour.variety("Lantern");
        Map<String, Object> body = new HashMap<>(Map.of("crop", "cherimoya", "name", "Lantern", "version", 0));
        body.put("numbers", Map.of("setShare", 0.1));

        assertThat(neighbour.put("/api/varieties/" + lantern, body).status()).isIn(403, 404, 409);
        neighbour.put("/api/varieties/" + same, body).expect(200);
        assertThat(row("/api/varieties", "id", lantern)
                        .path("numbers")
                        .path("setShare")
                        .asDouble())
                .isEqualTo(0.6);
    }
}
