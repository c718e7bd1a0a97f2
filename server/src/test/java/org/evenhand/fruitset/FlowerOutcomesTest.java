package org.evenhand.fruitset;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What has become of flowers is kept ready; however records come and go, it is what they say. */
class FlowerOutcomesTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    /** Records thrown, checked and taken back in any order: the sums that were moved line by line are those reckoned anew. */
    @Test
    void sums_moved_record_by_record_are_those_of_all_records_at_once() {
        SplittableRandom random = new SplittableRandom(7);
        String lot = api.lot(giver, now.minus(Duration.ofDays(40)), 500).id();
        List<String> checks = new ArrayList<>();
        List<String> done = new ArrayList<>();
        for (int i = 0; i < 25; i++) {
            int flowers = 1 + random.nextInt(9);
            Instant at = now.minus(Duration.ofDays(15 + random.nextInt(20))).minusSeconds(random.nextInt(80_000));
            String id = api.pollinate(taker, lot, flowers, at).expect(200).id();
            done.add(id);
            Instant look = at;
            for (int c = random.nextInt(4); c > 0; c--) {
                look = look.plus(Duration.ofDays(2 + random.nextInt(4)));
                int taken = random.nextInt(flowers + 1);
                int failed = random.nextInt(flowers - taken + 1);
                int unknown = flowers - taken - failed;
                checks.add(
                        api.put("/api/checks/" + Api.newId(), anyHow(Api.checkBody(id, look, taken, failed, unknown)))
                                .expect(200)
                                .id());
            }
            if (random.nextInt(3) == 0) {
                api.get("/api/findings").expect(200);
            }
            if (random.nextInt(4) == 0 && !checks.isEmpty()) {
                String gone = checks.remove(random.nextInt(checks.size()));
                api.post("/api/checks/" + gone + "/void", Api.voiding(0)).expect(204);
            }
        }
        JsonNode moved = api.get("/api/findings").expect(200).body();
        Map<String, List<Map<String, Object>>> before = cells();
        assertThat(before.values()).allSatisfy(rows -> assertThat(rows).isNotEmpty());

        JdbcTemplate db = server.database();
        for (String table : List.of("flower_outcome", "set_cell", "loss_cell", "cause_cell")) {
            db.update("delete from " + table + " where orchard_id = ?", orchard());
        }
        db.update(
                "insert into flower_outcome_due select orchard_id, id from pollination where orchard_id = ?",
                orchard());
        JsonNode anew = api.get("/api/findings").expect(200).body();

        assertThat(anew).isEqualTo(moved);
        assertThat(cells()).isEqualTo(before);
        assertThat(db.queryForObject(
                        "select sum(flowers) from flower_outcome where orchard_id = ?", Integer.class, orchard()))
                .isEqualTo(db.queryForObject(
                        "select sum(flowers) from pollination where orchard_id = ? and voided_at is null",
                        Integer.class,
                        orchard()));
    }

    private UUID orchard() {
        return server.database()
                .queryForObject("select orchard_id from tree where id = ?", UUID.class, UUID.fromString(giver));
    }

    /** The cells that hold anything, in order. */
    private Map<String, List<Map<String, Object>>> cells() {
        Map<String, List<Map<String, Object>>> cells = new HashMap<>();
        cells.put("set", rows("set_cell", "set_flowers + failed + undecided", "season, factor, level"));
        cells.put("loss", rows("loss_cell", "lost + censored", "season, factor, level, day"));
        cells.put("cause", rows("cause_cell", "set_flowers + failed", "season, classes"));
        return cells;
    }

    private List<Map<String, Object>> rows(String table, String holds, String order) {
        return server.database()
                .queryForList(
                        "select * from " + table + " where orchard_id = ? and " + holds + " <> 0 order by " + order,
                        orchard());
    }

    @Test
    void weather_that_comes_later_and_steps_of_a_jar_move_flowers_to_their_right_class() {
        Instant at = now.minus(Duration.ofDays(20));
        String lot = api.lot(giver, at.minus(Duration.ofDays(3)), 50).id();
        String done = api.pollinate(taker, lot, 8, at).expect(200).id();
        api.check(done, at.plus(Duration.ofDays(13)), 6, 2, 0).expect(200);
        assertThat(levels("STORAGE")).containsExactly(Map.entry("FRIDGE_DESICCANT", 8));
        assertThat(levels("TEMPERATURE")).as("the usual day").containsExactly(Map.entry("3", 8));
        assertThat(levels("DRY_AIR")).containsOnlyKeys("");

        String days = "date,min_c,max_c\n" + at.toString().substring(0, 10) + ",13,25\n"
                + at.plus(Duration.ofDays(1)).toString().substring(0, 10) + ",13,25";
        api.importFile("weather-days", days);
        assertThat(levels("DRY_AIR")).as("no humidity is not a humidity of 0").containsOnlyKeys("");
        String csv = "time,temperature_c,humidity\n" + at.toString().substring(0, 13) + ":00Z,9.5,40\n"
                + at.plusSeconds(3600).toString().substring(0, 13) + ":00Z,9.5,40";
        api.importFile("weather-hours", csv);
        assertThat(levels("TEMPERATURE")).as("below 12 °C").containsExactly(Map.entry("0", 8));
        assertThat(levels("DRY_AIR")).as("0.71 kPa").containsExactly(Map.entry("1", 8));

        api.put(
                        "/api/lots/" + lot + "/steps/" + Api.newId(),
                        Map.of(
                                "kind",
                                "STORED",
                                "storage",
                                "FREEZER",
                                "at",
                                at.minus(Duration.ofDays(1)).toString()))
                .expect(200);
        assertThat(levels("STORAGE")).containsExactly(Map.entry("FREEZER", 8));
    }

    private Map<String, Integer> levels(String factor) {
        api.get("/api/findings").expect(200);
        Map<String, Integer> levels = new HashMap<>();
        server.database()
                .query(
                        "select level, set_flowers + failed + undecided from set_cell where orchard_id = ? and factor = ?"
                                + " and set_flowers + failed + undecided <> 0",
                        row -> {
                            levels.put(row.getString(1), row.getInt(2));
                        },
                        orchard(),
                        factor);
        return levels;
    }

    @Test
    void stored_against_fresh_is_told_in_a_sentence_with_its_curve_and_its_odds() {
        String fresh = api.lot(giver, now.minus(Duration.ofDays(30)).minusSeconds(600), 90)
                .id();
        String old = api.lot(giver, now.minus(Duration.ofDays(36)), 90).id();
        Instant at = now.minus(Duration.ofDays(30));
        String one = api.pollinate(taker, fresh, 60, at).expect(200).id();
        String two =
                api.pollinate(taker, old, 48, at.plusSeconds(60)).expect(200).id();
        api.check(one, at.plus(Duration.ofDays(7)), 45, 15, 0).expect(200);
        api.check(one, at.plus(Duration.ofDays(12)), 40, 20, 0).expect(200);
        api.check(two, at.plus(Duration.ofDays(12)), 12, 36, 0).expect(200);

        JsonNode findings = api.get("/api/findings").expect(200).body();
        JsonNode age = findings.path("factors").get(0);
        assertThat(age.path("factor").asString()).isEqualTo("LOT_AGE");
        // 12 of 48 against 40 of 60; the near end of Newcombe's interval at 90 % is 26 points, by his formula by hand.
        assertThat(age.path("sentence").asString())
                .isEqualTo("4 to 10 days: 25 % (12 of 48); within the hour: 67 % (40 of 60)."
                        + " 95 % sure that the first is at least 26 points lower.");
        assertThat(age.path("change").asString()).contains("Germinate a pinch");
        assertThat(age.path("sureAmongAll").asBoolean()).isTrue();

        JsonNode curves =
                api.get("/api/findings/retention?factor=LOT_AGE").expect(200).body();
        JsonNode first = curves.path("curves").get(0);
        assertThat(first.path("name").asString()).isEqualTo("within the hour");
        assertThat(first.path("steps").get(0).path("share").asDouble()).isEqualTo(0.75);
        assertThat(first.path("steps").get(1).path("day").asInt()).isEqualTo(12);
        assertThat(curves.path("p").asDouble()).isLessThan(0.01);

        JsonNode causes = api.get("/api/findings/causes").expect(200).body();
        assertThat(causes.path("effects").get(0).path("oddsRatio").path("value").asDouble())
                .as("12/36 over 40/20")
                .isCloseTo(1 / 6.0, org.assertj.core.api.Assertions.within(1e-6));
    }

    /** Checks at random may know less than those before. */
    private static Map<String, Object> anyHow(Map<String, Object> check) {
        Map<String, Object> confirmed = new HashMap<>(check);
        confirmed.put("confirmed", List.of("fewer-than-before"));
        return confirmed;
    }
}
