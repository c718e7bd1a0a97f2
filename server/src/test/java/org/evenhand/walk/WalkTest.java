package org.evenhand.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.imageio.ImageIO;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A round that is walked by two, marked, and taken up again. */
class WalkTest {
    private final TestServer server = TestServer.get();
    private final Api ines = server.newOrchard();
    private final Api tomas = server.member(
            UUID.fromString(ines.get("/api/orchard").body().path("id").asString()), Caller.Role.WORKER);
    private final Instant now = TestServer.NOW;
    private final String giver = ines.tree(ines.variety("Lantern"), "Lantern 1");
    private final String taker = ines.tree(ines.variety("Pale Ridge"), "Pale Ridge 1");
    private final String lot = ines.lot(giver, now, 30).id();
    private final String walk = Api.newId();

    private JsonNode begin() {
        ines.read(taker, now, Map.of("half-open", 12)).expect(200);
        return ines.put("/api/walks/" + walk, Map.of()).expect(200).body();
    }

    private Map<String, Object> done(int flowers) {
        Map<String, Object> body = new HashMap<>(Api.pollination(taker, lot, flowers, now));
        body.put("walkId", walk);
        body.put("stop", 0);
        return body;
    }

    @Test
    void two_helpers_walk_at_once_and_see_each_others_ticks() {
        JsonNode begun = begin();
        assertThat(begun.path("stops").get(0).path("flowers").asInt()).isEqualTo(12);
        assertThat(tomas.get("/api/walks").body().get(0).path("id").asString()).isEqualTo(walk);

        ines.put("/api/pollinations/" + Api.newId(), done(3)).expect(200);
        tomas.put("/api/pollinations/" + Api.newId(), done(4)).expect(200);

        JsonNode seen = ines.get("/api/walks/" + walk).expect(200).body();
        assertThat(seen.path("done").size()).isEqualTo(2);
        assertThat(seen.path("done").get(0).path("recordedBy"))
                .isNotEqualTo(seen.path("done").get(1).path("recordedBy"));
        assertThat(ines.get("/api/walks").body().get(0).path("flowersDone").asInt())
                .isEqualTo(7);
        assertThat(ines.dosesLeft(lot)).isEqualTo(23);
    }

    @Test
    void a_walk_begun_twice_is_one_and_keeps_its_stops_and_can_be_closed_in_the_morning() {
        begin();
        ines.read(taker, now, Map.of("half-open", 2)).expect(200);
        assertThat(ines.put("/api/walks/" + walk, Map.of())
                        .expect(200)
                        .body()
                        .path("stops")
                        .get(0)
                        .path("flowers")
                        .asInt())
                .isEqualTo(12);

        assertThat(tomas.post("/api/walks/" + walk + "/close", Map.of())
                        .expect(200)
                        .body()
                        .has("closedAt"))
                .isTrue();

        assertThat(ines.get("/api/walks").body().size()).isZero();
        ines.put("/api/pollinations/" + Api.newId(), done(1)).expect(200);
    }

    @Test
    void words_at_a_stop_are_kept_once_and_can_be_taken_back() {
        begin();
        String id = Api.newId();
        Map<String, Object> late = Map.of("stop", 0, "kind", "TOO_LATE", "note", "petals down", "at", now.toString());
        ines.put("/api/walks/" + walk + "/words/" + id, late).expect(200);
        JsonNode words = ines.put("/api/walks/" + walk + "/words/" + id, late)
                .expect(200)
                .body()
                .path("words");
        assertThat(words.size()).isEqualTo(1);
        assertThat(words.get(0).path("note").asString()).isEqualTo("petals down");
        ines.put("/api/walks/" + walk + "/words/" + id, Map.of("stop", 0, "kind", "NOT_OPEN", "at", now.toString()))
                .expect(409);
        assertThat(ines.put(
                                "/api/walks/" + walk + "/words/" + Api.newId(),
                                Map.of("stop", 9, "kind", "NOT_OPEN", "at", now.toString()))
                        .expect(400)
                        .errorAt("stop"))
                .contains("allowed is 0 to 0");
        assertThat(ines.put(
                                "/api/walks/" + walk + "/words/" + Api.newId(),
                                Map.of("stop", 0, "kind", "NOTE", "at", now.toString()))
                        .expect(400)
                        .errorAt("note"))
                .contains("empty");

        ines.post("/api/walks/" + walk + "/words/" + id + "/void", Api.voiding(0))
                .expect(204);
        assertThat(ines.get("/api/walks/" + walk).body().path("words").size()).isZero();
    }

    @Test
    void a_tag_number_is_used_once_a_year_even_when_two_take_it_at_once() throws Exception {
        begin();
        Map<String, Object> tagged = done(1);
        tagged.put("tag", "A-17");
        tagged.put("colour", "white");
        JsonNode made =
                ines.put("/api/pollinations/" + Api.newId(), tagged).expect(200).body();
        assertThat(made.path("markLasts").asString()).isEqualTo("HARVEST");
        tagged.put("tag", "a-17");
        assertThat(tomas.put("/api/pollinations/" + Api.newId(), tagged)
                        .expect(400)
                        .errorAt("tag"))
                .contains("hangs on Pale Ridge 1 since");
        ines.post("/api/pollinations/" + made.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        ines.put("/api/pollinations/" + Api.newId(), tagged).expect(200);

        tagged.put("tag", "B-1");
        ExecutorService threads = Executors.newFixedThreadPool(8);
        List<Future<Integer>> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            Api one = i % 2 == 0 ? ines : tomas;
            answers.add(threads.submit(
                    () -> one.put("/api/pollinations/" + Api.newId(), tagged).status()));
        }
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> answer : answers) {
            statuses.add(answer.get());
        }
        threads.shutdown();
        assertThat(Collections.frequency(statuses, 200)).isEqualTo(1);
        assertThat(statuses).as("the others are told where it hangs").allMatch(s -> s == 200 || s == 400);
    }

    @Test
    void a_mark_that_goes_with_the_petals_warns_where_the_first_look_comes_later() {
        begin();
        Map<String, Object> nicked = done(2);
        nicked.put("mark", "petal nick");

        JsonNode made =
                ines.put("/api/pollinations/" + Api.newId(), nicked).expect(200).body();

        assertThat(made.path("markLasts").asString()).isEqualTo("PETALS");
        assertThat(made.path("markWarning").asString())
                .contains("due after 7 days")
                .contains("add a tie or a tag");
        nicked.put("mark", "tag");
        assertThat(ines.put("/api/pollinations/" + Api.newId(), nicked)
                        .expect(200)
                        .body()
                        .has("markWarning"))
                .isFalse();
    }

    /** A JPEG in base64 with a place written beside it, as cameras do: an APP1 segment with the words in it. */
    @Test
    void a_picture_is_kept_smaller_without_the_place_and_anything_else_is_refused() throws IOException {
        begin();
        String id = Api.newId();
        Map<String, Object> body =
                new HashMap<>(Map.of("stop", 0, "at", now.toString(), "data", Api.picture(3200, 1000)));
        body.put("latitude", -35.3);
        body.put("longitude", 173.9);
        ines.put("/api/walks/" + walk + "/photos/" + id, body).expect(200);
        JsonNode photos = ines.put("/api/walks/" + walk + "/photos/" + id, body)
                .expect(200)
                .body()
                .path("photos");
        assertThat(photos.size()).as("sent twice").isEqualTo(1);
        assertThat(photos.get(0).has("latitude"))
                .as("nobody asked to keep the place")
                .isFalse();

        byte[] kept = ines.bytes("/api/walks/" + walk + "/photos/" + id);

        assertThat(new String(kept, StandardCharsets.ISO_8859_1))
                .doesNotContain("GPS")
                .doesNotContain("Exif");
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(kept));
        assertThat(image.getWidth()).isEqualTo(1600);
        assertThat(image.getHeight()).isEqualTo(500);
        Map<String, Object> keep = new HashMap<>(Api.settings());
        keep.put("keepPhotoPlace", true);
        ines.put("/api/round-settings/" + Api.newId(), keep).expect(200);
        JsonNode placed = ines.put("/api/walks/" + walk + "/photos/" + Api.newId(), body)
                .expect(200)
                .body()
                .path("photos")
                .get(1);
        assertThat(placed.path("latitude").asDouble()).isEqualTo(-35.3);
        byte[] withPlace =
                ines.bytes("/api/walks/" + walk + "/photos/" + placed.path("id").asString());
        assertThat(new String(withPlace, StandardCharsets.ISO_8859_1))
                .as("the place stands beside the picture, not in it")
                .doesNotContain("GPS");
        body.put("data", Base64.getEncoder().encodeToString("<svg onload='x'/>".getBytes(StandardCharsets.UTF_8)));
        assertThat(ines.put("/api/walks/" + walk + "/photos/" + Api.newId(), body)
                        .expect(400)
                        .errorAt("data"))
                .contains("Send a JPEG or a PNG");
        ines.post("/api/walks/" + walk + "/photos/" + id + "/void", Api.voiding(0))
                .expect(204);
        ines.get("/api/walks/" + walk + "/photos/" + id).expect(404);
    }

    /** Pawpaw: two trees of one variety wait for what three male flowers of the other give. */
    private JsonNode beginWithCollecting(String give, List<String> take) {
        ines.read(give, now, Map.of("furry", 20, "green", 6, "male", 3)).expect(200);
        take.forEach(t ->
                ines.read(t, now, Map.of("furry", 25, "green", 8, "female", 6)).expect(200));
        return ines.put("/api/walks/" + walk, Map.of()).expect(200).body();
    }

    private static int liveFlowers(JsonNode walk, String lot) {
        List<Integer> replaced = new ArrayList<>();
        walk.path("replaced").forEach(r -> replaced.add(r.asInt()));
        int sum = 0;
        for (int i = 0; i < walk.path("stops").size(); i++) {
            JsonNode stop = walk.path("stops").get(i);
            sum += !replaced.contains(i) && stop.path("lotId").asString().equals(lot)
                    ? stop.path("flowers").asInt()
                    : 0;
        }
        return sum;
    }

    @Test
    void what_a_collection_really_gave_plans_the_rest_of_the_walk_anew_and_keeps_what_was_done() {
        String give = ines.tree(ines.variety("pawpaw", "Kettle Bend"), "Kettle Bend 1");
        String slow = ines.variety("pawpaw", "Slow River");
        List<String> take = List.of(ines.tree(slow, "Slow River 1"), ines.tree(slow, "Slow River 2"));
        JsonNode begun = beginWithCollecting(give, take);
        JsonNode collecting = begun.path("collects").get(0);
        String jar = collecting.path("lotId").asString();
        int planned = collecting.path("pollen").path("doses").asInt();
        assertThat(begun.path("stale").asBoolean()).isFalse();
        assertThat(liveFlowers(begun, jar)).isGreaterThan(2);

        Map<String, Object> less = new HashMap<>(Map.of(
                "sources", List.of(Map.of("treeId", give, "flowers", 3)),
                "collectedAt", now.toString(),
                "storage", "ROOM"));
        less.put("doses", 2);
        ines.put("/api/lots/" + jar, less).expect(200);
        JsonNode stale = tomas.get("/api/walks/" + walk).expect(200).body();
        assertThat(stale.path("stale").asBoolean())
                .as("planned for %d doses", planned)
                .isTrue();
        Map<String, Object> one = new HashMap<>(
                Api.pollination(stale.path("stops").get(0).path("treeId").asString(), jar, 1, now));
        one.put("walkId", walk);
        one.put("stop", 0);
        tomas.put("/api/pollinations/" + Api.newId(), one).expect(200);

        JsonNode anew = ines.post("/api/walks/" + walk + "/plan-anew", Map.of())
                .expect(200)
                .body();
        assertThat(anew.path("stale").asBoolean()).isFalse();
        assertThat(anew.path("stops").get(0).path("flowers").asInt())
                .as("what Tomas did there stays his")
                .isEqualTo(1);
        assertThat(liveFlowers(anew, jar)).as("one is done, one dose is left").isEqualTo(2);
        assertThat(anew.path("stops").size()).isGreaterThan(begun.path("stops").size());
        JsonNode again = ines.post("/api/walks/" + walk + "/plan-anew", Map.of())
                .expect(200)
                .body();
        assertThat(again).as("asked for by a second phone").isEqualTo(anew);
        JsonNode there = ines.get("/api/walks/" + walk).body().path("done").get(0);
        tomas.post("/api/pollinations/" + there.path("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        ines.post("/api/lots/" + jar + "/void", Api.voiding(0)).expect(204);
        JsonNode refill = ines.post("/api/walks/" + walk + "/plan-anew", Map.of())
                .expect(200)
                .body()
                .path("collects")
                .get(0);
        assertThat(refill.path("lotId").asString()).isNotEqualTo(jar);
        less.remove("doses");
        ines.put("/api/lots/" + refill.path("lotId").asString(), less).expect(200);

        ines.post("/api/walks/" + walk + "/close", Map.of()).expect(200);
        ines.post("/api/walks/" + walk + "/plan-anew", Map.of()).expect(409);
    }

    @Test
    void a_walk_without_any_stop_is_refused_and_a_stop_without_its_walk_too() {
        assertThat(ines.put("/api/walks/" + walk, Map.of()).expect(400).errorAt("at"))
                .contains("no stop");
        Map<String, Object> lost = new HashMap<>(Api.pollination(taker, lot, 1, now));
        lost.put("stop", 0);
        assertThat(ines.put("/api/pollinations/" + Api.newId(), lost)
                        .expect(400)
                        .errorAt("stop"))
                .contains("belong together");
    }
}
