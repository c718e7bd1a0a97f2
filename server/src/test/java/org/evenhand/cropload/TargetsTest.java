package org.evenhand.cropload;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.cropload.CropLoad;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.statistics.BetaPosterior;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is wanted of trees, what they can carry, and what this orchard's own fruit has taught. */
class TargetsTest {
    /** Cherimoya: share that sets before anything was seen, and how many flowers that belief weighs. */
    private static final BetaPosterior SHIPPED = BetaPosterior.ofMean(0.5, 4);

    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String ridge = api.variety("Pale Ridge");
    private final String tree = api.tree(ridge, "Pale Ridge 1");
    private final String sister = api.tree(ridge, "Pale Ridge 2");
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");

    private JsonNode budget(String of) {
        for (JsonNode b : api.get("/api/targets").expect(200).body()) {
            if (b.path("treeId").asString().equals(of)) {
                return b;
            }
        }
        throw new AssertionError("no budget of " + of);
    }

    private String want(Map<String, Object> target) {
        Map<String, Object> all = new HashMap<>(Map.of("confidence", 90, "priority", 1));
        all.putAll(target);
        String id = Api.newId();
        api.put("/api/targets/" + id, all).expect(200);
        return id;
    }

    private void checked(String of, int flowers, int taken, int failed) {
        Instant then = now.minus(Duration.ofDays(20));
        String lot = api.lot(giver, then, flowers).expect(200).id();
        String done = api.pollinate(of, lot, flowers, then).expect(200).id();
        if (taken + failed > 0) {
            api.check(done, now.minus(Duration.ofDays(2)), taken, failed, flowers - taken - failed)
                    .expect(200);
        }
    }

    @Test
    void a_target_of_a_variety_holds_for_each_of_its_trees_until_a_tree_has_its_own() {
        want(Map.of("varietyId", ridge, "fruits", 6));
        want(Map.of("treeId", sister, "fruits", 2));

        assertThat(budget(tree).path("wanted").asInt()).isEqualTo(6);
        assertThat(budget(tree).path("ofVariety").asBoolean()).isTrue();
        assertThat(budget(sister).path("wanted").asInt()).isEqualTo(2);
        assertThat(budget(sister).path("ofVariety").asBoolean()).isFalse();
        assertThat(budget(giver).has("wanted")).isFalse();
        assertThat(api.put(
                                "/api/targets/" + Api.newId(),
                                Map.of("varietyId", ridge, "fruits", 3, "confidence", 90, "priority", 1))
                        .expect(400)
                        .errorAt("varietyId"))
                .contains("has a target already");
    }

    @Test
    void the_budget_is_that_of_the_belief_and_more_checks_of_a_good_set_ask_for_fewer_flowers() {
        want(Map.of("treeId", tree, "fruits", 10));
        int before = budget(tree).path("flowers").asInt();
        assertThat(before).isEqualTo(FlowerBudget.believed(10, SHIPPED, 0.9).flowers());

        checked(sister, 30, 27, 3);

        JsonNode learned = budget(tree);
        BetaPosterior belief = SHIPPED.after(27, 30);
        assertThat(learned.path("share").asDouble()).isCloseTo(belief.mean(), within(1e-9));
        assertThat(learned.path("learnedFrom").asInt()).isEqualTo(30);
        assertThat(learned.path("flowers").asInt())
                .isEqualTo(FlowerBudget.believed(10, belief, 0.9).flowers())
                .isLessThan(before);
        assertThat(learned.path("why").asString()).contains("learned from 30 flowers of cherimoya");
    }

    @Test
    void fruits_that_have_set_count_and_flowers_not_yet_known_are_not_done_again() {
        want(Map.of("treeId", tree, "fruits", 10));
        checked(tree, 12, 4, 6);

        JsonNode budget = budget(tree);

        assertThat(budget.path("set").asInt()).isEqualTo(4);
        assertThat(budget.path("pending").asInt()).isEqualTo(2);
        int flowers = FlowerBudget.believed(6, SHIPPED.after(4, 10), 0.9).flowers();
        assertThat(budget.path("flowers").asInt()).isEqualTo(flowers);
        assertThat(budget.path("more").asInt()).isEqualTo(flowers - 2);
    }

    @Test
    void another_varietys_fruit_teaches_less_than_ones_own() {
        String far = api.tree(api.variety("Far Gate"), "Far Gate 1");
        checked(far, 200, 180, 20);

        BetaPosterior weighed = SHIPPED.after(180 * 20 / 200.0, 20);
        assertThat(budget(tree).path("share").asDouble()).isCloseTo(weighed.mean(), within(1e-9));
        assertThat(budget(far).path("share").asDouble())
                .isCloseTo(SHIPPED.after(180, 200).mean(), within(1e-9));
    }

    @Test
    void limbs_bind_where_they_carry_less_than_the_trunk() {
        // A 10 mm twig carries one, so 20 mm carry four and 9 mm none.
        want(Map.of("treeId", tree, "girthCm", 60, "limbsMm", List.of(10, 20, 9)));

        assertThat(budget(tree).path("carries").asInt()).isEqualTo(5);
        assertThat(budget(tree).path("why").asString())
                .contains("girth 60.0 cm")
                .contains("its 3 limbs carry 5");
        want(Map.of("treeId", sister, "girthCm", 30));
        assertThat(budget(sister).path("carries").asInt())
                .isEqualTo(CropLoad.whole(CropLoad.exactTarget(CropLoad.areaOfGirth(30), 0.35)));
    }

    @Test
    void a_young_tree_is_to_bear_nothing_unless_somebody_says_otherwise() {
        String young = Api.newId();
        api.put(
                        "/api/trees/" + young,
                        Map.of(
                                "varietyId",
                                ridge,
                                "name",
                                "Pale Ridge 9",
                                "row",
                                9,
                                "position",
                                1,
                                "plantedOn",
                                "2025-08-01"))
                .expect(200);
        want(Map.of("treeId", young, "girthCm", 20));

        assertThat(budget(young).path("young").asBoolean()).isTrue();
        assertThat(budget(young).path("wanted").asInt()).isZero();
        assertThat(budget(young).path("why").asString()).contains("younger than 3 years");
        assertThat(budget(young).path("more").asInt()).isZero();
    }

    @Test
    void what_no_number_of_flowers_reaches_is_said_and_other_trees_still_get_their_answer() {
        checked(tree, 40, 0, 40);
        want(Map.of("treeId", tree, "fruits", 100_000));
        want(Map.of("treeId", giver, "fruits", 3));

        assertThat(budget(tree).has("flowers")).isFalse();
        assertThat(budget(giver).path("flowers").asInt()).isPositive();
        api.read(tree, now, Map.of("half-open", 9)).expect(200);
        assertThat(api.get("/api/plan?days=1")
                        .expect(200)
                        .body()
                        .path("obstacles")
                        .toString())
                .contains("obstacle.out-of-reach");
    }

    @Test
    void a_target_is_changed_under_its_version_taken_back_and_its_history_kept() {
        String id = want(Map.of("treeId", tree, "fruits", 7));
        Map<String, Object> more = Map.of("treeId", tree, "fruits", 9, "confidence", 95, "priority", 3, "version", 0);
        api.put("/api/targets/" + id, more).expect(200);
        api.put("/api/targets/" + id, more).expect(409);
        assertThat(budget(tree).path("target").path("priority").asInt()).isEqualTo(3);

        api.post("/api/targets/" + id + "/void", Api.voiding(1)).expect(204);

        assertThat(budget(tree).has("wanted")).isFalse();
        assertThat(server.database()
                        .queryForObject(
                                "select count(*) from fruit_target_history where id = ?::uuid", Integer.class, id))
                .isEqualTo(3);
        want(Map.of("treeId", tree, "fruits", 4));
    }

    @Test
    void the_database_itself_refuses_a_second_target_and_one_of_nothing() {
        want(Map.of("treeId", tree, "fruits", 7));
        String orchard = api.get("/api/orchard").body().path("id").asString();
        UUID account =
                server.database().queryForObject("select recorded_by from tree where id = ?::uuid", UUID.class, tree);

        for (String pair : List.of("'" + tree + "'::uuid, null", "null, null")) {
            org.assertj.core.api.Assertions.assertThatThrownBy(() -> server.database()
                            .update(
                                    "insert into fruit_target (id, orchard_id, tree_id, variety_id, limbs_mm, confidence,"
                                            + " priority, note, recorded_by, recorded_at, zone, version) values"
                                            + " (gen_random_uuid(), '" + orchard + "', " + pair
                                            + ", '[]', 90, 1, '', '" + account + "', now(), 'UTC', 0)"))
                    .isInstanceOf(org.springframework.dao.DataIntegrityViolationException.class);
        }
    }

    @Test
    void a_manager_may_say_what_is_wanted_and_a_worker_reads_it() {
        UUID orchard = UUID.fromString(api.get("/api/orchard").body().path("id").asString());
        Map<String, Object> target = Map.of("treeId", tree, "fruits", 5, "confidence", 80, "priority", 2);
        Api tomas = server.member(orchard, Caller.Role.WORKER);
        tomas.put("/api/targets/" + Api.newId(), target).expect(403);
        tomas.get("/api/targets").expect(200);
        server.member(orchard, Caller.Role.MANAGER)
                .put("/api/targets/" + Api.newId(), target)
                .expect(200);
        assertThat(budget(tree).path("wanted").asInt()).isEqualTo(5);
    }
}
