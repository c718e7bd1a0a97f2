package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The round of one hour follows what is wanted, chosen and practised; the plan of days keeps back and prepares for leaving. */
class RoundHabitsTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String ridge = api.variety("Pale Ridge");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String one = api.tree(ridge, "Pale Ridge 1");
    private final String two = api.tree(ridge, "Pale Ridge 2");

    private JsonNode round() {
        return api.get("/api/round?at=" + now).expect(200).body();
    }

    private static int flowersOf(JsonNode stops, String tree) {
        int sum = 0;
        for (JsonNode stop : stops) {
            sum += stop.path("treeId").asString().equals(tree)
                    ? stop.path("flowers").asInt()
                    : 0;
        }
        return sum;
    }

    private void settings(Map<String, Object> change) {
        JsonNode there = api.get("/api/round-settings").body();
        Map<String, Object> all = Api.settings(Map.of("flowersPerHour", 60, "everyDay", List.of()));
        all.putAll(change);
        String id = there.has("id") ? there.path("id").asString() : Api.newId();
        if (there.has("version")) {
            all.put("version", there.path("version").asLong());
        }
        api.put("/api/round-settings/" + id, all).expect(200);
    }

    @Test
    void scarce_pollen_goes_to_the_tree_that_comes_first_and_none_to_one_that_is_to_be_left_alone() {
        api.read(one, now, Map.of("half-open", 9)).expect(200);
        api.read(two, now, Map.of("half-open", 9)).expect(200);
        api.lot(giver, now, 6).expect(200);
        String id = Api.newId();
        Map<String, Object> first = new HashMap<>(Map.of("treeId", two, "confidence", 90, "priority", 3));
        api.put("/api/targets/" + id, first).expect(200);

        assertThat(flowersOf(round().path("stops"), two)).isEqualTo(6);

        first.put("priority", 0);
        first.put("version", 0);
        api.put("/api/targets/" + id, first).expect(200);
        assertThat(flowersOf(round().path("stops"), two)).isZero();
        assertThat(flowersOf(round().path("stops"), one)).isEqualTo(6);
    }

    private List<JsonNode> onceMore(Instant at) {
        List<JsonNode> stops = new ArrayList<>();
        api.get("/api/round?at=" + at).expect(200).body().path("stops").forEach(s -> {
            if (s.has("againOf")) {
                stops.add(s);
            }
        });
        return stops;
    }

    private Map<String, Object> onceMore(String first, String tree, String lot, int flowers) {
        Map<String, Object> second = new HashMap<>(Api.pollination(tree, lot, flowers, now));
        second.put("againOf", first);
        return second;
    }

    @Test
    void flowers_of_the_evening_have_pollen_once_more_in_the_morning_from_what_is_to_spare() {
        Instant morning = now.plus(Duration.ofHours(15));
        api.read(one, now, Map.of("parted", 6, "half-open", 4)).expect(200);
        String lot = api.lot(giver, now.minusSeconds(3600), 8).id();
        String first =
                api.pollinate(one, lot, 6, now.minusSeconds(1800)).expect(200).id();
        assertThat(onceMore(morning))
                .as("two doses, and flowers that had none yet")
                .isEmpty();
        api.lot(giver, now.minusSeconds(3600), 60).expect(200);

        JsonNode stop = onceMore(morning).get(0);
        assertThat(stop.path("againOf").asString()).isEqualTo(first);
        assertThat(stop.path("kind").asString()).isEqualTo("POLLINATE_AGAIN");
        assertThat(stop.path("flowers").asInt()).isEqualTo(6);
        assertThat(stop.path("why").asString()).contains("there is pollen to spare");
        assertThat(stop.path("cleanBefore").size())
                .as("right behind the stops with the same jar")
                .isZero();
        assertThat(onceMore(now.plus(Duration.ofHours(5))))
                .as("hardly dry from the first")
                .isEmpty();
        assertThat(onceMore(now.plus(Duration.ofHours(60))))
                .as("no stigma is left")
                .isEmpty();
        settings(Map.of("repeatVisits", false));
        assertThat(onceMore(morning)).isEmpty();
        settings(Map.of("repeatVisits", true));
        for (JsonNode jar : api.get("/api/lots").expect(200).body()) {
            String id = jar.path("id").asString();
            api.put("/api/pollen-overrides/" + Api.newId(), Map.of("treeId", one, "lotId", id, "flowers", 0))
                    .expect(200);
        }
        assertThat(onceMore(morning)).as("ruled out for this tree").isEmpty();
    }

    @Test
    void flowers_of_a_trial_have_what_the_lot_gave_them_and_no_more() {
        api.read(one, now, Map.of("parted", 6)).expect(200);
        String lot = api.lot(giver, now.minusSeconds(3600), 60).id();
        String trial = Api.newId();
        api.put(
                        "/api/comparisons/" + trial,
                        Map.of("question", "SECOND_VISIT", "trees", List.of(one), "flowersEach", 1))
                .expect(200);
        Map<String, Object> flower = new HashMap<>(Api.pollination(one, lot, 1, now.minusSeconds(1800)));
        flower.putAll(Map.of("comparisonId", trial, "slot", 0, "tag", "K1-1"));
        api.put("/api/pollinations/" + Api.newId(), flower).expect(200);
        assertThat(onceMore(now.plus(Duration.ofHours(15)))).isEmpty();
    }

    @Test
    void a_second_visit_stands_in_the_walk_and_among_what_was_done_and_its_flowers_are_looked_at_once() {
        api.read(one, now, Map.of("half-open", 4)).expect(200);
        String lot = api.lot(giver, now.minus(Duration.ofHours(12)), 60).id();
        String first = api.pollinate(one, lot, 6, now.minus(Duration.ofHours(11)))
                .expect(200)
                .id();
        String walk = Api.newId();
        api.put("/api/walks/" + walk, Map.of("at", now.toString())).expect(200);
        Map<String, Object> second = onceMore(first, one, lot, 5);
        second.put("walkId", walk);
        second.put("stop", 0);
        api.put("/api/pollinations/" + Api.newId(), second).expect(200);
        assertThat(round().path("done").findValuesAsString("again")).containsExactly("false", "true");
        assertThat(api.get("/api/fruit-set").expect(200).body().path("rows").size())
                .isEqualTo(1);
    }

    @Test
    void a_second_visit_that_does_not_go_with_the_first_is_refused() {
        Instant evening = now.minus(Duration.ofHours(13));
        String lot = api.lot(giver, evening.minusSeconds(600), 30).id();
        String other = api.lot(api.tree(api.variety("Far Bank"), "Far Bank 1"), evening.minusSeconds(600), 30)
                .id();
        String first = api.pollinate(one, lot, 6, evening).expect(200).id();
        assertThat(refused(onceMore(first, two, lot, 3), "treeId")).contains("another tree");
        assertThat(refused(onceMore(first, one, lot, 7), "flowers")).contains("only 6 flowers were done");
        assertThat(refused(onceMore(first, one, other, 3), "lotId")).contains("the father");
        Map<String, Object> before = onceMore(first, one, lot, 3);
        before.put("doneAt", evening.minusSeconds(60).toString());
        assertThat(refused(before, "doneAt")).contains("not after the first visit");
        api.put("/api/pollinations/" + Api.newId(), onceMore(Api.newId(), one, lot, 3))
                .expect(404);
        Map<String, Object> nothing = new HashMap<>(Api.pollination(one, lot, 3, now));
        nothing.put("again", true);
        assertThat(refused(nothing, "again")).contains("the cross");
    }

    private String refused(Map<String, Object> pollination, String field) {
        return api.put("/api/pollinations/" + Api.newId(), pollination)
                .expect(400)
                .errorAt(field);
    }

    @Test
    void a_jar_that_somebody_ruled_out_for_a_tree_is_ruled_out_on_the_walk_too() {
        api.read(one, now, Map.of("half-open", 9)).expect(200);
        String lot = api.lot(giver, now, 20).id();
        assertThat(flowersOf(round().path("stops"), one)).isEqualTo(9);

        api.put("/api/pollen-overrides/" + Api.newId(), Map.of("treeId", one, "lotId", lot, "flowers", 0))
                .expect(200);

        assertThat(round().path("stops").size()).isZero();
        assertThat(api.put("/api/walks/" + Api.newId(), Map.of()).expect(400).errorAt("at"))
                .contains("no stop");
    }

    @Test
    void those_who_use_only_fresh_pollen_are_given_no_kept_jar_in_this_hour() {
        api.read(one, now, Map.of("half-open", 3)).expect(200);
        api.lot(giver, now.minus(Duration.ofHours(3)), 20).expect(200);
        assertThat(flowersOf(round().path("stops"), one)).isEqualTo(3);

        settings(Map.of("pollenAge", "SAME_HOUR"));
        assertThat(round().path("stops").size()).isZero();

        api.lot(giver, now, 20).expect(200);
        assertThat(flowersOf(round().path("stops"), one)).isEqualTo(3);
    }

    @Test
    void the_strokes_are_those_of_the_school_that_is_followed() {
        api.read(one, now, Map.of("half-open", 3)).expect(200);
        api.lot(giver, now, 20).expect(200);
        List<String> said = new ArrayList<>();
        for (String school : List.of("AS_SHEET", "FULL", "LIGHT")) {
            settings(Map.of("strokes", school));
            said.add(round().path("stops").get(0).path("strokes").toString());
        }

        assertThat(said.get(0)).contains("Wet the brush on the stigma first");
        assertThat(said.get(1)).contains("strokes.FULL");
        assertThat(said.get(2)).contains("strokes.LIGHT");
    }

    @Test
    void a_jar_keeps_doses_back_for_flowers_that_open_later_where_hours_are_short_now() {
        settings(Map.of("flowersPerHour", 2, "everyDay", List.of(Map.of("from", "16:00", "until", "18:00"))));
        api.read(one, now, Map.of("closed", 30, "half-open", 8)).expect(200);
        String lot = api.lot(giver, now, 40).id();
        api.put(
                        "/api/lots/" + lot + "/steps/" + Api.newId(),
                        Map.of(
                                "kind",
                                "STORED",
                                "storage",
                                "FRIDGE_DESICCANT",
                                "at",
                                now.toString(),
                                "confirmed",
                                List.of("DAMP_SHUT")))
                .status();

        JsonNode plan = api.get("/api/plan?days=4").expect(200).body();

        assertThat(plan.path("proven").asBoolean()).isTrue();
        int later = 0;
        for (JsonNode kept : plan.path("kept")) {
            assertThat(kept.path("lot").asString()).startsWith("LA-");
            assertThat(Instant.parse(kept.path("at").asString())).isAfter(now.plus(Duration.ofHours(12)));
            later += kept.path("doses").asInt();
        }
        int inLaterRounds = 0;
        for (int r = 1; r < plan.path("rounds").size(); r++) {
            for (JsonNode stop : plan.path("rounds").get(r).path("stops")) {
                inLaterRounds += stop.path("lotId").asString("").equals(lot)
                        ? stop.path("flowers").asInt()
                        : 0;
            }
        }
        assertThat(later).isEqualTo(inLaterRounds).isPositive();
        plan.path("rounds")
                .forEach(r -> assertThat(r.path("flowers").asInt())
                        .isLessThanOrEqualTo(r.path("mostFlowers").asInt()));
    }

    @Test
    void before_leaving_it_says_what_to_do_and_which_pollen_keeps() {
        api.read(one, now, Map.of("closed", 40, "half-open", 8)).expect(200);
        api.lot(giver, now, 10).expect(200);
        settings(Map.of("away", List.of(Map.of("first", "2026-11-26", "last", "2026-12-05", "note", "the sea"))));

        JsonNode plan = api.get("/api/plan?days=10").expect(200).body();

        String todo = plan.path("away").get(0).path("todo").toString();
        assertThat(todo)
                .contains("Until you leave the plan does the flowers first")
                .contains("flowers open and are past while you are away, most of them")
                .contains("LA-01 will be too old by then")
                .contains("can be parted by hand and done before you go");
        plan.path("rounds")
                .forEach(r -> assertThat(Instant.parse(r.path("at").asString()))
                        .isBefore(Instant.parse("2026-11-25T11:00:00Z")));
    }

    @Test
    void single_days_have_hours_of_their_own_and_a_night_goes_on_past_midnight() {
        api.read(one, now, Map.of("closed", 40, "half-open", 8)).expect(200);
        api.lot(giver, now, 10).expect(200);
        settings(Map.of(
                "everyDay", List.of(Map.of("from", "16:00", "until", "17:00")),
                "singleDays",
                        List.of(
                                Map.of("day", "2026-11-25", "hours", List.of()),
                                Map.of(
                                        "day",
                                        "2026-11-26",
                                        "hours",
                                        List.of(Map.of("from", "23:00", "until", "01:00"))))));

        JsonNode rounds = api.get("/api/plan?days=3").expect(200).body().path("rounds");

        List<String> days = new ArrayList<>();
        rounds.forEach(r -> days.add(Instant.parse(r.path("at").asString())
                .atZone(java.time.ZoneId.of("Pacific/Auckland"))
                .toLocalDate()
                .toString()));
        assertThat(days).doesNotContain("2026-11-25").contains("2026-11-24");
        assertThat(rounds.get(rounds.size() - 1).path("until").asString()).isEqualTo("2026-11-26T12:00:00Z");
    }

    @Test
    void who_is_away_for_months_is_told_what_can_be_foreseen() {
        api.read(one, now, Map.of("closed", 40, "half-open", 8)).expect(200);
        settings(Map.of("away", List.of(Map.of("first", "2026-11-26", "last", "2027-03-05", "note", ""))));

        JsonNode plan = api.get("/api/plan?days=10").expect(200).body();

        assertThat(plan.path("away").get(0).path("todo").toString()).contains("as far as can be foreseen");
    }
}
