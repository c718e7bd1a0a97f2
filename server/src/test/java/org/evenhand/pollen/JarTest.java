package org.evenhand.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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

/** A jar's life: dried, moved, tested, split, blended, used up. */
class JarTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String ridge = api.variety("Pale Ridge");
    private final String other = api.tree(ridge, "Pale Ridge 1");

    private String lot(String tree, Instant at, String storage, int doses) {
        Map<String, Object> body = new HashMap<>(Api.lotBody(tree, at, doses));
        body.put("storage", storage);
        return api.put("/api/lots/" + Api.newId(), body).expect(200).id();
    }

    private Api.Answer step(String lot, String kind, Duration ago, Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(more);
        body.put("kind", kind);
        body.put("at", now.minus(ago).toString());
        return api.put("/api/lots/" + lot + "/steps/" + Api.newId(), body);
    }

    private JsonNode story(String lot) {
        return api.get("/api/lots/" + lot + "/story").expect(200).body();
    }

    private double alive(String lot) {
        return story(lot).path("lot").path("viability").path("share").asDouble();
    }

    @Test
    void each_move_counts_from_its_hour_on() {
        String lot = lot(giver, now.minus(Duration.ofHours(40)), "ROOM", 10);
        step(lot, "SEEN_DRY", Duration.ofHours(36), Map.of()).expect(200);
        step(lot, "STORED", Duration.ofHours(32), Map.of("storage", "FRIDGE_DESICCANT"))
                .expect(200);

        // By hand: 8 h at room at a half-life of 8 h, then 32 h over desiccant at one of 96 h. What is told is the mean
        // of
        // what is believed, which is not quite the course in the middle.
        assertThat(alive(lot)).isCloseTo(0.5 * Math.pow(2, -1 - 32 / 96.0), within(1e-3));
        JsonNode jar = story(lot).path("lot");
        assertThat(jar.path("storage").asString()).isEqualTo("FRIDGE_DESICCANT");
        assertThat(jar.path("dry").asBoolean()).isTrue();
        assertThat(jar.path("open").asBoolean()).isFalse();
        assertThat(story(lot).path("steps").size()).isEqualTo(3);
        assertThat(jar.path("viability").path("evenings").asInt()).isPositive();
    }

    @Test
    void a_step_taken_back_counts_no_more() {
        String lot = lot(giver, now.minus(Duration.ofHours(8)), "ROOM", 10);
        double before = alive(lot);
        JsonNode moved = step(
                        lot,
                        "STORED",
                        Duration.ofHours(7),
                        Map.of("storage", "FREEZER", "confirmed", List.of("LID_ON_DAMP")))
                .expect(200)
                .body();
        assertThat(alive(lot)).isGreaterThan(before + 0.2);

        String id = moved.path("steps").get(1).path("id").asString();
        api.post("/api/lots/" + lot + "/steps/" + id + "/void", Api.voiding(0)).expect(204);

        assertThat(alive(lot)).isCloseTo(before, within(1e-4));
    }

    @Test
    void what_growers_warn_of_is_asked_once_and_kept_when_confirmed() {
        String lot = lot(giver, now.minus(Duration.ofHours(5)), "ROOM", 10);

        Api.Answer lid = step(lot, "LID", Duration.ofHours(4), Map.of()).expect(409);
        assertThat(lid.body().path("confirm").asString()).isEqualTo("LID_ON_DAMP");
        assertThat(lid.body().path("detail").asString()).contains("not dry yet").contains("all the same?");
        Api.Answer fridge = step(lot, "STORED", Duration.ofHours(4), Map.of("storage", "FRIDGE"))
                .expect(409);
        assertThat(fridge.body().path("confirm").asString()).isEqualTo("LID_ON_DAMP+FRIDGE_WITHOUT_DESICCANT");
        assertThat(step(lot, "SUN", Duration.ofHours(3), Map.of())
                        .expect(409)
                        .body()
                        .path("detail")
                        .asString())
                .contains("Sun kills pollen");
        assertThat(story(lot).path("steps").size()).isEqualTo(1);

        step(lot, "LID", Duration.ofHours(4), Map.of("confirmed", List.of("LID_ON_DAMP")))
                .expect(200);
        assertThat(story(lot).path("hazards").size()).isEqualTo(1);
    }

    @Test
    void freezing_twice_is_asked() {
        String lot = lot(giver, now.minus(Duration.ofDays(3)), "ROOM", 10);
        step(lot, "SEEN_DRY", Duration.ofHours(60), Map.of()).expect(200);
        step(lot, "STORED", Duration.ofHours(50), Map.of("storage", "FREEZER")).expect(200);
        step(lot, "TRAY", Duration.ofHours(20), Map.of()).expect(200);

        assertThat(step(lot, "STORED", Duration.ofHours(10), Map.of("storage", "FREEZER"))
                        .expect(409)
                        .body()
                        .path("detail")
                        .asString())
                .contains("thawed before");
    }

    @Test
    void dates_out_of_order_are_refused_with_both_dates() {
        String lot = lot(giver, now.minus(Duration.ofHours(5)), "ROOM", 10);

        assertThat(step(lot, "SEEN_DRY", Duration.ofHours(6), Map.of())
                        .expect(400)
                        .errorAt("at"))
                .contains("before LA-01 was filled");
        assertThat(step(lot, "SEEN_DRY", Duration.ofHours(-2), Map.of())
                        .expect(400)
                        .errorAt("at"))
                .contains("in the future");
        assertThat(test(lot, Duration.ofHours(6), Map.of("flowers", 3, "taken", 1))
                        .expect(400)
                        .errorAt("at"))
                .contains("before LA-01 was filled");
    }

    private Api.Answer test(String lot, Duration ago, Map<String, ?> seen) {
        Map<String, Object> body = new HashMap<>(seen);
        body.put("at", now.minus(ago).toString());
        return api.put("/api/lots/" + lot + "/tests/" + Api.newId(), body);
    }

    @Test
    void a_germination_test_moves_the_curve_and_narrows_it() {
        String lot = lot(giver, now.minus(Duration.ofHours(30)), "FRIDGE_DESICCANT", 10);
        JsonNode before = story(lot).path("lot").path("viability");

        List<Map<String, Integer>> fields = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            fields.add(Map.of("grains", 40, "tubes", 10));
        }
        test(lot, Duration.ofMinutes(10), Map.of("fields", fields)).expect(200);

        JsonNode after = story(lot).path("lot").path("viability");
        // 200 grains weigh more than what was believed: near a quarter, and surer.
        assertThat(after.path("share").asDouble()).isBetween(0.25, 0.31);
        assertThat(width(after)).isLessThan(width(before) / 2);
        assertThat(after.path("tested").asBoolean()).isTrue();
        JsonNode seen = story(lot).path("tests").get(0);
        assertThat(seen.path("seen").asInt()).isEqualTo(200);
        assertThat(seen.path("alive").asInt()).isEqualTo(50);
        assertThat(seen.path("before").asDouble()).isBetween(0.35, 0.45);

        api.post("/api/lots/" + lot + "/tests/" + seen.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(alive(lot)).isCloseTo(before.path("share").asDouble(), within(1e-4));
    }

    private static double width(JsonNode viability) {
        return viability.path("high").asDouble() - viability.path("low").asDouble();
    }

    @Test
    void a_test_that_cannot_be_says_what_is_wrong() {
        String lot = lot(giver, now.minus(Duration.ofHours(5)), "ROOM", 10);

        assertThat(test(lot, Duration.ofHours(1), Map.of("fields", List.of(Map.of("grains", 5, "tubes", 6))))
                        .expect(400)
                        .errorAt("fields[0].tubes"))
                .contains("6 of 5 grains");
        assertThat(test(lot, Duration.ofHours(1), Map.of()).expect(400).errorAt("fields"))
                .contains("one of the two");
    }

    @Test
    void a_blend_says_both_fathers_and_never_one() {
        String one = lot(giver, now.minus(Duration.ofHours(5)), "FRIDGE_DESICCANT", 30);
        String two = lot(other, now.minus(Duration.ofHours(3)), "FRIDGE_DESICCANT", 10);

        JsonNode blend = pour(Map.of(one, 15, two, 5)).expect(200).body();

        assertThat(blend.path("code").asString()).isEqualTo("MIX-01");
        assertThat(blend.path("varietyName").asString()).isEqualTo("Lantern + Pale Ridge");
        assertThat(blend.path("fathers").size()).isEqualTo(2);
        assertThat(blend.path("fathers").get(0).path("share").asDouble()).isEqualTo(0.75);
        assertThat(blend.path("dosesLeft").asInt()).isEqualTo(20);
        assertThat(api.dosesLeft(one)).isEqualTo(15);
        assertThat(api.dosesLeft(two)).isEqualTo(5);
        // The parts' means over the doubt in the half-life lie a little off their middle course.
        double mean = 0.75 * alive(one) + 0.25 * alive(two);
        assertThat(blend.path("viability").path("share").asDouble()).isCloseTo(mean, within(3e-3));

        // A blend of a blend still knows its fathers.
        JsonNode again =
                pour(Map.of(blend.path("id").asString(), 4, two, 4)).expect(200).body();
        assertThat(again.path("fathers").get(0).path("varietyName").asString()).isEqualTo("Pale Ridge");
        assertThat(again.path("fathers").get(0).path("share").asDouble()).isEqualTo(0.625);

        // Taken back untouched, its doses are where they came from.
        api.post("/api/lots/" + again.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(api.dosesLeft(two)).isEqualTo(5);
        assertThat(story(two).path("lines").size()).isEqualTo(3);
    }

    private Api.Answer pour(Map<String, Integer> parts) {
        return pour(Api.newId(), parts);
    }

    private Api.Answer pour(String id, Map<String, Integer> parts) {
        List<Map<String, Object>> list = parts.entrySet().stream()
                .map(e -> Map.<String, Object>of("lotId", e.getKey(), "doses", e.getValue()))
                .toList();
        return api.put(
                "/api/pourings/" + id,
                Map.of(
                        "parts",
                        list,
                        "at",
                        now.toString(),
                        "storage",
                        "FRIDGE_DESICCANT",
                        "confirmed",
                        List.of("FROZEN_AGAIN")));
    }

    @Test
    void pouring_refuses_what_cannot_be_and_is_done_once() {
        String one = lot(giver, now.minus(Duration.ofHours(5)), "FRIDGE_DESICCANT", 30);
        String apple = lot(api.tree(api.variety("apple", "Ember"), "Ember 1"), now, "FREEZER", 9);

        assertThat(pour(Map.of(one, 1, apple, 1)).expect(400).errorAt("parts")).contains("different crops");
        assertThat(pour(Map.of(one, 31)).expect(400).errorAt("parts")).contains("only 30 left in LA-01");
        assertThat(api.dosesLeft(one)).isEqualTo(30);

        String id = Api.newId();
        JsonNode split = pour(id, Map.of(one, 12)).expect(200).body();
        pour(id, Map.of(one, 12)).expect(200);
        pour(id, Map.of(one, 13)).expect(409);

        assertThat(split.path("code").asString()).isEqualTo("LA-02");
        assertThat(split.path("fathers").size()).isEqualTo(1);
        assertThat(api.dosesLeft(one)).isEqualTo(18);
        assertThat(story(one).path("pouredInto").get(0).path("code").asString()).isEqualTo("LA-02");
    }

    @Test
    void lines_by_hand_move_the_balance_and_can_be_undone_once() {
        String lot = lot(giver, now.minus(Duration.ofHours(5)), "FRIDGE_DESICCANT", 10);
        String id = Api.newId();
        Map<String, Object> spilled = Map.of("kind", "SPILLED", "doses", 4, "at", now.toString(), "note", "wind");
        api.put("/api/lots/" + lot + "/lines/" + id, spilled).expect(200);
        api.put("/api/lots/" + lot + "/lines/" + id, spilled).expect(200);
        assertThat(api.dosesLeft(lot)).isEqualTo(6);

        Map<String, Object> tooMuch = Map.of("kind", "BROUGHT_BACK", "doses", 5, "at", now.toString());
        assertThat(api.put("/api/lots/" + lot + "/lines/" + Api.newId(), tooMuch)
                        .expect(400)
                        .errorAt("doses"))
                .contains("only 4 went out");
        assertThat(api.put(
                                "/api/lots/" + lot + "/lines/" + Api.newId(),
                                Map.of("kind", "DRAWN", "doses", 1, "at", now.toString()))
                        .expect(400)
                        .errorAt("kind"))
                .contains("not written by hand");

        api.post("/api/lots/" + lot + "/lines/" + id + "/undo", Map.of()).expect(200);
        JsonNode story = api.post("/api/lots/" + lot + "/lines/" + id + "/undo", Map.of())
                .expect(200)
                .body();
        assertThat(story.path("lot").path("dosesLeft").asInt()).isEqualTo(10);
        assertThat(story.path("lines").size()).isEqualTo(2);
        assertThat(story.path("lines").get(1).path("undone").asBoolean()).isTrue();
    }

    @Test
    void a_code_finds_its_jar_in_any_capitals() {
        String lot = lot(giver, now, "ROOM", 10);

        assertThat(api.get("/api/lot-codes?code=la-01").expect(200).id()).isEqualTo(lot);
        api.get("/api/lot-codes?code=LA-09").expect(404);
    }

    @Test
    void how_it_was_collected_must_be_a_way_of_the_crop_and_balloons_give_nothing_yet() {
        Map<String, Object> body = new HashMap<>(Api.lotBody(giver, now, 4));
        body.put("method", "COMB");
        assertThat(api.put("/api/lots/" + Api.newId(), body).expect(400).errorAt("method"))
                .contains("not how Cherimoya pollen is collected");

        String ember = api.tree(api.variety("apple", "Ember"), "Ember 1");
        Map<String, Object> balloons = new HashMap<>(Api.lotBody(ember, now, 40));
        balloons.put("method", "BALLOON");
        balloons.put("storage", "ROOM");
        balloons.remove("confirmed");
        api.put("/api/lots/" + Api.newId(), balloons).expect(200);
        assertThat(story(lot(giver, now, "ROOM", 3))
                        .path("hour")
                        .path("celsius")
                        .asDouble())
                .isBetween(5.0, 35.0);
    }

    @Test
    void gathering_says_how_many_flowers_and_where_and_when() {
        api.read(giver, now, Map.of("shedding", 12, "half-open", 5)).expect(200);

        JsonNode plan = api.get("/api/gathering?variety=" + lantern + "&doses=20")
                .expect(200)
                .body();

        assertThat(plan.path("expected").asInt()).isEqualTo(5);
        assertThat(plan.path("sure").asInt()).isGreaterThan(5);
        JsonNode tree = plan.path("trees").get(0);
        assertThat(tree.path("now").asDouble()).isCloseTo(12, within(0.1));
        assertThat(Instant.parse(tree.path("until").asString())).isAfter(now);

        api.put(
                        "/api/varieties/" + lantern,
                        Map.of(
                                "crop",
                                "cherimoya",
                                "name",
                                "Lantern",
                                "version",
                                0,
                                "breeding",
                                Map.of("smallFlowered", true)))
                .expect(200);
        assertThat(api.get("/api/gathering?variety=" + lantern + "&doses=20")
                        .body()
                        .path("expected")
                        .asInt())
                .isEqualTo(13);
    }

    @Test
    void recipes_weigh_exactly_and_refuse_more_sugar_than_water_takes() {
        JsonNode medium = api.get("/api/recipes/medium?volumeMl=50").expect(200).body();
        assertThat(medium.path("sucroseG").asDouble()).isEqualTo(5);
        assertThat(medium.path("boricAcidMg").asDouble()).isEqualTo(5);

        Map<String, Object> ask = new HashMap<>(
                Map.of("crop", "fig-capri", "fruits", 120, "sugarPercent", 10, "doseMl", 0.5, "wastePercent", 20));
        JsonNode mixed = api.post("/api/recipes/suspension", ask).expect(200).body();
        // 120 · 0.5 ml ÷ 0.8 = 75 ml, and 10 g in 100 ml of it.
        assertThat(mixed.path("volumeMl").asDouble()).isEqualTo(75);
        assertThat(mixed.path("sugarG").asDouble()).isEqualTo(7.5);
        assertThat(mixed.path("doses").asInt()).isEqualTo(120);
        ask.put("sugarPercent", 90);
        assertThat(api.post("/api/recipes/suspension", ask).expect(400).errorAt("sugarPercent"))
                .contains("more than water takes");
        ask.put("crop", "cherimoya");
        assertThat(api.post("/api/recipes/suspension", ask).expect(400).errorAt("crop"))
                .contains("not floated");
    }

    @Test
    void a_figs_size_is_judged_by_its_varietys_own_window() {
        String fig = api.variety("fig-edible", "Low Wall");
        String url = "/api/recipes/fig-size?variety=" + fig + "&eye=TIGHT_GREEN&diameterMm=";
        JsonNode usual = api.get(url + "20").expect(200).body();
        double late = usual.path("lateFromMm").asDouble();
        assertThat(usual.path("ofVariety").asBoolean()).isFalse();
        assertThat(api.get(url + late).body().path("size").asString()).isEqualTo("TOO_LATE");

        api.put(
                        "/api/varieties/" + fig,
                        Map.of(
                                "crop",
                                "fig-edible",
                                "name",
                                "Low Wall",
                                "version",
                                0,
                                "breeding",
                                Map.of("figRightFromMm", late, "figLateFromMm", late + 10)))
                .expect(200);
        assertThat(api.get(url + late).body().path("size").asString()).isEqualTo("RIGHT");
        assertThat(api.get("/api/recipes/fig-size?variety=" + lantern + "&eye=COLOURED&diameterMm=20")
                        .expect(400)
                        .errorAt("varietyId"))
                .contains("no fig");
    }
}
