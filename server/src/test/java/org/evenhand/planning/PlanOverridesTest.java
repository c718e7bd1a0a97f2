package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The plan keeps to the days on which one goes, to what sheets say of young trees and early flowers, and to what people decide. */
class PlanOverridesTest {
    private static final ZoneId HERE = ZoneId.of("Pacific/Auckland");
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String ridge = api.variety("Pale Ridge");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String taker = api.tree(ridge, "Pale Ridge 1");

    private JsonNode plan() {
        return api.get("/api/plan?days=10").expect(200).body();
    }

    private static List<LocalDate> days(JsonNode plan) {
        return plan.path("rounds")
                .valueStream()
                .map(r -> Instant.parse(r.path("at").asString()).atZone(HERE).toLocalDate())
                .distinct()
                .toList();
    }

    private static List<String> treesOf(JsonNode plan) {
        return plan.path("rounds")
                .valueStream()
                .flatMap(r -> r.path("stops").valueStream())
                .map(s -> s.path("treeId").asString())
                .distinct()
                .toList();
    }

    private void flowers() {
        api.read(giver, now, Map.of("closed", 40, "shedding", 6)).expect(200);
        api.read(taker, now, Map.of("closed", 40, "parted", 8, "half-open", 9)).expect(200);
        api.lot(giver, now, 20).expect(200);
    }

    private String override(Map<String, Object> of) {
        String id = Api.newId();
        api.put("/api/plan-overrides/" + id, of).expect(200);
        return id;
    }

    private void takeBack(String id) {
        api.post("/api/plan-overrides/" + id + "/void", Map.of("version", 0, "reason", "taken back"))
                .expect(204);
    }

    private void settings(Map<String, Object> change) {
        api.put("/api/round-settings/" + Api.newId(), Api.settings(change)).expect(200);
    }

    @Test
    void a_day_is_skipped_at_its_cost_and_comes_back() {
        flowers();
        JsonNode before = plan();
        assertThat(days(before)).contains(TODAY, TODAY.plusDays(1));
        assertThat(before.has("cost")).isFalse();
        Map<String, Object> skip = Map.of("kind", "SKIP_DAYS", "firstDay", TODAY.toString());

        double told = api.post("/api/plan-overrides/cost", skip)
                .expect(200)
                .body()
                .path("cost")
                .asDouble();
        assertThat(told).isPositive();
        assertThat(plan().path("overrides")).as("asking changes nothing").isEmpty();

        String id = override(skip);
        JsonNode after = plan();
        assertThat(days(after)).isNotEmpty().doesNotContain(TODAY);
        assertThat(after.path("overrides").get(0).path("id").asString()).isEqualTo(id);
        assertThat(after.path("cost").asDouble()).isEqualTo(told);
        assertThat(before.path("expectedFruits").asDouble()
                        - after.path("expectedFruits").asDouble())
                .isCloseTo(told, org.assertj.core.data.Offset.offset(1e-9));

        takeBack(id);
        assertThat(plan().path("rounds")).isEqualTo(before.path("rounds"));
    }

    @Test
    void a_skipped_tree_gets_no_visit_and_its_flowers_say_so() {
        flowers();
        String id = override(Map.of(
                "kind",
                "SKIP_TREE",
                "treeId",
                taker,
                "firstDay",
                TODAY.toString(),
                "lastDay",
                TODAY.plusDays(9).toString()));
        JsonNode plan = plan();
        assertThat(treesOf(plan)).doesNotContain(taker);
        JsonNode left = plan.path("left")
                .valueStream()
                .filter(l -> l.path("treeId").asString().equals(taker))
                .findFirst()
                .orElseThrow();
        assertThat(left.path("reason").asString()).isEqualTo("RULED_OUT");
        assertThat(left.path("wouldServe").toString()).contains("save.go").contains("Pale Ridge 1");
        takeBack(id);
        assertThat(plan().path("left").valueStream().map(l -> l.path("reason").asString()))
                .doesNotContain("RULED_OUT");
    }

    @Test
    void a_visit_at_ones_own_hour_replaces_the_one_next_to_it_on_every_page() {
        flowers();
        Instant next = Instant.parse(plan().path("rounds").get(0).path("at").asString());
        Instant own = next.plus(Duration.ofMinutes(95));
        override(Map.of("kind", "VISIT_AT", "visitAt", own.toString()));

        JsonNode plan = plan();
        assertThat(plan.path("rounds").get(0).path("at").asString()).isEqualTo(own.toString());
        assertThat(plan.path("rounds").get(0).path("why").get(0).path("key").asString())
                .isEqualTo("visit.chosen");
        assertThat(api.get("/api/round").expect(200).body().path("at").asString())
                .isEqualTo(own.toString());
        assertThat(plan.path("overrides").get(0).has("problem")).isFalse();
    }

    @Test
    void one_visit_is_left_out_and_the_others_of_its_day_stay() {
        flowers();
        settings(Map.of(
                "flowersPerHour",
                4,
                "everyDay",
                List.of(Map.of("from", "16:00", "until", "18:00"), Map.of("from", "20:30", "until", "22:00"))));
        List<String> before = hoursOf(plan());
        String skipped = before.get(0);
        Map<String, Object> skip = Map.of("kind", "SKIP_VISIT", "visitAt", skipped);
        JsonNode cost = api.post("/api/plan-overrides/cost", skip).expect(200).body();
        override(skip);

        List<String> after = hoursOf(plan());
        assertThat(after).doesNotContain(skipped).contains(before.get(1));
        assertThat(cost.path("cost").asDouble()).isGreaterThanOrEqualTo(0);
        JsonNode told = plan().path("overrides").get(0);
        assertThat(told.path("visitAt").asString()).isEqualTo(skipped);
        assertThat(told.has("problem")).isFalse();
    }

    private static List<String> hoursOf(JsonNode plan) {
        return plan.path("rounds")
                .valueStream()
                .map(r -> r.path("at").asString())
                .toList();
    }

    @Test
    void what_cannot_be_is_refused_or_told() {
        flowers();
        api.put(
                        "/api/plan-overrides/" + Api.newId(),
                        Map.of(
                                "kind",
                                "VISIT_AT",
                                "visitAt",
                                now.minusSeconds(3600).toString()))
                .expect(400);
        api.put(
                        "/api/plan-overrides/" + Api.newId(),
                        Map.of(
                                "kind",
                                "SKIP_DAYS",
                                "firstDay",
                                TODAY.toString(),
                                "lastDay",
                                TODAY.minusDays(1).toString()))
                .expect(400);
        api.put("/api/plan-overrides/" + Api.newId(), Map.of("kind", "SKIP_TREE", "firstDay", TODAY.toString()))
                .expect(400);
        override(Map.of(
                "kind",
                "SKIP_TREE",
                "treeId",
                taker,
                "firstDay",
                TODAY.toString(),
                "lastDay",
                TODAY.plusDays(9).toString()));
        String late = now.plus(Duration.ofHours(3)).toString();
        override(Map.of("kind", "VISIT_AT", "visitAt", late));
        assertThat(plan().path("overrides").get(1).path("problem").asString()).startsWith("Nothing can be");
    }

    @Test
    void days_follow_the_rhythm() {
        flowers();
        settings(Map.of("rhythm", "EVERY_OTHER_DAY"));
        assertThat(days(plan())).startsWith(TODAY, TODAY.plusDays(2)).doesNotContain(TODAY.plusDays(1));
    }

    @Test
    void weekdays_are_kept_to() {
        flowers();
        settings(Map.of("rhythm", "WEEKDAYS", "weekdays", List.of("THURSDAY")));
        assertThat(days(plan())).containsExactly(LocalDate.of(2026, 11, 26), LocalDate.of(2026, 12, 3));
    }

    @Test
    void flowers_before_leaf_out_wait_unless_every_flower_is_to_be_used() {
        flowers();
        api.put("/api/bloom-dates/" + Api.newId(), Map.of("varietyId", ridge, "year", 2026, "leafOut", "2026-11-05"))
                .expect(200);
        JsonNode waiting = plan();
        assertThat(treesOf(waiting)).doesNotContain(taker);
        assertThat(waiting.path("obstacles").toString()).contains("2026-12-17");
        JsonNode tree = waiting.path("account")
                .path("trees")
                .valueStream()
                .filter(t -> t.path("treeId").asString().equals(taker))
                .findFirst()
                .orElseThrow();
        assertThat(tree.path("notWantedAs").asString()).isEqualTo("EARLY_FLUSH");
        assertThat(tree.path("notWanted").asInt())
                .isEqualTo(tree.path("flowers").asInt());

        settings(Map.of("earlyFlush", "USE"));
        assertThat(treesOf(plan())).contains(taker);
    }

    @Test
    void a_young_tree_gets_none_unless_fruit_is_asked_of_it() {
        flowers();
        String young = Api.newId();
        api.put(
                        "/api/trees/" + young,
                        Map.of(
                                "varietyId",
                                ridge,
                                "name",
                                "Pale Ridge 2",
                                "block",
                                "North",
                                "row",
                                1,
                                "position",
                                2,
                                "plantedOn",
                                "2026-02-01"))
                .expect(200);
        api.read(young, now, Map.of("half-open", 5)).expect(200);
        assertThat(treesOf(plan())).doesNotContain(young);
        assertThat(plan().path("account").toString()).contains("CANNOT_CARRY");

        api.put("/api/targets/" + Api.newId(), Map.of("treeId", young, "confidence", 80, "priority", 1, "fruits", 2))
                .expect(200);
        assertThat(treesOf(plan())).contains(young);
    }
}
