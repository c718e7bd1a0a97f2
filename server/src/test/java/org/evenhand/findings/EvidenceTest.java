package org.evenhand.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What flowers teach: ordinary work alone moves the learned share; everything else is shown apart, and nothing is lost. */
class EvidenceTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final Instant done = now.minus(Duration.ofDays(20));
    private final String lantern = api.variety("Lantern");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String ridge = api.variety("Pale Ridge");
    private final String taker = api.tree(ridge, "Pale Ridge 1");
    private final String lot = api.lot(giver, done.minusSeconds(600), 90).id();

    private void flowers(String tree, String jar, int flowers, int taken) {
        String id = api.pollinate(tree, jar, flowers, done).expect(200).id();
        api.check(id, done.plus(Duration.ofDays(12)), taken, flowers - taken, 0).expect(200);
    }

    private JsonNode findings() {
        return api.get("/api/findings").expect(200).body();
    }

    private JsonNode apart(String evidence) {
        for (JsonNode a : findings().path("apart")) {
            if (a.path("evidence").asString().equals(evidence)) {
                return a;
            }
        }
        throw new AssertionError("nothing apart as " + evidence);
    }

    private int learnedFrom(String tree) {
        for (JsonNode b : api.get("/api/targets").expect(200).body()) {
            if (b.path("treeId").asString().equals(tree)) {
                return b.path("learnedFrom").asInt();
            }
        }
        throw new AssertionError(tree);
    }

    @Test
    void pollen_that_does_not_fit_is_shown_apart_as_soon_as_that_is_known_and_counts_again_when_it_was_wrong() {
        flowers(taker, lot, 10, 7);
        flowers(giver, lot, 5, 0);
        assertThat(findings().path("all").path("decided").asInt()).isEqualTo(15);
        assertThat(learnedFrom(taker)).isEqualTo(15);

        Map<String, Object> variety = new HashMap<>(Map.of("crop", "cherimoya", "name", "Lantern", "version", 0));
        variety.put("numbers", Map.of("ownPollen", 0.0));
        api.put("/api/varieties/" + lantern, variety).expect(200);
        assertThat(findings().path("all").path("taken").asInt()).isEqualTo(7);
        assertThat(findings().path("all").path("decided").asInt()).isEqualTo(10);
        assertThat(apart("PAIR_DOES_NOT_FIT").path("rate").path("decided").asInt())
                .isEqualTo(5);
        assertThat(learnedFrom(taker)).isEqualTo(10);

        variety.put("version", 1);
        variety.put("numbers", Map.of());
        api.put("/api/varieties/" + lantern, variety).expect(200);
        assertThat(findings().path("all").path("decided").asInt()).isEqualTo(15);
        assertThat(findings().path("apart").size()).isZero();
    }

    @Test
    void dead_pollen_teaches_its_age_and_no_share_of_the_variety() {
        flowers(taker, lot, 10, 7);
        String old = api.lot(giver, done.minus(Duration.ofDays(700)), 40).id();
        flowers(taker, old, 12, 0);

        assertThat(apart("POLLEN_DEAD").path("flowers").asInt()).isEqualTo(12);
        assertThat(learnedFrom(taker)).isEqualTo(10);
        JsonNode age = findings().path("factors").get(0);
        assertThat(age.path("factor").asString()).isEqualTo("LOT_AGE");
        assertThat(age.path("sentence").asString()).contains("over 10 days: 0 % (0 of 12)");
        assertThat(age.path("sentence").asString()).contains("70 % (7 of 10)");
    }

    /** Six set, four of them drop: they set, they do not hold, and what holds is what a tree is said to carry. */
    @Test
    void what_drops_after_it_set_is_no_failure_and_is_held_against_what_drops_by_nature() {
        String id = api.pollinate(taker, lot, 8, done).expect(200).id();
        api.check(id, done.plus(Duration.ofDays(10)), 6, 2, 0).expect(200);
        Map<String, Object> later = new HashMap<>(Api.checkBody(id, done.plus(Duration.ofDays(18)), 2, 2, 0));
        later.put("dropped", 4);
        assertThat(api.put("/api/checks/" + Api.newId(), later)
                        .expect(200)
                        .body()
                        .path("notFound")
                        .asInt())
                .isZero();

        JsonNode found = findings();
        assertThat(found.path("all").path("taken").asInt()).isEqualTo(6);
        assertThat(found.path("drop").path("rate").path("taken").asInt()).isEqualTo(4);
        assertThat(found.path("drop").path("sentence").asString()).startsWith("67 % (4 of 6)");
        for (JsonNode b : api.get("/api/targets").expect(200).body()) {
            if (b.path("treeId").asString().equals(taker)) {
                assertThat(b.path("set").asInt()).isEqualTo(2);
            }
        }
        assertThat(api.get("/api/fruits")
                        .expect(200)
                        .body()
                        .path("sources")
                        .get(0)
                        .path("hanging")
                        .asInt())
                .isEqualTo(2);
    }

    /** Swelling says nothing; only a full seed does. */
    @Test
    void where_fruit_swells_without_pollen_success_is_a_full_seed_and_empty_seeds_are_none() {
        String male = api.tree(api.variety("rare-dioecious-male", "Gully male"), "G1");
        String female = api.tree(api.variety("rare-dioecious-female", "Gully female"), "G2");
        Instant long_ago = now.minus(Duration.ofDays(150));
        String jar = api.lot(male, long_ago.minusSeconds(900), 20).expect(200).id();
        String id = api.pollinate(female, jar, 4, long_ago).expect(200).id();
        api.check(id, long_ago.plus(Duration.ofDays(30)), 4, 0, 0).expect(200);
        assertThat(findings().path("undecided").asInt()).as("all swell").isEqualTo(4);
        assertThat(findings().has("all") && !findings().path("all").isNull()).isFalse();

        open(female, id, 3, 1);
        open(female, id, 1, 1);
        open(female, id, 0, 0);
        JsonNode found = findings();
        assertThat(found.path("all").path("taken").asInt()).isEqualTo(1);
        assertThat(found.path("all").path("decided").asInt()).isEqualTo(3);
        JsonNode seeds = found.path("seeds").get(0);
        assertThat(seeds.path("seeds").path("mean").asDouble()).isEqualTo(2 / 3.0);
        assertThat(seeds.path("seedless").asInt()).isEqualTo(2);
    }

    private void open(String tree, String pollination, int seeds, int empty) {
        api.put(
                        "/api/fruits/" + Api.newId(),
                        Map.of(
                                "treeId",
                                tree,
                                "pollinationId",
                                pollination,
                                "end",
                                Map.of("kind", "HARVESTED", "at", now.toString(), "seeds", seeds, "emptySeeds", empty)))
                .expect(200);
    }

    @Test
    void fruits_of_a_flower_and_crooked_ones_are_compared_by_how_the_stigma_was_covered() {
        told("FULL", 20, Map.of("fruits", 60, "whole", 54, "crooked", 6));
        told("LIGHT", 20, Map.of("fruits", 30, "whole", 12, "oneSided", 18, "resting", 3));
        JsonNode found = findings();
        JsonNode full = found.path("byCover").get(0);
        JsonNode light = found.path("byCover").get(1);
        assertThat(full.path("fruitsPerFlower").asDouble()).isEqualTo(3);
        assertThat(full.path("misshapen").path("taken").asInt()).isEqualTo(6);
        assertThat(light.path("misshapen").path("share").asDouble()).isEqualTo(0.6);
        assertThat(light.path("resting").path("decided").asInt()).isEqualTo(20);
        assertThat(found.path("misshapen").asString()).contains("95 % sure");
    }

    private void told(String strokes, int flowers, Map<String, Integer> detail) {
        Map<String, Object> pollination = new HashMap<>(Api.pollination(taker, lot, flowers, done));
        pollination.put("how", Map.of("treatment", "HAND", "strokes", strokes));
        String id = api.put("/api/pollinations/" + Api.newId(), pollination)
                .expect(200)
                .id();
        Map<String, Object> look = new HashMap<>(Api.checkBody(id, done.plus(Duration.ofDays(12)), flowers, 0, 0));
        look.put("detail", detail);
        api.put("/api/checks/" + Api.newId(), look).expect(200);
    }

    /** Stages compared by lot: the trial stands apart, and one press carries it into the sheet beside the numbers that are there. */
    @Test
    void a_trial_of_stages_goes_into_the_own_sheet_with_its_source_and_teaches_no_ordinary_share() {
        api.put(
                        "/api/own-sheets/" + Api.newId(),
                        Map.of("crop", "cherimoya", "numbers", Map.of("pollen.dosesPerFlower", 4)))
                .expect(200);
        List<String> stages = List.of("parted", "half-open");
        String id = Api.newId();
        JsonNode drawn = api.put(
                        "/api/comparisons/" + id,
                        Map.of("question", "STAGE", "names", stages, "trees", List.of(taker), "flowersEach", 8))
                .expect(200)
                .body();
        assertThat(drawn.path("arms").findValuesAsString("stage")).isEqualTo(stages);
        for (JsonNode place : drawn.path("places")) {
            int arm = place.path("arm").asInt();
            Map<String, Object> flower = new HashMap<>(Api.pollination(taker, lot, 1, done));
            flower.put("tag", place.path("tag").asString());
            flower.put("how", Map.of("treatment", "HAND", "stage", stages.get(arm)));
            flower.put("comparisonId", id);
            flower.put("slot", place.path("slot").asInt());
            String p = api.put("/api/pollinations/" + Api.newId(), flower)
                    .expect(200)
                    .id();
            api.check(p, done.plus(Duration.ofDays(13)), 1 - arm, arm, 0).expect(200);
        }
        JsonNode lesson = api.get("/api/comparisons")
                .expect(200)
                .body()
                .get(0)
                .path("result")
                .path("lesson");
        assertThat(lesson.path("applied").asBoolean()).isFalse();
        assertThat(lesson.path("changes").get(0).path("trial").asDouble()).isEqualTo(1);
        assertThat(lesson.path("changes").get(1).path("trial").asDouble())
                .as("(0 + 1) of (8 + 2) over (8 + 1) of (8 + 2)")
                .isEqualTo(0.11);
        JsonNode after = api.put("/api/comparisons/" + id + "/sheet/" + Api.newId(), Map.of())
                .expect(200)
                .body();
        assertThat(after.path("result").path("lesson").path("applied").asBoolean())
                .isTrue();
        JsonNode history =
                api.get("/api/crops/cherimoya/own").expect(200).body().get(0);
        assertThat(history.path("numbers").path("pollen.dosesPerFlower").asDouble())
                .isEqualTo(4);
        assertThat(history.path("numbers").path("stages[1].receptivity").asDouble())
                .isEqualTo(1);
        assertThat(history.path("note").asString()).startsWith("trial K1: ").contains("8 of 8");

        assertThat(apart("TRIAL").path("rate").path("decided").asInt()).isEqualTo(16);
        assertThat(learnedFrom(taker)).isZero();
    }
}
