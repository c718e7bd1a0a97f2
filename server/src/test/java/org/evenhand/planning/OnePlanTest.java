package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** One plan, shown three ways: what becomes of every flower, when it is made anew, and how a walk begins with collecting. */
class OnePlanTest {
    private final TestServer server = TestServer.get();
    private final Instant now = TestServer.NOW;

    private static JsonNode plan(Api api, int days) {
        return api.get("/api/plan?days=" + days).expect(200).body();
    }

    private static List<JsonNode> list(JsonNode array) {
        return array.valueStream().toList();
    }

    /** Some trees of three varieties, with flowers in all stages, one jar, and little time. */
    private Api orchard(Random random) {
        Api api = server.newOrchard();
        List<String> varieties = List.of(api.variety("Lantern"), api.variety("Pale Ridge"), api.variety("Ember"));
        String first = null;
        for (int i = 0; i < 5; i++) {
            first = api.tree(varieties.get(i % 3), "Tree " + i);
            api.read(
                            first,
                            now.minus(Duration.ofHours(random.nextInt(40))),
                            Map.of(
                                    "closed",
                                    3 + random.nextInt(25),
                                    "parted",
                                    random.nextInt(8),
                                    "half-open",
                                    1 + random.nextInt(12),
                                    "shedding",
                                    random.nextInt(6)))
                    .expect(200);
        }
        api.lot(first, now.minus(Duration.ofHours(1)), 1 + random.nextInt(12)).expect(200);
        api.put("/api/round-settings/" + Api.newId(), Api.settings(Map.of("flowersPerHour", 4 + random.nextInt(20))))
                .expect(200);
        return api;
    }

    @Test
    void every_flower_that_can_take_pollen_is_accounted_for_once_tree_by_tree() {
        Random random = new Random(42);
        for (int o = 0; o < 4; o++) {
            Api api = orchard(random);
            JsonNode plan = plan(api, 4);
            JsonNode account = plan.path("account");
            int sum = 0;
            for (JsonNode tree : account.path("trees")) {
                int later = list(tree.path("later")).stream()
                        .mapToInt(l -> l.path("flowers").asInt())
                        .sum();
                int told = tree.path("inVisit").asInt()
                        + later
                        + tree.path("forCross").asInt()
                        + tree.path("notWanted").asInt()
                        + tree.path("lost").asInt();
                assertThat(told).as("%s", tree).isEqualTo(tree.path("flowers").asInt());
                assertThat(tree.has("reason")).isEqualTo(tree.path("lost").asInt() > 0);
                double open = tree.path("receptive").asDouble()
                        - tree.path("havePollen").asDouble();
                assertThat(tree.path("flowers").asDouble())
                        .as("whole flowers of %.1f expected on %s", open, tree.path("tree"))
                        .isCloseTo(open, within(1.6));
                sum += told;
            }
            assertThat(account.path("flowers").asInt()).isEqualTo(sum);
            JsonNode visit = plan.path("rounds").get(0);
            assertThat(account.path("at")).isEqualTo(visit.path("at"));
            assertThat(account.path("inVisit").asInt())
                    .as("the visit's flowers, those that have pollen once more left out")
                    .isEqualTo(list(visit.path("stops")).stream()
                            .filter(s -> !s.has("againOf"))
                            .mapToInt(s -> s.path("flowers").asInt())
                            .sum());
        }
    }

    @Test
    void today_the_next_visit_and_ten_days_begin_alike_and_a_record_makes_the_plan_anew() {
        Api api = orchard(new Random(7));
        JsonNode four = plan(api, 4);
        JsonNode visit = four.path("rounds").get(0);
        assertThat(plan(api, 10).path("rounds").get(0)).isEqualTo(visit);
        assertThat(plan(api, 10).path("account")).isEqualTo(four.path("account"));
        assertThat(api.get("/api/round").body().path("stops")).isEqualTo(visit.path("stops"));
        assertThat(plan(api, 4)).as("asked again, it is the same").isEqualTo(four);

        String tree = visit.path("stops").get(0).path("treeId").asString();
        int before = account(four, tree).path("flowers").asInt();
        api.read(tree, now, Map.of("half-open", 60)).expect(200);
        JsonNode after = plan(api, 4);
        assertThat(account(after, tree).path("flowers").asInt()).isGreaterThan(before);
        assertThat(api.get("/api/round").body().path("stops"))
                .isEqualTo(after.path("rounds").get(0).path("stops"));
    }

    private static JsonNode account(JsonNode plan, String tree) {
        return list(plan.path("account").path("trees")).stream()
                .filter(t -> t.path("treeId").asString().equals(tree))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void collecting_takes_hands_and_what_is_not_worth_going_is_left_out() {
        Api api = server.newOrchard();
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(giver, now, Map.of("shedding", 9)).expect(200);
        api.read(taker, now, Map.of("half-open", 30)).expect(200);
        String settings = Api.newId();
        api.put("/api/round-settings/" + settings, Api.settings(Map.of("flowersPerHour", 4)))
                .expect(200);

        JsonNode all = plan(api, 4);
        assertThat(all.path("account").path("trees").get(0).path("reason").asString())
                .isEqualTo("MORE_THAN_CAN_BE_DONE");
        JsonNode visit = all.path("rounds").get(0);
        int collected = visit.path("collect").get(0).path("flowers").asInt();
        assertThat(collected).isPositive();
        assertThat(visit.path("flowers").asInt() + collected)
                .isLessThanOrEqualTo(visit.path("mostFlowers").asInt() + 1);
        assertThat(visit.path("minutes").asDouble())
                .as("three of them to clean for the one father")
                .isCloseTo(3 + 60.0 * (visit.path("flowers").asInt() + collected) / 4, within(1e-9));

        Map<String, Object> never =
                new HashMap<>(Api.settings(Map.of("flowersPerHour", 4, "worthGoing", 900, "version", 0)));
        api.put("/api/round-settings/" + settings, never).expect(200);
        assertThat(plan(api, 10).path("rounds").size()).isZero();
        never.put("worthGoing", -1);
        never.put("version", 1);
        assertThat(api.put("/api/round-settings/" + settings, never).expect(400).errorAt("worthGoing"))
                .contains("-1");
    }

    @Test
    void a_walk_names_the_jars_that_are_still_to_be_filled_and_its_stops_draw_from_them() {
        Api api = server.newOrchard();
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(giver, now, Map.of("shedding", 5)).expect(200);
        api.read(taker, now, Map.of("half-open", 6)).expect(200);

        String id = Api.newId();
        JsonNode walk = api.put(
                        "/api/walks/" + id, Map.of("at", now.plusSeconds(5).toString()))
                .expect(200)
                .body();
        JsonNode collecting = walk.path("collects").get(0);
        String jar = collecting.path("lotId").asString();
        assertThat(collecting.path("pollen").path("variety").asString()).isEqualTo("Lantern");
        assertThat(collecting.path("pollen").path("trees").get(0).path("tree").asString())
                .isEqualTo("Lantern 1");
        JsonNode stop = walk.path("stops").get(0);
        assertThat(stop.has("collectOf")).isTrue();
        assertThat(stop.path("lotId").asString()).isEqualTo(jar);
        assertThat(api.get("/api/walks/" + id).body().path("collects")).isEqualTo(walk.path("collects"));

        assertThat(api.pollinate(taker, jar, 2, now).status())
                .as("nothing is drawn from a jar that is not filled")
                .isEqualTo(404);
        Map<String, Object> body = new HashMap<>(Api.lotBody(giver, now, 4));
        api.put("/api/lots/" + jar, body).expect(200);
        Map<String, Object> given = new HashMap<>(Api.pollination(taker, jar, 3, now));
        given.put("walkId", id);
        given.put("stop", 0);
        api.put("/api/pollinations/" + Api.newId(), given).expect(200);
        assertThat(api.dosesLeft(jar)).isEqualTo(1);
        assertThat(new String(
                        api.bytes("/api/walks/" + id + "/paper"), 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
    }

    private static int toCollect(Api api) {
        return list(plan(api, 1).path("rounds")).stream()
                .flatMap(r -> list(r.path("collect")).stream())
                .filter(c -> c.path("variety").asString().equals("Lantern"))
                .mapToInt(c -> c.path("flowers").asInt())
                .sum();
    }

    @Test
    void a_collected_flower_is_never_offered_again() {
        Api api = server.newOrchard();
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(giver, now.minus(Duration.ofMinutes(30)), Map.of("shedding", 6))
                .expect(200);
        api.read(taker, now, Map.of("half-open", 90)).expect(200);
        int before = toCollect(api);
        assertThat(before).isBetween(5, 6);

        Map<String, Object> jar = new HashMap<>(Api.lotBody(giver, now.minus(Duration.ofMinutes(10)), 12));
        jar.put("sources", List.of(Map.of("treeId", giver, "flowers", 4)));
        api.put("/api/lots/" + Api.newId(), jar).expect(200);
        assertThat(toCollect(api)).as("four of six are gone").isBetween(1, 2);
        assertThat(plan(api, 1)
                        .path("rounds")
                        .get(0)
                        .path("collect")
                        .get(0)
                        .path("trees")
                        .get(0)
                        .path("flowers")
                        .asDouble())
                .isLessThan(3);

        api.read(giver, now, Map.of("shedding", 6)).expect(200);
        assertThat(toCollect(api)).as("a later reading counts what is there").isBetween(before, 6);
    }

    @Test
    void what_is_due_beside_the_visits_is_told_with_its_hour() {
        Api api = server.newOrchard();
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(taker, now, Map.of("half-open", 9)).expect(200);
        Map<String, Object> tray = new HashMap<>(Api.lotBody(giver, now.minus(Duration.ofHours(4)), 12));
        tray.put("storage", "ROOM");
        api.put("/api/lots/" + Api.newId(), tray).expect(200);
        String done =
                api.lot(giver, now.minus(Duration.ofDays(9)), 6).expect(200).id();
        api.put(
                        "/api/pollinations/" + Api.newId(),
                        Map.of(
                                "treeId",
                                taker,
                                "lotId",
                                done,
                                "flowers",
                                3,
                                "doneAt",
                                now.minus(Duration.ofDays(9)).toString()))
                .expect(200);

        List<JsonNode> due = list(plan(api, 1).path("due"));
        assertThat(due)
                .extracting(d -> d.path("kind").asString())
                .contains("LID", "USE", "CHECK")
                .doesNotContain("LEAVING", "NUMBER_FRUIT");
        assertThat(due.get(0).path("kind").asString())
                .as("what has an hour comes first")
                .isEqualTo("LID");
        assertThat(due.get(due.size() - 1).path("subject").asString()).isEqualTo("Pale Ridge 1");
    }

    @Test
    void ones_own_walks_tell_how_fast_one_is() {
        Api api = server.newOrchard();
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(taker, now.minus(Duration.ofHours(6)), Map.of("parted", 200, "half-open", 200))
                .expect(200);
        String jar =
                api.lot(giver, now.minus(Duration.ofHours(5)), 400).expect(200).id();
        assertThat(plan(api, 1).path("paces")).isEmpty();
        for (int w = 0; w < 3; w++) {
            String walk = Api.newId();
            api.put("/api/walks/" + walk, Map.of()).expect(200);
            for (int stop = 0; stop < 6; stop++) {
                Map<String, Object> done = new HashMap<>(
                        Api.pollination(taker, jar, 5, now.minus(Duration.ofMinutes(240 - 60L * w - 6L * stop))));
                done.put("walkId", walk);
                done.put("stop", 0);
                api.put("/api/pollinations/" + Api.newId(), done).expect(200);
            }
        }
        JsonNode pace = plan(api, 1).path("paces").get(0);
        assertThat(pace.path("crop").asString()).isEqualTo("Cherimoya");
        assertThat(pace.path("flowersPerHour").asDouble()).isCloseTo(50, within(1e-6));
        assertThat(pace.path("flowers").asInt())
                .as("not the first stop of a walk")
                .isEqualTo(75);
    }

    @Test
    void the_tree_whose_doubt_costs_most_is_to_be_read_and_not_the_one_read_just_now() {
        Api api = server.newOrchard();
        String lantern = api.variety("Lantern");
        String ridge = api.variety("Pale Ridge");
        String giver = api.tree(lantern, "Lantern 1");
        String fresh = api.tree(ridge, "Pale Ridge 1");
        String old = api.tree(ridge, "Pale Ridge 2");
        api.read(giver, now, Map.of("closed", 30, "shedding", 40)).expect(200);
        api.read(fresh, now, Map.of("closed", 40, "parted", 10, "half-open", 20))
                .expect(200);
        api.read(old, now.minus(Duration.ofDays(3)), Map.of("closed", 40, "parted", 10, "half-open", 20))
                .expect(200);
        api.lot(giver, now.minus(Duration.ofHours(1)), 200).expect(200);

        List<JsonNode> read = list(plan(api, 4).path("readNext"));
        assertThat(read).isNotEmpty().hasSizeLessThanOrEqualTo(3);
        assertThat(read.get(0).path("tree").asString()).isEqualTo("Pale Ridge 2");
        assertThat(read.get(0).path("high").asInt())
                .isGreaterThan(read.get(0).path("low").asInt());
        assertThat(read.get(0).path("fruits").asDouble()).isGreaterThan(0.1);

        api.read(old, now, Map.of("closed", 30, "parted", 8, "half-open", 18)).expect(200);
        assertThat(list(plan(api, 4).path("readNext")))
                .noneMatch(r -> r.path("treeId").asString().equals(old)
                        && r.path("fruits").asDouble()
                                > read.get(0).path("fruits").asDouble());
    }
}
