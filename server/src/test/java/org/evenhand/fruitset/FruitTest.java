package org.evenhand.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Looking for fruit, limb by limb and fruit by fruit, to the harvest. */
class FruitTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
    private final Instant done = now.minus(Duration.ofDays(20));
    private final String lot = api.lot(giver, done.minusSeconds(600), 90).id();

    private Api.Answer check(String id, Duration after, Map<String, Object> more, int taken, int failed, int unknown) {
        Map<String, Object> body = new HashMap<>(Api.checkBody(id, done.plus(after), taken, failed, unknown));
        body.putAll(more);
        return api.put("/api/checks/" + Api.newId(), body);
    }

    @Test
    void thinned_fruit_had_taken_lost_marks_say_nothing_and_shapes_fit_the_fruit() {
        String id = api.pollinate(taker, lot, 10, done).expect(200).id();
        Duration count = Duration.ofDays(12);
        assertThat(check(id, count, Map.of("thinned", 2, "lost", 1), 5, 3, 0)
                        .expect(400)
                        .errorAt("taken"))
                .contains("makes 11, but only 10");
        assertThat(check(id, count, Map.of("detail", Map.of("fruits", 3)), 5, 2, 0)
                        .expect(400)
                        .errorAt("detail.fruits"))
                .contains("5 flowers set");
        assertThat(check(id, count, Map.of("detail", Map.of("whole", 4, "crooked", 2)), 5, 2, 0)
                        .expect(400)
                        .errorAt("detail.whole"))
                .contains("makes 6, but there are 5");
        Map<String, Object> fine =
                Map.of("thinned", 2, "lost", 1, "detail", Map.of("resting", 2, "whole", 4, "oneSided", 1));
        JsonNode written = check(id, count, fine, 5, 2, 0).expect(200).body();
        assertThat(written.path("notFound").asInt()).isEqualTo(1);

        JsonNode all = api.get("/api/findings").expect(200).body().path("all");
        assertThat(all.path("taken").asInt()).as("those thinned had taken").isEqualTo(7);
        assertThat(all.path("decided").asInt()).isEqualTo(9);
    }

    @Test
    void with_petals_on_and_a_nick_in_them_as_the_only_mark_it_asks_and_the_unknown_come_back() {
        Map<String, Object> nicked = new HashMap<>(Api.pollination(taker, lot, 6, done));
        nicked.put("mark", "petal nick");
        String id =
                api.put("/api/pollinations/" + Api.newId(), nicked).expect(200).id();
        Api.Answer asked = check(id, Duration.ofDays(2), Map.of(), 5, 1, 0).expect(409);
        assertThat(asked.body().path("detail").asString())
                .contains("It is day 2")
                .contains("not yet known");
        check(id, Duration.ofDays(2), Map.of(), 0, 0, 6).expect(200);
        check(id, Duration.ofDays(2), Map.of("confirmed", List.of("petals-still-on")), 5, 1, 0)
                .expect(200);

        Api.Answer fewer = check(id, Duration.ofDays(13), Map.of(), 4, 1, 1).expect(409);
        assertThat(fewer.body().required("confirm").asString()).isEqualTo("fewer-than-before");
        assertThat(fewer.body().required("detail").asString())
                .contains("6 flowers")
                .contains("this one of 5");
        check(id, Duration.ofDays(13), Map.of("confirmed", List.of("fewer-than-before")), 4, 1, 1)
                .expect(200);
        JsonNode due =
                api.get("/api/fruit-set").expect(200).body().path("rows").get(0).path("due");
        assertThat(due.path("name").asString()).isEqualTo("Check again");
        assertThat(due.path("day").asInt()).isEqualTo(18);
    }

    @Test
    void a_limb_counted_again_takes_the_place_of_the_count_before_and_says_what_lies_between() {
        api.pollinate(taker, lot, 4, done).expect(200);
        limb("East limb", done.plus(Duration.ofDays(1)), 9, 0).expect(200);
        JsonNode second = limb("east limb", done.plus(Duration.ofDays(15)), 12, 1)
                .expect(200)
                .body();
        assertThat(second.path("now").asInt()).isEqualTo(12);
        JsonNode latest = second.path("counts").get(0);
        assertThat(latest.path("before").asInt()).isEqualTo(9);
        assertThat(latest.path("flowersSince").asInt()).isEqualTo(4);
        assertThat(latest.path("say").asString()).startsWith("4 more than before");
        JsonNode third = limb("East limb", done.plus(Duration.ofDays(16)), 14, 0)
                .expect(200)
                .body();
        assertThat(third.path("counts").get(0).path("kind").asString()).isEqualTo("MORE_THAN_DONE");
        assertThat(limb("East limb", done.plus(Duration.ofDays(3)), 14, 0)
                        .expect(400)
                        .errorAt("countedAt"))
                .contains("before the limb's latest count");
        assertThat(limb("East limb", now, -1, 0).expect(400).errorAt("fruits")).contains("is -1");

        JsonNode limbs = api.get("/api/limbs").expect(200).body();
        assertThat(limbs.size()).as("one limb, counted three times").isEqualTo(1);
    }

    private Api.Answer limb(String name, Instant at, int fruits, int takenOff) {
        return api.put(
                "/api/limb-counts/" + Api.newId(),
                Map.of(
                        "treeId",
                        taker,
                        "limb",
                        name,
                        "countedAt",
                        at.toString(),
                        "fruits",
                        fruits,
                        "takenOff",
                        takenOff));
    }

    private Map<String, Object> end(String kind, int seeds) {
        return Map.of("kind", kind, "at", now.toString(), "weightG", 312.5, "shape", "WHOLE", "seeds", seeds);
    }

    @Test
    void a_fruit_has_one_number_and_one_end_and_more_seeds_than_ovules_are_asked_about() {
        String id = api.pollinate(taker, lot, 3, done).expect(200).id();
        check(id, Duration.ofDays(12), Map.of(), 3, 0, 0).expect(200);
        JsonNode before = api.get("/api/fruits").expect(200).body();
        assertThat(before.path("nextNumber").asInt()).isEqualTo(1);
        JsonNode source = before.path("sources").get(0);
        assertThat(source.path("unnumbered").asInt()).isEqualTo(3);
        assertThat(source.path("numberFrom").asString())
                .as("day 110 of 4 November")
                .isEqualTo("2027-02-22");
        assertThat(source.path("numberNow").asBoolean()).isFalse();

        Map<String, Object> numbered =
                Map.of("treeId", taker, "pollinationId", id, "number", 1, "numberedAt", now.toString());
        String fruit =
                api.put("/api/fruits/" + Api.newId(), numbered).expect(200).id();
        assertThat(api.put("/api/fruits/" + Api.newId(), numbered).expect(400).errorAt("number"))
                .contains("another fruit has");
        assertThat(api.put("/api/fruits/" + fruit + "/end", Map.of("end", end("HARVESTED", 400)))
                        .expect(409)
                        .body()
                        .path("detail")
                        .asString())
                .contains("400 seeds")
                .contains("150");
        api.put("/api/fruits/" + fruit + "/end", Map.of("end", end("HARVESTED", 41)))
                .expect(200);
        api.put("/api/fruits/" + fruit + "/end", Map.of("end", end("HARVESTED", 41)))
                .expect(200);
        assertThat(api.put("/api/fruits/" + fruit + "/end", Map.of("end", end("FALLEN", 41)))
                        .expect(400)
                        .errorAt("end.kind"))
                .contains("recorded already: harvested");
        Map<String, Object> empty = new HashMap<>(end("HARVESTED", 5));
        empty.put("emptySeeds", 6);
        assertThat(api.put("/api/fruits/" + Api.newId(), Map.of("treeId", taker, "pollinationId", id, "end", empty))
                        .expect(400)
                        .errorAt("end.emptySeeds"))
                .contains("6 of 5");

        api.put("/api/fruits/" + Api.newId(), Map.of("treeId", taker, "pollinationId", id, "end", end("HARVESTED", 0)))
                .expect(200);
        JsonNode findings = api.get("/api/findings").expect(200).body();
        JsonNode seeds = findings.path("seeds").get(0);
        assertThat(seeds.path("fruits").asInt()).isEqualTo(2);
        assertThat(seeds.path("seeds").path("mean").asDouble()).isEqualTo(20.5);
        assertThat(seeds.path("seedless").asInt()).isEqualTo(1);
        JsonNode yield = findings.path("yield").get(0);
        assertThat(yield.path("kilograms").asDouble()).isEqualTo(0.625);
        JsonNode left = api.get("/api/fruits").expect(200).body();
        assertThat(left.path("nextNumber").asInt()).isEqualTo(2);
        assertThat(left.path("sources").get(0).path("hanging").asInt()).isEqualTo(1);
    }

    @Test
    void pips_counted_in_winter_correct_the_end_under_the_version_that_was_seen() {
        String id = api.pollinate(taker, lot, 3, done).expect(200).id();
        Map<String, Object> picked = new HashMap<>(end("HARVESTED", 0));
        picked.remove("seeds");
        JsonNode fruit = api.put(
                        "/api/fruits/" + Api.newId(), Map.of("treeId", taker, "pollinationId", id, "end", picked))
                .expect(200)
                .body();
        String path = "/api/fruits/" + fruit.path("id").asString() + "/end";
        Map<String, Object> counted = Map.of(
                "end", end("HARVESTED", 37), "version", fruit.path("version").asLong());

        assertThat(api.put(path, counted)
                        .expect(200)
                        .body()
                        .path("end")
                        .path("seeds")
                        .asInt())
                .isEqualTo(37);
        api.put(path, counted).expect(200);
        api.put(
                        path,
                        Map.of(
                                "end",
                                end("HARVESTED", 36),
                                "version",
                                fruit.path("version").asLong()))
                .expect(409);
        assertThat(api.get("/api/findings")
                        .expect(200)
                        .body()
                        .path("seeds")
                        .get(0)
                        .path("seeds")
                        .path("mean")
                        .asDouble())
                .isEqualTo(37);
    }

    @Test
    void fruit_of_the_season_before_stays_until_it_has_ended_and_its_flowers_as_long_as_it_may_hang() {
        // Cherimoya is ripe after 170 days by its sheet; after twice that, nothing is taken to hang.
        Instant longAgo = now.minus(Duration.ofDays(330));
        Instant longer = now.minus(Duration.ofDays(350));
        String early = api.lot(giver, longer.minusSeconds(60), 9).expect(200).id();
        String last = api.pollinate(taker, early, 2, longAgo).expect(200).id();
        String before = api.pollinate(taker, early, 2, longer).expect(200).id();
        api.check(last, now.minus(Duration.ofDays(200)), 2, 0, 0).expect(200);
        api.check(before, now.minus(Duration.ofDays(200)), 2, 0, 0).expect(200);
        JsonNode numbered = api.put(
                        "/api/fruits/" + Api.newId(),
                        Map.of(
                                "treeId",
                                taker,
                                "pollinationId",
                                before,
                                "number",
                                7,
                                "numberedAt",
                                now.minus(Duration.ofDays(190)).toString()))
                .expect(200)
                .body();

        JsonNode shown = api.get("/api/fruits").expect(200).body();
        assertThat(shown.path("fruits").size()).isEqualTo(1);
        assertThat(shown.path("fruits").get(0).path("year").asInt())
                .isEqualTo(shown.path("year").asInt() - 1);
        assertThat(shown.path("nextNumber").asInt())
                .as("numbers begin anew each season")
                .isEqualTo(1);
        assertThat(shown.path("sources")
                        .valueStream()
                        .map(s -> s.path("pollinationId").asString()))
                .containsExactly(last);

        api.put("/api/fruits/" + numbered.path("id").asString() + "/end", Map.of("end", end("HARVESTED", 12)))
                .expect(200);
        assertThat(api.get("/api/fruits").expect(200).body().path("fruits").size())
                .isZero();
    }

    @Test
    void a_fallen_fruit_without_a_number_has_its_candidates_by_what_still_hangs() {
        String one = api.pollinate(taker, lot, 6, done).expect(200).id();
        String two =
                api.pollinate(taker, lot, 3, done.plusSeconds(3600)).expect(200).id();
        check(one, Duration.ofDays(12), Map.of(), 6, 0, 0).expect(200);
        check(two, Duration.ofDays(12), Map.of(), 2, 1, 0).expect(200);
        JsonNode candidates =
                api.get("/api/trees/" + taker + "/fallen").expect(200).body();
        assertThat(candidates.get(0).path("pollinationId").asString()).isEqualTo(one);
        assertThat(candidates.get(0).path("share").asDouble()).isEqualTo(0.75);
        assertThat(api.get("/api/trees/" + taker + "/fallen?sepalsMissing=true")
                        .expect(200)
                        .body()
                        .size())
                .as("nobody cut a calyx here")
                .isZero();
    }

    @Test
    void flowers_left_to_nature_are_followed_but_never_planned_as_done_by_hand() {
        Map<String, Object> nature = new HashMap<>();
        nature.put("treeId", taker);
        nature.put("flowers", 20);
        nature.put("doneAt", done.toString());
        nature.put("how", Map.of("treatment", "NATURE"));
        String id =
                api.put("/api/pollinations/" + Api.newId(), nature).expect(200).id();
        nature.put("lotId", lot);
        assertThat(api.put("/api/pollinations/" + Api.newId(), nature)
                        .expect(400)
                        .errorAt("lotId"))
                .contains("nobody pollinates");
        String hand = api.pollinate(taker, lot, 20, done).expect(200).id();
        check(id, Duration.ofDays(12), Map.of(), 2, 18, 0).expect(200);
        check(hand, Duration.ofDays(12), Map.of(), 12, 8, 0).expect(200);

        JsonNode findings = api.get("/api/findings").expect(200).body();
        assertThat(findings.path("all").path("decided").asInt())
                .as("by hand alone")
                .isEqualTo(20);
        JsonNode beside = findings.path("hand");
        assertThat(beside.path("ratio").path("value").asDouble()).isCloseTo(6, within(1e-9));
        assertThat(beside.path("pooled").path("value").asDouble())
                .as("one tree")
                .isEqualTo(6);
        assertThat(beside.path("sentence").asString()).contains("the hand adds");
        assertThat(api.get("/api/targets").expect(200).body().findValuesAsString("set"))
                .as("fruit set by hand on either tree")
                .contains("12")
                .doesNotContain("14");
    }

    @Test
    void a_comparison_is_drawn_by_lot_kept_with_its_seed_and_judged_only_when_complete() {
        Map<String, Object> request = Map.of("question", "NATURE", "trees", List.of(taker), "flowersEach", 3);
        String id = Api.newId();
        JsonNode drawn = api.put("/api/comparisons/" + id, request).expect(200).body();
        assertThat(drawn.path("label").asString()).isEqualTo("K1");
        assertThat(drawn.path("places").size()).isEqualTo(6);
        assertThat(api.put("/api/comparisons/" + id, request).expect(200).body().path("places"))
                .as("sent twice, drawn once")
                .isEqualTo(drawn.path("places"));
        assertThat(api.get("/api/comparisons/" + id + "/tags")
                        .expect(200)
                        .body()
                        .path("labels")
                        .asInt())
                .isEqualTo(6);
        for (JsonNode place : drawn.path("places")) {
            boolean hand = place.path("arm").asInt() == 1;
            Map<String, Object> one = new HashMap<>();
            one.put("treeId", taker);
            one.put("flowers", 1);
            one.put("doneAt", done.toString());
            one.put("tag", place.path("tag").asString());
            one.put("comparisonId", id);
            one.put("slot", place.path("slot").asInt());
            if (hand) {
                one.put("lotId", lot);
            } else {
                one.put("how", Map.of("treatment", "NATURE"));
            }
            String p =
                    api.put("/api/pollinations/" + Api.newId(), one).expect(200).id();
            one.put("tag", "");
            assertThat(api.put("/api/pollinations/" + Api.newId(), one)
                            .expect(400)
                            .errorAt("slot"))
                    .contains("done already");
            JsonNode half = api.get("/api/comparisons").expect(200).body().get(0);
            assertThat(half.has("result")).as("not before all are decided").isFalse();
            check(p, Duration.ofDays(12), Map.of(), hand ? 1 : 0, hand ? 0 : 1, 0)
                    .expect(200);
        }
        JsonNode complete = api.get("/api/comparisons").expect(200).body().get(0);
        assertThat(complete.path("complete").asBoolean()).isTrue();
        assertThat(complete.path("result").path("sentence").asString())
                .as("3 of 3 against 0 of 3 is p = 0.1 by Fisher's test, and few")
                .startsWith("by hand 100 %, left to nature 0 %: no difference is shown")
                .contains("p 0.10")
                .contains("Few flowers");

        assertThat(api.get("/api/trial-size?one=0.5&other=0.75&power=0.9")
                        .expect(200)
                        .body()
                        .path("flowersEach")
                        .asInt())
                .isBetween(70, 84);
        assertThat(api.get("/api/trial-size?one=0.5&other=0.5").expect(400).errorAt("other"))
                .contains("the same");
    }
}
