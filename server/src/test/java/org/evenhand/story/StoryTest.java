package org.evenhand.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.StreamSupport;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Every record is found in its tree's story, and can be corrected, removed and restored; what hangs on it follows. */
class StoryTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final Instant done = now.minus(Duration.ofDays(14));
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String ridge = api.variety("Pale Ridge");
    private final String taker = api.tree(ridge, "Pale Ridge 1");
    private final String jar = api.lot(giver, done.minusSeconds(600), 30).id();

    private JsonNode story(String of) {
        return api.get("/api/story?" + of).expect(200).body();
    }

    private static List<String> kinds(JsonNode story) {
        return StreamSupport.stream(story.path("lines").spliterator(), false)
                .map(line -> line.path("kind").asString())
                .toList();
    }

    private JsonNode line(String tree, String id) {
        for (JsonNode line : story("removed=true&tree=" + tree).path("lines")) {
            if (line.path("id").asString().equals(id)) {
                return line;
            }
        }
        throw new AssertionError("no line of " + id);
    }

    private Api.Answer remove(String kind, String tree, String id) {
        return api.post(
                "/api/story/" + kind + "/" + id + "/remove",
                Api.voiding(line(tree, id).path("version").asLong()));
    }

    private Api.Answer restore(String kind, String tree, String id) {
        return api.post(
                "/api/story/" + kind + "/" + id + "/restore",
                Map.of("version", line(tree, id).path("version").asLong()));
    }

    private JsonNode history(String kind, String id) {
        return api.get("/api/story/" + kind + "/" + id + "/history")
                .expect(200)
                .body()
                .path("revisions");
    }

    @Test
    void a_trees_story_has_all_of_it_the_latest_first_and_is_narrowed_by_kind() {
        String reading =
                api.read(taker, done.minusSeconds(60), Map.of("parted", 4)).id();
        String pollination = api.pollinate(taker, jar, 4, done).id();
        api.check(pollination, done.plus(Duration.ofDays(12)), 3, 1, 0).expect(200);

        JsonNode all = story("tree=" + taker);
        assertThat(kinds(all)).containsExactlyInAnyOrder("tree", "check", "pollination", "reading");
        assertThat(kinds(all).stream().filter(kind -> !kind.equals("tree")))
                .containsExactly("check", "pollination", "reading");
        assertThat(all.path("kinds").path("pollination").asInt()).isEqualTo(1);
        JsonNode read = line(taker, reading);
        assertThat(read.path("what").path("counts").path("parted").asInt()).isEqualTo(4);
        assertThat(read.path("by").asString()).isNotEmpty();
        assertThat(kinds(story("tree=" + taker + "&kinds=reading"))).containsExactly("reading");
        assertThat(kinds(story("lot=" + jar))).containsExactly("check", "pollination", "jar");
        assertThat(kinds(story("variety=" + ridge))).contains("reading", "pollination", "check");
    }

    @Test
    void a_reading_that_was_wrong_is_corrected_and_its_history_says_by_whom_and_what_it_was() {
        String reading = api.read(taker, now.minusSeconds(600), Map.of("parted", 40, "shedding", 1))
                .id();
        Map<String, Object> right = Api.reading(taker, now.minusSeconds(300), Map.of("parted", 4));
        assertThat(readOnTheBoard()).isEqualTo(41);
        JsonNode corrected = api.put("/api/readings/" + reading + "?version=0", right)
                .expect(200)
                .body();
        assertThat(corrected.path("counts").path("parted").asInt()).isEqualTo(4);
        assertThat(corrected.path("flowers").asInt()).isEqualTo(4);
        api.put("/api/readings/" + reading + "?version=0", right).expect(409);
        assertThat(readOnTheBoard())
                .as("the forecast starts from what is right")
                .isEqualTo(4);

        JsonNode revisions = history("reading", reading);
        assertThat(revisions).hasSize(2);
        JsonNode latest = revisions.get(0);
        assertThat(latest.path("deed").asString()).isEqualTo("CORRECTED");
        assertThat(latest.path("by").asString()).isNotEmpty();
        List<String> fields = new ArrayList<>();
        latest.path("changes").forEach(c -> fields.add(c.path("field").asString()));
        assertThat(fields).containsExactly("counts", "takenAt");
        assertThat(latest.path("changes").get(0).path("before").asString()).contains("parted 40");
        assertThat(latest.path("changes").get(0).path("after").asString()).contains("parted 4,");

        remove("reading", taker, reading).expect(204);
        assertThat(kinds(story("tree=" + taker))).containsExactly("tree");
        restore("reading", taker, reading).expect(204);
        assertThat(kinds(story("tree=" + taker))).containsExactlyInAnyOrder("reading", "tree");
        assertThat(history("reading", reading).get(0).path("deed").asString()).isEqualTo("RESTORED");
        assertThat(history("reading", reading).get(1).path("reason").asString()).isNotEmpty();
    }

    /** Flowers of the reading that the board's forecast of the tree starts from. */
    private int readOnTheBoard() {
        for (JsonNode row : api.get("/api/bloom?hours=24").expect(200).body().path("trees")) {
            if (row.path("treeId").asString().equals(taker)) {
                return row.path("reading").path("flowers").asInt();
            }
        }
        throw new AssertionError("no row of " + taker);
    }

    @Test
    void a_corrected_pollination_draws_anew_and_never_contradicts_its_checks() {
        String other = api.lot(giver, done.minusSeconds(300), 10).id();
        String pollination = api.pollinate(taker, jar, 6, done).id();
        String check =
                api.check(pollination, done.plus(Duration.ofDays(12)), 3, 1, 0).id();
        assertThat(api.put("/api/pollinations/" + pollination + "?version=0", Api.pollination(taker, jar, 3, done))
                        .expect(400)
                        .errorAt("flowers"))
                .contains("a check found 4");
        assertThat(api.put(
                                "/api/pollinations/" + pollination + "?version=0",
                                Api.pollination(taker, jar, 6, now.minusSeconds(60)))
                        .expect(400)
                        .errorAt("doneAt"))
                .contains("after a check");
        assertThat(api.dosesLeft(jar)).isEqualTo(24);

        api.put("/api/pollinations/" + pollination + "?version=0", Api.pollination(taker, other, 5, done))
                .expect(200);
        assertThat(api.dosesLeft(jar)).isEqualTo(30);
        assertThat(api.dosesLeft(other)).isEqualTo(5);
        JsonNode effects = api.get("/api/story/pollination/" + pollination + "/effects")
                .expect(200)
                .body()
                .path("effects");
        assertThat(effects.get(1).path("number").asInt()).isEqualTo(5);
        assertThat(effects.get(2).path("what").asString()).isEqualTo("FIRST");

        assertThat(remove("pollination", taker, pollination).expect(400).errorAt("reason"))
                .contains("checked already");
        api.put(
                        "/api/checks/" + check + "?version=0",
                        Api.checkBody(pollination, done.plus(Duration.ofDays(12)), 1, 4, 0))
                .expect(200);
        assertThat(line(taker, check).path("what").path("flowers").asInt()).isEqualTo(5);
        remove("check", taker, check).expect(204);
        remove("pollination", taker, pollination).expect(204);
        assertThat(api.dosesLeft(other)).isEqualTo(10);
        assertThat(restore("check", taker, check)
                        .expect(404)
                        .body()
                        .path("detail")
                        .asString())
                .contains("pollination");

        String since = api.pollinate(taker, other, 7, done).id();
        assertThat(restore("pollination", taker, pollination).expect(400).errorAt("flowers"))
                .contains("only 3");
        remove("pollination", taker, since).expect(204);
        restore("pollination", taker, pollination).expect(204);
        restore("check", taker, check).expect(204);
        assertThat(api.dosesLeft(other)).isEqualTo(5);
    }

    @Test
    void whatever_is_corrected_removed_and_restored_a_jar_holds_what_went_in_less_what_is_on_flowers() {
        Random random = new Random(1721);
        List<String> jars =
                List.of(jar, api.lot(giver, done.minusSeconds(500), 12).id());
        Map<String, Integer> doses = Map.of(jars.get(0), 30, jars.get(1), 12);
        List<String> pollinations = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            String of = jars.get(random.nextInt(2));
            int flowers = 1 + random.nextInt(6);
            if (pollinations.size() < 4 || random.nextInt(4) == 0) {
                Api.Answer written = api.pollinate(taker, of, flowers, done);
                if (written.status() == 200) {
                    pollinations.add(written.id());
                }
            } else {
                mend(pollinations.get(random.nextInt(pollinations.size())), of, flowers, random.nextInt(3));
            }
            Map<String, Integer> onFlowers = new HashMap<>();
            for (JsonNode line : story("tree=" + taker + "&kinds=pollination").path("lines")) {
                onFlowers.merge(
                        line.path("lotId").asString(),
                        line.path("what").path("flowers").asInt(),
                        Integer::sum);
            }
            for (String each : jars) {
                assertThat(api.dosesLeft(each))
                        .as("%s after step %d", each, i)
                        .isEqualTo(doses.get(each) - onFlowers.getOrDefault(each, 0));
            }
        }
    }

    private void mend(String pollination, String of, int flowers, int how) {
        Api.Answer answer = switch (how) {
            case 0 -> remove("pollination", taker, pollination);
            case 1 -> restore("pollination", taker, pollination);
            default ->
                api.put(
                        "/api/pollinations/" + pollination + "?version="
                                + line(taker, pollination).path("version").asLong(),
                        Api.pollination(taker, of, flowers, done));
        };
        assertThat(answer.status()).isIn(200, 204, 400, 404);
    }

    @Test
    void how_a_jar_was_kept_and_tested_is_corrected_removed_and_restored_in_its_story() {
        String step = Api.newId();
        Map<String, Object> dry = Map.of("at", done.toString(), "kind", "SEEN_DRY");
        api.put("/api/lots/" + jar + "/steps/" + step, dry).expect(200);
        Map<String, Object> later = Map.of("at", done.plusSeconds(3600).toString(), "kind", "SEEN_DRY");
        api.put("/api/lots/" + jar + "/steps/" + step + "?version=0", later).expect(200);
        api.put("/api/lots/" + jar + "/steps/" + step + "?version=0", later).expect(409);
        String test = Api.newId();
        api.put(
                        "/api/lots/" + jar + "/tests/" + test,
                        Map.of("at", done.plusSeconds(7200).toString(), "fields", List.of(grains(50, 40))))
                .expect(200);
        api.put(
                        "/api/lots/" + jar + "/tests/" + test + "?version=0",
                        Map.of("at", done.plusSeconds(7200).toString(), "fields", List.of(grains(50, 4))))
                .expect(200);

        JsonNode lines = story("lot=" + jar).path("lines");
        assertThat(kinds(story("lot=" + jar))).containsExactly("jar-test", "jar-step", "jar");
        assertThat(lines.get(0).path("what").path("fields").get(0).path("tubes").asInt())
                .isEqualTo(4);
        assertThat(Instant.parse(lines.get(1).path("at").asString())).isEqualTo(done.plusSeconds(3600));
        for (String kind : List.of("jar-test", "jar-step")) {
            String id = kind.equals("jar-test") ? test : step;
            String of = "/api/story/" + kind + "/" + id;
            api.post(of + "/remove", Api.voiding(1)).expect(204);
            assertThat(kinds(story("lot=" + jar))).doesNotContain(kind);
            api.post(of + "/restore", Map.of("version", 2)).expect(204);
            assertThat(kinds(story("lot=" + jar))).contains(kind);
            assertThat(history(kind, id)).hasSize(4);
        }
    }

    private static Map<String, Object> grains(int grains, int tubes) {
        return Map.of("grains", grains, "tubes", tubes);
    }

    @Test
    void a_removed_cross_comes_back_under_its_number_and_its_steps_only_as_flowers_allow() {
        String cross = Api.newId();
        Map<String, Object> body = Map.of(
                "treeId",
                taker,
                "fatherId",
                api.get("/api/trees").body().get(0).path("varietyId").asString(),
                "planned",
                9);
        String label = api.put("/api/crosses/" + cross, body)
                .expect(200)
                .body()
                .path("label")
                .asString();
        String bag = Api.newId();
        api.put("/api/crosses/" + cross + "/steps/" + bag, step("BAG", 6)).expect(200);
        api.put("/api/crosses/" + cross + "/steps/" + bag + "?version=0", step("BAG", 5))
                .expect(200);
        assertThat(line(taker, bag).path("what").path("flowers").asInt()).isEqualTo(5);

        remove("cross-step", taker, bag).expect(204);
        restore("cross-step", taker, bag).expect(204);
        remove("cross", taker, cross).expect(204);
        assertThat(restore("cross-step", taker, bag).status())
                .as("it was not removed")
                .isEqualTo(204);
        restore("cross", taker, cross).expect(204);
        assertThat(api.get("/api/crosses").expect(200).body().toString()).contains("\"" + label + "\"");
    }

    private Map<String, Object> step(String kind, int flowers) {
        return Map.of("kind", kind, "flowers", flowers, "doneAt", done.toString());
    }

    @Test
    void a_blend_comes_back_as_long_as_its_parts_are_in_their_jars() {
        String second = api.lot(giver, done.minusSeconds(500), 12).id();
        String blend = Api.newId();
        api.put(
                        "/api/pourings/" + blend,
                        Map.of(
                                "at", done.toString(),
                                "storage", "FRIDGE",
                                "confirmed", List.of("LID_ON_DAMP+FRIDGE_WITHOUT_DESICCANT"),
                                "parts",
                                        List.of(
                                                Map.of("lotId", jar, "doses", 10),
                                                Map.of("lotId", second, "doses", 12))))
                .expect(200);
        String of = "/api/story/jar/" + blend;
        api.post(of + "/remove", Api.voiding(0)).expect(204);
        assertThat(api.dosesLeft(second)).isEqualTo(12);
        api.post(of + "/restore", Map.of("version", 1)).expect(204);
        assertThat(api.dosesLeft(jar)).isEqualTo(20);
        assertThat(api.dosesLeft(second)).isZero();
        assertThat(api.dosesLeft(blend)).isEqualTo(22);

        api.post(of + "/remove", Api.voiding(2)).expect(204);
        api.pollinate(taker, second, 3, done.plusSeconds(60)).expect(200);
        assertThat(api.post(of + "/restore", Map.of("version", 3)).expect(400).errorAt("parts"))
                .contains("9");
        assertThat(api.dosesLeft(jar)).as("nothing was poured").isEqualTo(30);
    }

    @Test
    void a_tree_that_was_written_down_elsewhere_tells_from_where() {
        Map<String, Object> body =
                new HashMap<>(Map.of("varietyId", ridge, "name", "Pale Ridge 1", "row", 7, "position", 3));
        body.put("version", line(taker, taker).path("version").asLong());
        api.put("/api/trees/" + taker, body).expect(200);

        JsonNode moved = story("tree=" + taker + "&kinds=move").path("lines").get(0);
        assertThat(moved.path("what").path("toRow").asInt()).isEqualTo(7);
        assertThat(moved.path("what").path("fromRow").asInt()).isNotEqualTo(7);
        assertThat(moved.path("what").path("toVariety").isMissingNode()).isTrue();
        api.get("/api/story/move/" + moved.path("id").asString() + "/history").expect(404);
        assertThat(kinds(story("tree=" + giver))).doesNotContain("move");
    }

    @Test
    void fruit_that_was_wanted_is_wanted_again_unless_another_number_was_set_since() {
        String target = Api.newId();
        Map<String, Object> wanted = Map.of("treeId", taker, "fruits", 30, "confidence", 90, "priority", 1);
        api.put("/api/targets/" + target, wanted).expect(200);
        assertThat(line(taker, target).path("what").path("wanted").asInt()).isEqualTo(30);
        remove("fruit-target", taker, target).expect(204);
        String second = Api.newId();
        api.put("/api/targets/" + second, wanted).expect(200);
        assertThat(restore("fruit-target", taker, target).expect(400).errorAt("treeId"))
                .contains("has a target already");
        remove("fruit-target", taker, second).expect(204);
        restore("fruit-target", taker, target).expect(204);
    }

    @Test
    void a_removed_tree_is_told_with_what_hangs_on_it_and_comes_back_only_under_a_free_name() {
        api.read(taker, done, Map.of("parted", 4)).expect(200);
        JsonNode effects = api.get("/api/story/tree/" + taker + "/effects")
                .expect(200)
                .body()
                .path("effects");
        assertThat(effects.get(0).path("of").asString()).isEqualTo("reading");
        remove("tree", taker, taker).expect(204);
        String second = api.tree(ridge, "Pale Ridge 1");
        assertThat(restore("tree", taker, taker).expect(400).errorAt("name")).contains("already a tree");
        remove("tree", second, second).expect(204);
        restore("tree", taker, taker).expect(204);
        assertThat(api.get("/api/trees").expect(200).body().toString()).contains(taker);
    }

    @Test
    void anything_is_found_by_what_is_known_of_it_and_letters_stand_for_themselves() {
        Map<String, Object> tagged = new HashMap<>(Api.pollination(taker, jar, 2, done));
        tagged.put("tag", "T-417");
        api.put("/api/pollinations/" + Api.newId(), tagged).expect(200);
        Map<String, Object> noted = new HashMap<>(Api.reading(taker, done, Map.of("parted", 2)));
        noted.put("note", "scale on the north limb, 100% of it");
        api.put("/api/readings/" + Api.newId(), noted).expect(200);
        assertThat(found("t-417")).containsExactly("tag " + taker);
        assertThat(found("pale")).containsExactly("tree " + taker, "variety " + ridge);
        assertThat(found("north limb")).containsExactly("note " + taker);
        assertThat(found("100%")).containsExactly("note " + taker);
        assertThat(found("%")).containsExactly("note " + taker);
        assertThat(found("_")).isEmpty();
        assertThat(found("\\")).isEmpty();
        assertThat(server.newOrchard().get("/api/search?q=pale").expect(200).body())
                .isEmpty();
    }

    private List<String> found(String text) {
        JsonNode hits = api.get("/api/search?q=" + URLEncoder.encode(text, StandardCharsets.UTF_8))
                .expect(200)
                .body();
        return StreamSupport.stream(hits.spliterator(), false)
                .map(hit -> hit.path("kind").asString() + " " + hit.path("id").asString())
                .toList();
    }
}
