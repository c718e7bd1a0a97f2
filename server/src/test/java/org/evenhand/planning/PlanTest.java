package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.StreamSupport;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Rounds of the coming days: what is wanted, when one can go, what was chosen, what stands in the way. */
class PlanTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String ridge = api.variety("Pale Ridge");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String taker = api.tree(ridge, "Pale Ridge 1");

    private JsonNode plan(int days) {
        return api.get("/api/plan?days=" + days).expect(200).body();
    }

    private void hours(Map<String, Object> settings) {
        JsonNode there = api.get("/api/round-settings").body();
        Map<String, Object> sent = new HashMap<>(settings);
        String id = Api.newId();
        if (there.has("version")) {
            sent.put("version", there.path("version").asLong());
            id = there.path("id").asString();
        }
        api.put("/api/round-settings/" + id, sent).expect(200);
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private void bloomAndPollen() {
        api.read(giver, now, Map.of("closed", 12, "half-open", 6, "shedding", 5))
                .expect(200);
        api.read(taker, now, Map.of("closed", 20, "parted", 9, "half-open", 6)).expect(200);
    }

    @Test
    void without_readings_hours_females_or_pollen_it_says_exactly_what_stands_in_the_way() {
        assertThat(plan(3).path("obstacles").toString()).contains("obstacle.no-reading");

        String vine = api.tree(api.variety("kiwifruit-female", "Far Gate"), "Far Gate 1");
        api.read(vine, now, Map.of("fresh", 9)).expect(200);
        JsonNode noPollen = plan(3);
        assertThat(noPollen.path("obstacles").toString()).contains("obstacle.no-pollen");
        assertThat(noPollen.path("left").get(0).path("reason").asString()).isEqualTo("NO_POLLEN");
        assertThat(noPollen.path("left").get(0).path("wouldServe").path("key").asString())
                .isEqualTo("save.elsewhere");

        hours(Api.settings(
                Map.of("away", List.of(Map.of("first", "2026-11-20", "last", "2026-12-20", "note", "the sea")))));
        JsonNode away = plan(3);
        assertThat(away.path("obstacles").toString()).contains("obstacle.no-hour");
        assertThat(away.path("rounds").size()).isZero();

        hours(Api.settings());
        api.read(vine, now, Map.of("fall", 9)).expect(200);
        assertThat(plan(2).path("obstacles").toString()).contains("obstacle.no-flower");
    }

    @Test
    void rounds_lie_in_free_hours_collect_first_and_never_pass_a_limit() {
        bloomAndPollen();
        hours(Api.settings(Map.of("flowersPerHour", 2)));

        JsonNode plan = plan(4);

        assertThat(plan.path("proven").asBoolean()).isTrue();
        assertThat(plan.path("rounds").size()).isBetween(2, 4);
        double fruits = 0;
        for (JsonNode round : plan.path("rounds")) {
            Instant at = Instant.parse(round.path("at").asString());
            assertThat(at.atZone(java.time.ZoneId.of("Pacific/Auckland")).getHour())
                    .isBetween(16, 18);
            assertThat(round.path("flowers").asInt())
                    .isLessThanOrEqualTo(round.path("mostFlowers").asInt());
            assertThat(round.path("why").get(0).path("key").asString()).isEqualTo("visit.flowers");
            fruits += round.path("expectedFruits").asDouble();
            int toCollect = list(round.path("collect")).stream()
                    .mapToInt(c -> c.path("doses").asInt())
                    .sum();
            for (JsonNode stop : round.path("stops")) {
                assertThat(stop.path("why").asString()).isNotBlank();
                assertThat(stop.path("flowers").asInt()).isPositive();
                assertThat(stop.has("lotId")
                                || toCollect > 0
                                || !round.equals(plan.path("rounds").get(0)))
                        .isTrue();
            }
        }
        assertThat(plan.path("expectedFruits").asDouble())
                .isCloseTo(fruits, within(1e-6))
                .isPositive();
        assertThat(plan.path("moments").size()).isEqualTo(plan.path("receptive").size());
    }

    /** Today and the Round ask for the one, Coming days for the other. */
    @Test
    void the_next_visit_is_the_first_of_the_coming_days_stop_by_stop_in_any_orchard() {
        Random random = new Random(20261128);
        for (int orchard = 0; orchard < 4; orchard++) {
            Api api = server.newOrchard();
            List<String> varieties = List.of(api.variety("Lantern"), api.variety("Pale Ridge"), api.variety("Ember"));
            String first = null;
            for (int i = 0; i < 5; i++) {
                first = api.tree(varieties.get(i % 3), "Tree " + i);
                api.read(
                                first,
                                now,
                                Map.of(
                                        "closed",
                                        random.nextInt(20),
                                        "half-open",
                                        1 + random.nextInt(9),
                                        "shedding",
                                        random.nextInt(5)))
                        .expect(200);
            }
            if (orchard % 2 == 0) {
                api.lot(first, now.minus(Duration.ofHours(1)), 5 + random.nextInt(20));
            }
            JsonNode next = api.get("/api/round").expect(200).body();
            JsonNode plan = api.get("/api/plan?days=4")
                    .expect(200)
                    .body()
                    .path("rounds")
                    .get(0);
            assertThat(next.path("stops")).isNotEmpty().isEqualTo(plan.path("stops"));
            assertThat(next.path("collect")).isEqualTo(plan.path("collect"));
            assertThat(next.path("at")).isEqualTo(plan.path("at"));
            assertThat(next.path("bestHours").path("until")).isEqualTo(plan.path("until"));
            assertThat(list(next.path("stops")).stream()
                            .filter(s -> s.path("kind").asString().startsWith("POLLINATE"))
                            .mapToInt(s -> s.path("flowers").asInt())
                            .sum())
                    .isEqualTo(plan.path("flowers").asInt());
        }
    }

    @Test
    void what_is_in_a_jar_since_an_hour_ago_is_not_collected_again() {
        bloomAndPollen();
        assertThat(list(api.get("/api/round").expect(200).body().path("collect")))
                .isNotEmpty();
        String jar = api.lot(giver, now.minus(Duration.ofHours(1)), 60).id();

        JsonNode round = api.get("/api/round").expect(200).body();

        assertThat(list(round.path("collect"))).isEmpty();
        assertThat(list(round.path("stops")))
                .isNotEmpty()
                .allMatch(s -> s.path("lotId").asString().equals(jar));
    }

    @Test
    void every_dose_of_a_living_jar_is_planned_or_stays_in_it() {
        bloomAndPollen();
        String jar = api.lot(giver, now.minus(Duration.ofHours(1)), 200).id();

        JsonNode plan = plan(4);

        int planned = stopsOf(plan, jar).stream()
                .mapToInt(s -> s.path("flowers").asInt())
                .sum();
        assertThat(planned).isPositive();
        JsonNode spare = plan.path("spare").get(0);
        assertThat(spare.path("lotId").asString()).isEqualTo(jar);
        assertThat(planned + spare.path("doses").asInt()).isEqualTo(200);
        assertThat(spare.path("viability").asDouble())
                .as("as the shelf says it")
                .isEqualTo(list(api.get("/api/lots").body())
                        .get(0)
                        .path("viability")
                        .path("share")
                        .asDouble());
    }

    @Test
    void same_hour_pollen_leaves_the_jar_of_yesterday_alone() {
        api.read(taker, now, Map.of("half-open", 6)).expect(200);
        String old = api.lot(giver, now.minus(Duration.ofHours(20)), 30).id();
        assertThat(stopsOf(plan(1), old)).isNotEmpty();

        hours(Api.settings(Map.of("pollenAge", "SAME_HOUR")));

        assertThat(stopsOf(plan(1), old)).isEmpty();
    }

    private List<JsonNode> stopsOf(JsonNode plan, String lot) {
        return list(plan.path("rounds")).stream()
                .flatMap(r -> list(r.path("stops")).stream())
                .filter(s -> s.path("lotId").asString("").equals(lot))
                .toList();
    }

    @Test
    void a_choice_is_kept_to_its_cost_is_shown_and_it_can_be_taken_back() {
        api.read(taker, now, Map.of("half-open", 10)).expect(200);
        String other = api.tree(ridge, "Pale Ridge 2");
        api.read(other, now, Map.of("half-open", 10)).expect(200);
        String good = api.lot(giver, now, 10).id();
        double free = plan(1).path("expectedFruits").asDouble();
        assertThat(plan(1).has("cost")).isFalse();

        String never = Api.newId();
        api.put("/api/pollen-overrides/" + never, Map.of("treeId", taker, "lotId", good, "flowers", 0))
                .expect(200);
        api.put(
                        "/api/pollen-overrides/" + Api.newId(),
                        Map.of("treeId", other, "lotId", good, "flowers", 500, "onDay", "2026-11-24"))
                .expect(200);
        JsonNode plan = plan(1);

        assertThat(stopsOf(plan, good))
                .allMatch(s -> s.path("treeId").asString().equals(other));
        assertThat(plan.path("expectedFruits").asDouble() + plan.path("cost").asDouble())
                .isCloseTo(free, within(1e-6));
        assertThat(list(plan.path("choices")))
                .filteredOn(c -> c.path("flowers").asInt() == 500)
                .singleElement()
                .satisfies(c -> assertThat(c.path("problem").asString()).contains("only 10 can be had"));
        api.post("/api/pollen-overrides/" + never + "/void", Api.voiding(0)).expect(204);
        assertThat(plan(1).path("choices").size()).isEqualTo(1);

        String wrong = api.lot(api.tree(api.variety("apple", "Ember"), "Ember 1"), now, 5)
                .id();
        assertThat(api.put(
                                "/api/pollen-overrides/" + Api.newId(),
                                Map.of("treeId", taker, "lotId", wrong, "flowers", 3))
                        .expect(400)
                        .errorAt("lotId"))
                .contains("cannot serve Pale Ridge 1");
    }

    @Test
    void a_target_turns_trunk_and_learned_share_into_flowers_and_limits_the_plan() {
        api.read(taker, now, Map.of("half-open", 60)).expect(200);
        api.lot(giver, now, 200).expect(200);
        String id = Api.newId();
        Map<String, Object> byTrunk =
                new HashMap<>(Map.of("treeId", taker, "girthCm", 20, "confidence", 90, "priority", 1));
        api.put("/api/targets/" + id, byTrunk).expect(200);

        JsonNode budget = budget(taker);

        // 20 cm of girth are 31.8 cm² of trunk; at 0.35 a cm² that is 11 fruits.
        assertThat(budget.path("carries").asInt()).isEqualTo(11);
        assertThat(budget.path("wanted").asInt()).isEqualTo(11);
        assertThat(budget.path("why").asString()).contains("girth 20.0 cm").contains("nothing was checked here yet");
        List<JsonNode> sure = list(budget.path("sure"));
        assertThat(sure).hasSize(3);
        assertThat(sure.get(0).path("flowers").asInt())
                .isLessThan(sure.get(2).path("flowers").asInt());
        int more = budget.path("more").asInt();
        assertThat(more).isEqualTo(sure.get(1).path("flowers").asInt());

        byTrunk.put("fruits", 2);
        byTrunk.put("version", 0);
        api.put("/api/targets/" + id, byTrunk).expect(200);
        int few = budget(taker).path("more").asInt();
        assertThat(few).isLessThan(more);
        int planned = list(plan(1).path("rounds")).stream()
                .mapToInt(r -> r.path("flowers").asInt())
                .sum();
        assertThat(planned).isLessThanOrEqualTo(few).isPositive();

        byTrunk.put("fruits", 400);
        byTrunk.put("version", 1);
        api.put("/api/targets/" + id, byTrunk).expect(200);
        assertThat(plan(1).path("obstacles").toString())
                .contains("obstacle.too-many-fruits")
                .contains("\"carries\":11");
        byTrunk.put("priority", 0);
        byTrunk.put("version", 2);
        api.put("/api/targets/" + id, byTrunk).expect(200);
        assertThat(list(plan(1).path("rounds")).stream()
                        .mapToInt(r -> r.path("flowers").asInt())
                        .sum())
                .as("to be left alone")
                .isZero();
    }

    private JsonNode budget(String tree) {
        return list(api.get("/api/targets").expect(200).body()).stream()
                .filter(b -> b.path("treeId").asString().equals(tree))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void what_cannot_be_said_is_refused_beside_its_field() {
        Map<String, Object> bad = Api.settings(Map.of("everyDay", List.of(Map.of("from", "16:00", "until", "16:00"))));
        assertThat(api.put("/api/round-settings/" + Api.newId(), bad)
                        .expect(400)
                        .errorAt("everyDay[0].until"))
                .contains("the hour it begins");
        Map<String, Object> turned =
                Api.settings(Map.of("away", List.of(Map.of("first", "2026-12-05", "last", "2026-12-01", "note", ""))));
        assertThat(api.put("/api/round-settings/" + Api.newId(), turned)
                        .expect(400)
                        .errorAt("away[0].last"))
                .contains("before the first day away");
        assertThat(api.put(
                                "/api/targets/" + Api.newId(),
                                Map.of("varietyId", ridge, "girthCm", 30, "confidence", 90, "priority", 1))
                        .expect(400)
                        .errorAt("girthCm"))
                .contains("belongs to a tree");
        assertThat(api.put(
                                "/api/targets/" + Api.newId(),
                                Map.of("treeId", taker, "fruits", 3, "confidence", 70, "priority", 1))
                        .expect(400)
                        .errorAt("confidence"))
                .contains("allowed are 80, 90 and 95");
        assertThat(api.get("/api/plan?days=30").expect(400).errorAt("days")).contains("allowed is 1 to 10");
    }
}
