package org.evenhand.fruitset;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.Units;
import org.evenhand.core.findings.Factor;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Under which classes flowers are counted, and what happens where many ask and write at once. */
class OutcomeFactsTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String ridge = api.variety("Pale Ridge");
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String taker = api.tree(ridge, "Pale Ridge 1");
    private final Instant done = now.minus(Duration.ofDays(20));
    private final String lot = api.lot(giver, done.minusSeconds(1800), 300).id();

    private UUID orchard() {
        return server.database()
                .queryForObject("select orchard_id from tree where id = ?", UUID.class, UUID.fromString(taker));
    }

    private Api.Answer pollinate(Map<String, Object> how) {
        Map<String, Object> body = new HashMap<>(Api.pollination(taker, lot, 6, done));
        body.put("how", how);
        return api.put("/api/pollinations/" + Api.newId(), body);
    }

    private JsonNode factor(String factor) {
        for (JsonNode f : api.get("/api/findings").expect(200).body().path("factors")) {
            if (f.path("factor").asString().equals(factor)) {
                return f;
            }
        }
        throw new AssertionError(factor + " is not told");
    }

    private List<String> names(JsonNode factor) {
        return factor.path("levels").findValuesAsString("name");
    }

    @Test
    void how_it_was_done_is_kept_and_told_in_the_growers_words() {
        Map<String, Object> one =
                Map.of("stage", "half-open", "strokes", "FULL", "tool", "goat brush", "limb", "STOUT");
        Map<String, Object> other =
                Map.of("stage", "parted", "strokes", "LIGHT", "tool", "feather", "limb", "BRANCH_END");
        JsonNode kept = pollinate(one).expect(200).body().path("how");
        assertThat(kept.path("treatment").asString()).isEqualTo("HAND");
        assertThat(kept.path("tool").asString()).isEqualTo("goat brush");
        String second = pollinate(other).expect(200).id();
        api.check(second, done.plus(Duration.ofDays(12)), 2, 4, 0).expect(200);

        assertThat(names(factor("STAGE"))).containsExactlyInAnyOrder("half open", "tips parted");
        assertThat(names(factor("STROKES"))).containsExactlyInAnyOrder("many, all round", "once in and out");
        assertThat(names(factor("TOOL"))).containsExactlyInAnyOrder("goat brush", "feather");
        assertThat(names(factor("LIMB"))).containsExactlyInAnyOrder("on a stout limb", "at a branch end");
        assertThat(factor("TOOL").path("sentence").asString()).startsWith("Too few flowers are decided");
        assertThat(pollinate(Map.of("stage", "no-such-stage")).expect(400).errorAt("how.stage"))
                .contains("no stage of this crop");
        assertThat(pollinate(Map.of("tool", "x".repeat(61))).expect(400).errorAt("how.tool"))
                .contains("61 characters");
    }

    @Test
    void the_orchards_school_is_kept_where_nothing_else_is_said() {
        pollinate(Map.of("strokes", "LIGHT")).expect(200);
        Map<String, Object> settings = Map.of(
                "pollenAge",
                "STORED",
                "strokes",
                "FULL",
                "flowersPerHour",
                60,
                "everyDay",
                List.of(),
                "singleDays",
                List.of(),
                "away",
                List.of());
        api.put("/api/round-settings/" + Api.newId(), settings).expect(200);
        JsonNode kept = api.pollinate(taker, lot, 3, done).expect(200).body().path("how");
        assertThat(kept.path("strokes").asString()).isEqualTo("FULL");
        assertThat(names(factor("STROKES"))).containsExactlyInAnyOrder("many, all round", "once in and out");
    }

    @Test
    void helpers_days_jars_and_second_visits_are_told_apart() {
        Api tomas = server.member(orchard(), Caller.Role.WORKER);
        api.pollinate(taker, lot, 6, done).expect(200);
        tomas.pollinate(taker, lot, 6, done.plus(Duration.ofDays(1))).expect(200);
        String fresh = api.lot(giver, done.plus(Duration.ofDays(1)), 40).id();
        api.pollinate(taker, fresh, 6, done.plus(Duration.ofDays(1))).expect(200);

        assertThat(factor("HELPER").path("levels").size()).isEqualTo(2);
        assertThat(names(factor("EVENING"))).containsExactly("4 November", "5 November");
        assertThat(names(factor("LOT"))).containsExactlyInAnyOrder("LA-01 Lantern", "LA-02 Lantern");
        assertThat(names(factor("LOT_AGE"))).containsExactly("within the hour", "1 to 2 days");
    }

    @Test
    void a_second_visit_outside_crosses_counts_no_flower_twice_and_tells_its_first() {
        String id = api.pollinate(taker, lot, 6, done).expect(200).id();
        Map<String, Object> second = new HashMap<>(Api.pollination(taker, lot, 5, done.plus(Duration.ofHours(13))));
        second.put("againOf", id);
        JsonNode again =
                api.put("/api/pollinations/" + Api.newId(), second).expect(200).body();
        assertThat(again.path("again").asBoolean()).isTrue();
        assertThat(visits()).as("six flowers, visited twice").containsExactly(Map.entry("1", 6));
        assertThat(api.dosesLeft(lot)).isEqualTo(300 - 6 - 5);
        api.post("/api/pollinations/" + id + "/void", Api.voiding(0)).expect(409);
        api.post("/api/pollinations/" + again.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(visits()).containsExactly(Map.entry("0", 6));
        assertThat(api.dosesLeft(lot)).isEqualTo(300 - 6);
        api.post("/api/pollinations/" + id + "/void", Api.voiding(0)).expect(204);
    }

    @Test
    void a_second_visit_to_a_cross_counts_no_flower_twice_and_tells_its_first() {
        String controlledCross = Api.newId();
        String father =
                api.get("/api/varieties").body().get(0).path("name").asString().equals("Lantern")
                        ? api.get("/api/varieties").body().get(0).path("id").asString()
                        : api.get("/api/varieties").body().get(1).path("id").asString();
        api.put(
                        "/api/crosses/" + controlledCross,
                        Map.of("treeId", taker, "fatherId", father, "planned", 4, "visits", "TWICE"))
                .expect(200);
        Map<String, Object> first = new HashMap<>(Api.pollination(taker, lot, 4, done));
        first.put("crossId", controlledCross);
        String id =
                api.put("/api/pollinations/" + Api.newId(), first).expect(200).id();
        assertThat(visits()).containsExactly(Map.entry("0", 4));
        Map<String, Object> second = new HashMap<>(Api.pollination(taker, lot, 4, done.plus(Duration.ofHours(20))));
        second.put("crossId", controlledCross);
        second.put("again", true);
        String again =
                api.put("/api/pollinations/" + Api.newId(), second).expect(200).id();
        assertThat(visits()).as("the same flowers, visited twice").containsExactly(Map.entry("1", 4));
        api.post("/api/pollinations/" + again + "/void", Api.voiding(0)).expect(204);
        assertThat(visits()).containsExactly(Map.entry("0", 4));
        api.post("/api/pollinations/" + id + "/void", Api.voiding(0)).expect(204);
        assertThat(visits()).isEmpty();
    }

    private Map<String, Integer> visits() {
        api.get("/api/findings").expect(200);
        Map<String, Integer> visits = new HashMap<>();
        server.database()
                .query(
                        "select level, set_flowers + failed + undecided from set_cell where orchard_id = ? and factor = 'VISITS'"
                                + " and set_flowers + failed + undecided <> 0",
                        row -> {
                            visits.put(row.getString(1), row.getInt(2));
                        },
                        orchard());
        return visits;
    }

    @Test
    void outcomes_kept_by_earlier_rules_are_worked_out_anew_and_come_to_the_same() {
        String id = api.pollinate(taker, lot, 6, done).expect(200).id();
        api.check(id, done.plus(Duration.ofDays(12)), 4, 2, 0).expect(200);
        Map<String, Integer> before = shares("VARIETY");
        server.database().update("update set_cell set set_flowers = set_flowers + 7 where orchard_id = ?", orchard());
        server.database().update("update outcome_model set version = version - 1");

        server.bean(OutcomeModel.class).rebuildWhereOld();

        assertThat(shares("VARIETY")).isEqualTo(before).isNotEmpty();
        assertThat(server.database().queryForObject("select version from outcome_model", Integer.class))
                .isEqualTo(OutcomeModel.VERSION);
    }

    /** Another factor, name or class is another model: whoever changes this list raises the version. */
    @Test
    void factors_and_classes_of_version_1() {
        assertThat(OutcomeModel.VERSION).isEqualTo(1);
        assertThat(Arrays.stream(Factor.values())
                        .map(f -> f.name() + " " + f.classes(Units.METRIC).size()))
                .containsExactly(
                        "VARIETY 0",
                        "FATHER 0",
                        "LOT_AGE 6",
                        "STORAGE 0",
                        "HOUR 8",
                        "STAGE 0",
                        "TEMPERATURE 6",
                        "DRY_AIR 5",
                        "STROKES 0",
                        "VISITS 2",
                        "TOOL 0",
                        "LIMB 0",
                        "HELPER 0",
                        "LOT 0",
                        "TREE 0",
                        "EVENING 0",
                        "TREATMENT 0",
                        "TREE_AND_TREATMENT 0");
    }

    /** Eight people write and ask at once: no flower is counted twice, none is lost. */
    @Test
    void many_at_once_come_to_the_same_sum() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            List<Future<?>> work = new ArrayList<>();
            for (int p = 0; p < 8; p++) {
                int person = p;
                Api own = server.member(orchard(), Caller.Role.WORKER);
                work.add(people.submit(() -> {
                    for (int i = 0; i < 6; i++) {
                        String id = own.pollinate(taker, lot, 3, done.plusSeconds(person * 60L + i))
                                .expect(200)
                                .id();
                        own.check(id, done.plus(Duration.ofDays(12)), 2, 1, 0).expect(200);
                        own.get("/api/findings").expect(200);
                        own.get("/api/fruit-set").expect(200);
                    }
                }));
            }
            for (Future<?> f : work) {
                f.get();
            }
        } finally {
            people.shutdown();
        }
        JsonNode all = api.get("/api/findings").expect(200).body();
        assertThat(all.path("all").path("taken").asInt()).isEqualTo(96);
        assertThat(all.path("all").path("decided").asInt()).isEqualTo(144);
        assertThat(all.path("waiting").asInt()).isZero();
        assertThat(server.database()
                        .queryForObject(
                                "select sum(flowers) from flower_outcome where orchard_id = ?",
                                Integer.class,
                                orchard()))
                .isEqualTo(144);
    }

    @Test
    void a_tree_that_turns_out_to_be_another_variety_takes_its_flowers_along() {
        String id = api.pollinate(taker, lot, 6, done).expect(200).id();
        api.check(id, done.plus(Duration.ofDays(12)), 4, 2, 0).expect(200);
        String far = api.variety("Far Bank");
        assertThat(shares("VARIETY")).containsExactly(Map.entry(ridge, 6));
        Map<String, Object> tree =
                Map.of("varietyId", far, "name", "Far Bank 1", "block", "North", "row", 1, "position", 1, "version", 0);
        Map<String, Object> meant = new HashMap<>(tree);
        meant.put("confirmed", List.of("other-variety"));
        api.put("/api/trees/" + taker, tree).expect(409);
        assertThat(shares("VARIETY")).containsExactly(Map.entry(ridge, 6));
        api.put("/api/trees/" + taker, meant).expect(200);
        assertThat(shares("VARIETY")).containsExactly(Map.entry(far, 6));
    }

    private Map<String, Integer> shares(String factor) {
        api.get("/api/findings").expect(200);
        Map<String, Integer> shares = new HashMap<>();
        server.database()
                .query(
                        "select level, set_flowers + failed from set_cell where orchard_id = ? and factor = ? and set_flowers + failed <> 0",
                        row -> {
                            shares.put(row.getString(1), row.getInt(2));
                        },
                        orchard(),
                        factor);
        return shares;
    }

    @Test
    void looks_that_are_due_are_told_in_the_order_of_walking_and_no_more_than_can_be_read() {
        for (int row = 3; row >= 1; row--) {
            for (int place = 1; place <= 3; place++) {
                Map<String, Object> tree = Map.of(
                        "varietyId",
                        ridge,
                        "name",
                        "R" + row + "P" + place,
                        "block",
                        "Bank",
                        "row",
                        row,
                        "position",
                        place,
                        "plantedOn",
                        "2019-08-01");
                String id =
                        api.put("/api/trees/" + Api.newId(), tree).expect(200).id();
                api.pollinate(id, lot, 1, done).expect(200);
                api.pollinate(id, lot, 2, done.plusSeconds(60)).expect(200);
            }
        }
        JsonNode set = api.get("/api/fruit-set").expect(200).body();
        assertThat(set.path("due").asInt()).isEqualTo(18);
        List<String> walked = new ArrayList<>();
        set.path("rows")
                .forEach(r -> walked.add(r.path("pollination").path("treeName").asString()));
        assertThat(walked).hasSize(18);
        int steps = 0;
        for (int i = 1; i < walked.size(); i++) {
            if (i % 2 == 1) {
                assertThat(walked.get(i)).as("flowers of one tree together").isEqualTo(walked.get(i - 1));
            } else {
                steps += Math.abs(walked.get(i).charAt(1) - walked.get(i - 1).charAt(1)) * 3
                        + Math.abs(walked.get(i).charAt(3) - walked.get(i - 1).charAt(3)) * 2;
            }
        }
        assertThat(steps)
                .as("down one row and back the next: 3 rows of 2 steps, and 2 to the next row")
                .isEqualTo(3 * 4 + 2 * 3);
    }
}
