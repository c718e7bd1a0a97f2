package org.evenhand.crossing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Crosses from the request over the mother made ready to the cover that comes off. */
class ControlledCrossTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private String harrow;
    private String ember;
    private String mother;
    private String father;
    private String jar;

    @BeforeEach
    void twoApples() {
        harrow = api.variety("apple", "Harrow");
        ember = api.variety("apple", "Ember");
        mother = api.tree(harrow, "Harrow 1");
        father = api.tree(ember, "Ember 1");
        api.read(mother, now, Map.of("cluster", 10, "balloon", 20)).expect(200);
        jar = api.lot(father, now.minus(Duration.ofHours(100)), 40).expect(200).id();
    }

    private static List<JsonNode> list(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).toList();
    }

    private static List<String> kinds(JsonNode stops) {
        return list(stops).stream().map(s -> s.path("kind").asString()).toList();
    }

    private JsonNode crossRequest(Map<String, Object> wanted) {
        Map<String, Object> body = new HashMap<>(Map.of("motherId", harrow, "fatherId", ember));
        body.putAll(wanted);
        return api.put("/api/cross-requests/" + Api.newId(), body).expect(200).body();
    }

    private JsonNode controlledCrosses() {
        return api.get("/api/crosses").expect(200).body();
    }

    private JsonNode begin(int planned, Map<String, Object> way) {
        Map<String, Object> body = new HashMap<>(Map.of("treeId", mother, "fatherId", ember, "planned", planned));
        body.putAll(way);
        return api.put("/api/crosses/" + Api.newId(), body).expect(200).body();
    }

    private Api.Answer step(JsonNode controlledCross, String kind, int flowers) {
        return api.put(
                "/api/crosses/" + controlledCross.path("id").asString() + "/steps/" + Api.newId(),
                Map.of("kind", kind, "flowers", flowers, "doneAt", now.toString()));
    }

    private Map<String, Object> pollen(JsonNode controlledCross, String lot, int flowers) {
        Map<String, Object> body = new HashMap<>(Api.pollination(mother, lot, flowers, now));
        body.put("crossId", controlledCross.path("id").asString());
        return body;
    }

    private Api.Answer pollinate(Map<String, Object> body) {
        return api.put("/api/pollinations/" + Api.newId(), body);
    }

    @Test
    void
            a_cross_request_for_seeds_says_how_many_flowers_and_the_round_makes_them_ready_and_gives_them_that_fathers_pollen() {
        JsonNode crossRequest = crossRequest(Map.of("seeds", 10, "priority", 2));
        assertThat(crossRequest.path("flowers").asInt()).isBetween(10, 60);
        assertThat(crossRequest.path("why").asString())
                .contains("90 % sure of 10 seeds")
                .contains("30 % of crossed flowers");

        JsonNode round =
                api.get("/api/round?at=" + now.plusSeconds(9)).expect(200).body();

        assertThat(kinds(round.path("stops"))).containsExactly("THIN", "EMASCULATE", "POLLINATE", "BAG");
        int flowers = round.path("stops").get(2).path("flowers").asInt();
        assertThat(flowers).isEqualTo(Math.min(20, crossRequest.path("flowers").asInt()));
        assertThat(round.path("stops").get(0).path("say").toString()).contains("balloons");
        assertThat(round.path("stops").get(2).path("lotId").asString()).isEqualTo(jar);
        assertThat(round.path("stops").get(2).path("cross").path("father").asString())
                .isEqualTo("Ember");
        assertThat(round.path("stops").get(2).path("strokes").toString()).contains("strokes.seeds");
    }

    @Test
    void a_step_is_skipped_only_with_its_reason_and_a_bud_can_keep_its_own_pollen_under_the_bag() {
        JsonNode cross = begin(6, Map.of("visits", "TWICE"));
        String path = "/api/crosses/" + cross.path("id").asString() + "/steps/";
        Map<String, Object> skip =
                new HashMap<>(Map.of("kind", "THIN", "flowers", 6, "doneAt", now.toString(), "skipped", true));
        api.put(path + Api.newId(), skip).expect(400);
        skip.put("note", "flowers stand alone here");
        JsonNode after = api.put(path + Api.newId(), skip).expect(200).body();
        assertThat(after.path("due").get(0).path("step").asString()).isEqualTo("EMASCULATE");
        assertThat(after.path("done").get(0).path("skipped").asBoolean()).isTrue();

        skip.put("kind", "POLLINATE");
        skip.put("note", "the jar broke");
        JsonNode given = api.put(path + Api.newId(), skip).expect(200).body();
        assertThat(given.path("pollinated").asBoolean()).isFalse();
        skip.put("skipped", false);
        api.put(path + Api.newId(), skip).expect(400);

        JsonNode covered = begin(3, Map.of("emasculate", false));
        assertThat(covered.path("emasculate").asBoolean()).isFalse();
        assertThat(list(covered.path("due")).stream()
                        .map(d -> d.path("step").asString())
                        .toList())
                .startsWith("THIN", "BAG", "POLLINATE", "REBAG")
                .doesNotContain("EMASCULATE");
        assertThat(step(covered, "EMASCULATE", 3).status()).isEqualTo(400);
    }

    @Test
    void a_cross_whose_mother_died_asks_for_nothing_and_says_so() {
        begin(6, Map.of());
        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("over")
                        .asBoolean())
                .isFalse();
        api.post("/api/trees/" + mother + "/void", Map.of("version", 0, "reason", "died in the frost"))
                .expect(204);
        JsonNode cross = controlledCrosses().path("controlledCrosses").get(0);
        assertThat(cross.path("treeGone").asBoolean()).isTrue();
        assertThat(cross.path("over").asBoolean()).isTrue();
        assertThat(cross.path("due")).isEmpty();
        assertThat(api.get("/api/plan?days=4").expect(200).body().path("due")).isEmpty();
    }

    @Test
    void a_tree_with_sexes_apart_has_crosses_with_numbers_bags_and_tags() {
        String female = api.variety("rare-dioecious-female", "Grey Slope");
        String male = api.variety("rare-dioecious-male", "Fern Gully");
        String tree = api.tree(female, "Grey Slope 1");
        JsonNode cross = api.put("/api/crosses/" + Api.newId(), Map.of("treeId", tree, "fatherId", male, "planned", 4))
                .expect(200)
                .body();
        assertThat(cross.path("label").asString()).startsWith("26-");
        assertThat(cross.path("metalTag").get(1).asString()).isEqualTo("GREY SLOPE");
        assertThat(list(cross.path("due")).stream().map(d -> d.path("step").asString()))
                .startsWith("BAG", "POLLINATE");
    }

    @Test
    void on_the_walk_the_cross_has_its_number_and_step_by_step_comes_to_the_day_the_bag_comes_off() {
        crossRequest(Map.of("flowers", 6));
        String walk = Api.newId();
        JsonNode begun = api.put("/api/walks/" + walk, Map.of()).expect(200).body();
        JsonNode cross = begun.path("stops").get(0).path("cross");
        assertThat(cross.path("label").asString()).isEqualTo("26-1");
        assertThat(list(begun.path("stops"))).allMatch(s -> s.path("cross").equals(cross));

        JsonNode controlledCross = controlledCrosses().path("controlledCrosses").get(0);
        assertThat(controlledCross.path("begun").asBoolean()).isFalse();
        Map<String, Object> thin =
                Map.of("kind", "THIN", "flowers", 6, "doneAt", now.toString(), "walkId", walk, "stop", 0);
        String path = "/api/crosses/" + controlledCross.path("id").asString() + "/steps/";
        String id = Api.newId();
        api.put(path + id, thin).expect(200);
        api.put(path + id, thin).expect(200);
        assertThat(api.get("/api/walks/" + walk).body().path("steps").size()).isEqualTo(1);
        step(controlledCross, "EMASCULATE", 5).expect(200);
        Map<String, Object> given = pollen(controlledCross, jar, 5);
        given.put("walkId", walk);
        given.put("stop", 2);
        JsonNode pollination = pollinate(given).expect(200).body();
        assertThat(pollination.path("mark").asString()).isEqualTo("cross label");
        assertThat(pollination.path("markLasts").asString()).isEqualTo("HARVEST");
        assertThat(pollination.path("crossLabel").asString()).isEqualTo("26-1");

        JsonNode after = step(controlledCross, "BAG", 5).expect(200).body();
        assertThat(list(after.path("due")).stream().map(d -> d.path("step").asString()))
                .containsExactly("POLLINATE_AGAIN", "REBAG", "BAG_OFF");
        assertThat(Instant.parse(after.path("due").get(0).path("from").asString()))
                .isEqualTo(now.plus(Duration.ofDays(1)));
        assertThat(Instant.parse(after.path("due").get(2).path("from").asString()))
                .isEqualTo(now.plus(Duration.ofDays(30)));
        JsonNode wanted = controlledCrosses().path("wanted").get(0);
        assertThat(wanted.path("made").asInt()).isEqualTo(5);
        assertThat(wanted.path("more").asInt()).isEqualTo(1);
    }

    @Test
    void a_second_visit_draws_doses_but_counts_no_flower_twice() {
        JsonNode controlledCross = begin(4, Map.of());
        pollinate(pollen(controlledCross, jar, 4)).expect(200);
        Map<String, Object> again = pollen(controlledCross, jar, 4);
        again.put("again", true);
        JsonNode second = pollinate(again).expect(200).body();

        assertThat(api.dosesLeft(jar)).isEqualTo(32);
        assertThat(api.get("/api/pollinations").body().size()).isEqualTo(1);
        assertThat(api.get("/api/fruit-set").body().path("rows").size()).isEqualTo(1);
        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("due")
                        .get(0)
                        .path("step")
                        .asString())
                .isEqualTo("REBAG");
        api.post("/api/pollinations/" + second.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(api.dosesLeft(jar)).isEqualTo(36);
        again.remove("crossId");
        assertThat(pollinate(again).expect(400).errorAt("again")).contains("name the cross");
    }

    @Test
    void only_its_father_alone_and_no_more_flowers_than_there_are() {
        JsonNode controlledCross = begin(4, Map.of("visits", "AT_ONCE", "bag", false));
        step(controlledCross, "EMASCULATE", 4).expect(200);
        String wick = api.variety("apple", "Wick");
        String other = api.lot(api.tree(wick, "Wick 1"), now.minus(Duration.ofHours(100)), 9)
                .expect(200)
                .id();
        assertThat(pollinate(pollen(controlledCross, other, 2)).expect(400).errorAt("lotId"))
                .contains("is with Ember alone");
        assertThat(pollinate(pollen(controlledCross, jar, 5)).expect(400).errorAt("flowers"))
                .contains("left 4 on cross 26-1");
        assertThat(step(controlledCross, "THIN", 9).expect(400).errorAt("flowers"))
                .contains("Count again");
        assertThat(step(controlledCross, "POLLINATE", 1).expect(400).errorAt("kind"))
                .contains("with its jar");
        pollinate(pollen(controlledCross, jar, 1)).expect(200);
        assertThat(pollinate(pollen(controlledCross, jar, 4)).expect(400).errorAt("flowers"))
                .contains("are 4 besides 1 done, but the step before left 4");
        pollinate(pollen(controlledCross, jar, 3)).expect(200);
        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("flowers")
                        .asInt())
                .as("two who shared the work")
                .isEqualTo(4);
        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("over")
                        .asBoolean())
                .as("neither bag nor second visit was meant")
                .isTrue();
        assertThat(api.post("/api/crosses/" + controlledCross.path("id").asString() + "/void", Api.voiding(0))
                        .expect(400)
                        .errorAt("reason"))
                .contains("Remove those pollinations first");
        assertThat(api.put("/api/crosses/" + Api.newId(), Map.of("treeId", mother, "fatherId", harrow, "planned", 3))
                        .expect(400)
                        .errorAt("fatherId"))
                .contains("does not serve this tree");
    }

    @Test
    void numbers_are_used_once_a_year_by_crosses_and_tags_alike_even_when_many_begin_at_once() throws Exception {
        Map<String, Object> tagged = new HashMap<>(Api.pollination(mother, jar, 1, now));
        tagged.put("tag", "26-2");
        pollinate(tagged).expect(200);
        ExecutorService threads = Executors.newFixedThreadPool(6);
        List<Future<JsonNode>> begun = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            begun.add(threads.submit(() -> begin(2, Map.of())));
        }
        List<String> labels = new ArrayList<>();
        for (Future<JsonNode> one : begun) {
            labels.add(one.get().path("label").asString());
        }
        threads.shutdown();
        assertThat(labels).containsExactlyInAnyOrder("26-1", "26-3", "26-4", "26-5", "26-6", "26-7");
        tagged.put("tag", "26-5");
        assertThat(pollinate(tagged).expect(400).errorAt("tag")).contains("is the number of a cross on Harrow 1");
    }

    @Test
    void a_round_that_ends_without_them_leaves_no_crosses_behind() {
        crossRequest(Map.of("flowers", 6));
        String walk = Api.newId();
        api.put("/api/walks/" + walk, Map.of()).expect(200);
        assertThat(controlledCrosses().path("controlledCrosses").size()).isEqualTo(1);

        api.post("/api/walks/" + walk + "/close", Map.of()).expect(200);

        assertThat(controlledCrosses().path("controlledCrosses").size()).isZero();
        assertThat(controlledCrosses().path("wanted").get(0).path("more").asInt())
                .isEqualTo(6);
        api.put("/api/walks/" + Api.newId(), Map.of()).expect(200);
        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("label")
                        .asString())
                .as("a number is never used again")
                .isEqualTo("26-2");
    }

    @Test
    void a_cross_request_without_its_fathers_pollen_is_told_and_leaves_the_flowers_alone() {
        String wick = api.variety("apple", "Wick");
        api.put("/api/cross-requests/" + Api.newId(), Map.of("motherId", harrow, "fatherId", wick, "flowers", 6))
                .expect(200);

        JsonNode plan = api.get("/api/plan?days=4").expect(200).body();

        JsonNode left = list(plan.path("left")).stream()
                .filter(l -> l.path("reason").asString().equals("CROSS_WITHOUT_POLLEN"))
                .findFirst()
                .orElseThrow();
        api.put("/api/cross-requests/" + Api.newId(), Map.of("motherId", ember, "fatherId", harrow, "flowers", 4))
                .expect(200);
        api.read(father, now, Map.of("falling", 6)).expect(200);
        api.lot(mother, now.minus(Duration.ofHours(100)), 9).expect(200);
        assertThat(list(api.get("/api/plan?days=4").body().path("left")).stream()
                        .filter(l -> l.path("reason").asString().equals("CROSS_NOT_READY"))
                        .map(l -> l.path("tree").asString() + ": "
                                + l.path("wouldServe").toString()))
                .singleElement()
                .asString()
                .startsWith("Ember × Harrow: ")
                .contains("save.stage")
                .containsIgnoringCase("balloon");
        assertThat(left.path("tree").asString()).isEqualTo("Harrow × Wick");
        assertThat(left.path("wouldServe").toString()).contains("save.father").contains("Wick");
        assertThat(api.put(
                                "/api/cross-requests/" + Api.newId(),
                                Map.of("motherId", ember, "fatherId", wick, "seeds", 90_000))
                        .expect(400)
                        .errorAt("seeds"))
                .contains("out of reach");
    }

    @Test
    void visits_and_covers_stand_in_the_calendar_and_labels_are_printed_and_written_out() throws Exception {
        JsonNode controlledCross = begin(4, Map.of());
        step(controlledCross, "EMASCULATE", 4).expect(200);
        pollinate(pollen(controlledCross, jar, 4)).expect(200);
        JsonNode feed = api.put("/api/calendars/" + Api.newId(), Map.of("name", "Crosses"))
                .expect(200)
                .body();
        String calendar =
                api.get(feed.path("path").asString()).expect(200).raw().body();
        assertThat(calendar)
                .contains("SUMMARY:Second visit to crosses: 1")
                .contains("DTSTART;VALUE=DATE:20261125")
                .contains("SUMMARY:Bags off: 1")
                .contains("DTSTART;VALUE=DATE:20261224");

        assertThat(list(controlledCross.path("metalTag")).stream().map(JsonNode::asString))
                .containsExactly("26-1", "HARROW", "X EMBER", "24.11.26");
        JsonNode sheet = api.post(
                        "/api/crosses/labels",
                        Map.of(
                                "grid",
                                "A4_3_BY_7",
                                "controlledCrosses",
                                List.of(Map.of(
                                        "crossId", controlledCross.path("id").asString(), "copies", 2))))
                .expect(200)
                .body();
        try (var pdf =
                Loader.loadPDF(Base64.getDecoder().decode(sheet.path("pdf").asString()))) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("26-1")
                    .contains("Harrow × Ember")
                    .contains("4 flowers");
        }
        assertThat(sheet.path("labels").asInt()).isEqualTo(2);
    }

    @Test
    void flowers_that_serve_one_another_are_done_without_a_jar() {
        String lime = api.tree(api.variety("citrus", "Small Lime"), "Small Lime 1");
        api.read(lime, now, Map.of("open", 12)).expect(200);

        JsonNode round =
                api.get("/api/round?at=" + now.plusSeconds(9)).expect(200).body();

        JsonNode stop = list(round.path("stops")).stream()
                .filter(s -> s.path("treeId").asString().equals(lime))
                .findFirst()
                .orElseThrow();
        assertThat(stop.path("flowers").asInt()).isEqualTo(12);
        assertThat(stop.has("lotId")).isFalse();
        assertThat(stop.path("handling").toString()).contains("All that opened since yesterday");
        Map<String, Object> done = Map.of("treeId", lime, "flowers", 12, "doneAt", now.toString());
        JsonNode made = pollinate(done).expect(200).body();
        assertThat(made.path("lotCode").asString()).isEqualTo("from flower to flower");
        api.post("/api/pollinations/" + made.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(pollinate(Map.of("treeId", mother, "flowers", 1, "doneAt", now.toString()))
                        .expect(400)
                        .errorAt("lotId"))
                .contains("missing");
    }

    @Test
    void limbs_share_the_flowers_by_what_they_carry() {
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        api.read(taker, now, Map.of("half-open", 9)).expect(200);
        api.lot(giver, now, 20).expect(200);
        api.put(
                        "/api/targets/" + Api.newId(),
                        Map.of("treeId", taker, "confidence", 90, "priority", 1, "limbsMm", List.of(10, 20, 8, 20)))
                .expect(200);

        JsonNode stop = api.get("/api/round?at=" + now.plusSeconds(9))
                .expect(200)
                .body()
                .path("stops")
                .get(0);

        assertThat(list(stop.path("limbs")).stream().map(l -> l.path("fruits").asInt()))
                .as("a twig of 10 mm carries one, a limb twice as thick four, a thinner one none")
                .containsExactly(1, 4, 0, 4);
        assertThat(list(stop.path("limbs")).stream().map(l -> l.path("flowers").asInt()))
                .containsExactly(1, 4, 0, 4);
    }

    @Test
    void figs_come_in_the_order_in_which_they_are_injected() {
        String tree = api.tree(api.variety("fig-edible", "Stone Wall"), "Stone Wall 1");
        double[] sizes = {9, 31, 14, 22};
        JsonNode figs = null;
        for (int i = 0; i < sizes.length; i++) {
            figs = fig(tree, "Y" + (i + 1), sizes[i]).expect(200).body();
        }
        assertThat(list(figs.path("figs")).stream().map(f -> f.path("fig").asString()))
                .containsExactly("Y4", "Y3", "Y1", "Y2");
        assertThat(figs.path("right").asInt()).isEqualTo(2);
        assertThat(figs.path("suspensionMl").asDouble())
                .as("two doses of 0.5 ml, 15 % lost: 1 / 0.85, rounded up")
                .isEqualTo(1.2);
        assertThat(fig(mother, "Y1", 14).expect(400).errorAt("treeId")).contains("not injected by size");
        assertThat(fig(tree, "Y1", 900).expect(400).errorAt("diameterMm")).contains("900");
        String latest = figs.path("figs").get(0).path("id").asString();
        api.post("/api/figs/" + latest + "/void", Api.voiding(0)).expect(204);
        assertThat(api.get("/api/trees/" + tree + "/figs").body().path("figs").size())
                .isEqualTo(3);
    }

    private Api.Answer fig(String tree, String name, double mm) {
        return api.put(
                "/api/figs/" + Api.newId(),
                Map.of(
                        "treeId",
                        tree,
                        "fig",
                        name,
                        "diameterMm",
                        mm,
                        "eye",
                        "LOOSENING_GREEN",
                        "measuredAt",
                        now.toString()));
    }

    @Test
    void over_the_coming_days_a_shut_flower_is_bagged_today_given_that_fathers_pollen_tomorrow_and_once_more() {
        String ridge = api.variety("Pale Ridge");
        String lantern = api.variety("Lantern");
        String taker = api.tree(ridge, "Pale Ridge 1");
        String giver = api.tree(lantern, "Lantern 1");
        api.read(taker, now, Map.of("closed", 30, "half-open", 6)).expect(200);
        String fathers = api.lot(giver, now, 60).expect(200).id();
        String others = api.lot(api.tree(api.variety("Far Hill"), "Far Hill 1"), now, 60)
                .expect(200)
                .id();
        api.put("/api/cross-requests/" + Api.newId(), Map.of("motherId", ridge, "fatherId", lantern, "flowers", 5))
                .expect(200);

        Map<String, Object> evenings = new HashMap<>(Api.settings());
        evenings.put("everyDay", List.of(Map.of("from", "16:00", "until", "17:00")));
        api.put("/api/round-settings/" + Api.newId(), evenings).expect(200);

        JsonNode plan = api.get("/api/plan?days=4").expect(200).body();

        Map<String, Integer> roundOf = new HashMap<>();
        Map<String, Integer> drawn = new HashMap<>();
        for (int r = 0; r < plan.path("rounds").size(); r++) {
            for (JsonNode stop : plan.path("rounds").get(r).path("stops")) {
                drawn.merge(
                        stop.path("lotId").asString(""), stop.path("flowers").asInt(), Integer::sum);
                if (stop.has("cross")) {
                    roundOf.putIfAbsent(stop.path("kind").asString(), r);
                    assertThat(stop.path("flowers").asInt()).isEqualTo(5);
                    assertThat(stop.path("lotId").asString(fathers))
                            .as("never the other father's")
                            .isEqualTo(fathers);
                }
            }
        }
        assertThat(roundOf).as("%s %s", plan.path("left"), plan.path("rounds")).containsEntry("BAG", 0);
        assertThat(roundOf.get("POLLINATE")).isPositive();
        assertThat(roundOf.get("POLLINATE_AGAIN")).isGreaterThan(roundOf.get("POLLINATE"));
        assertThat(roundOf.get("REBAG")).isEqualTo(roundOf.get("POLLINATE"));
        assertThat(drawn.get(fathers)).isLessThanOrEqualTo(60);
        assertThat(drawn.getOrDefault(others, 0)).isLessThanOrEqualTo(60);
    }

    @Test
    void a_cross_request_to_be_left_alone_asks_for_nothing_and_one_before_others_gets_scarce_pollen() {
        JsonNode crossRequest = crossRequest(Map.of("flowers", 6, "priority", 0));
        assertThat(kinds(api.get("/api/round?at=" + now.plusSeconds(9)).body().path("stops")))
                .doesNotContain("THIN");

        Map<String, Object> more =
                new HashMap<>(Map.of("motherId", harrow, "fatherId", ember, "flowers", 6, "priority", 3, "version", 0));
        api.put("/api/cross-requests/" + crossRequest.path("id").asString(), more)
                .expect(200);
        api.read(mother, now, Map.of("balloon", 20, "open-dust", 30)).expect(200);
        String few =
                api.lot(father, now.minus(Duration.ofHours(100)), 6).expect(200).id();
        api.put(
                        "/api/lots/" + jar + "/lines/" + Api.newId(),
                        Map.of("kind", "SPILLED", "doses", 40, "at", now.toString()))
                .expect(200);

        JsonNode stops = api.get("/api/round?at=" + now.plusSeconds(9))
                .expect(200)
                .body()
                .path("stops");

        JsonNode visit = list(stops).stream()
                .filter(s -> s.path("lotId").asString("").equals(few))
                .findFirst()
                .orElseThrow();
        assertThat(visit.path("cross").path("father").asString())
                .as("six doses for thirty open flowers and six of the cross")
                .isEqualTo("Ember");
        assertThat(api.put("/api/cross-requests/" + crossRequest.path("id").asString(), more)
                        .status())
                .as("changed by somebody meanwhile")
                .isEqualTo(409);
    }

    @Test
    void a_step_taken_back_is_to_do_again_and_the_way_can_be_changed_until_then() {
        JsonNode controlledCross = begin(4, Map.of());
        String path = "/api/crosses/" + controlledCross.path("id").asString();
        JsonNode bagged = step(controlledCross, "BAG", 4).expect(200).body();
        assertThat(bagged.path("due").get(0).path("step").asString()).isEqualTo("POLLINATE_AGAIN");
        String step = bagged.path("done").get(0).path("id").asString();

        api.post(path + "/steps/" + step + "/void", Api.voiding(0)).expect(204);

        assertThat(controlledCrosses()
                        .path("controlledCrosses")
                        .get(0)
                        .path("due")
                        .get(0)
                        .path("step")
                        .asString())
                .isEqualTo("THIN");
        Map<String, Object> way = Map.of(
                "treeId", mother, "fatherId", ember, "planned", 9, "bag", false, "visits", "WHEN_RIPE", "version", 0);
        JsonNode changed = api.put(path, way).expect(200).body();
        assertThat(list(changed.path("due")).stream().map(d -> d.path("step").asString()))
                .containsExactly("THIN", "EMASCULATE", "POLLINATE");
        assertThat(changed.path("flowers").asInt()).isEqualTo(9);
        api.put(path, way).expect(409);
        assertThat(TestServer.get()
                        .database()
                        .queryForObject(
                                "select count(*) from controlled_cross_history where id = ?::uuid",
                                Integer.class,
                                controlledCross.path("id").asString()))
                .as("history keeps both")
                .isEqualTo(2);
    }

    @Test
    void on_paper_the_steps_stand_with_the_number_of_their_cross() throws Exception {
        crossRequest(Map.of("flowers", 6));
        String walk = Api.newId();
        api.put("/api/walks/" + walk, Map.of()).expect(200);
        try (var pdf = Loader.loadPDF(api.bytes("/api/walks/" + walk + "/paper"))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("Thin the cluster: 6 balloon")
                    .contains("Emasculate: 6 balloon")
                    .contains("cross 26-1");
        }
    }

    @Test
    void where_a_cross_takes_two_jars_it_is_made_ready_once_before_and_bagged_once_after() {
        api.put(
                        "/api/lots/" + jar + "/lines/" + Api.newId(),
                        Map.of("kind", "SPILLED", "doses", 36, "at", now.toString()))
                .expect(200);
        api.lot(father, now.minus(Duration.ofHours(90)), 5).expect(200);
        crossRequest(Map.of("flowers", 8));

        JsonNode stops = api.get("/api/round?at=" + now.plusSeconds(9))
                .expect(200)
                .body()
                .path("stops");

        assertThat(kinds(stops)).containsExactly("THIN", "EMASCULATE", "POLLINATE", "POLLINATE", "BAG");
        assertThat(stops.get(2).path("flowers").asInt()
                        + stops.get(3).path("flowers").asInt())
                .isEqualTo(8);
        assertThat(stops.get(3).path("cleanBefore").size()).as("one father").isZero();
    }
}
