package org.evenhand.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Pictures of readings and checks: without the place, in the story, and beside the stage they show. */
class RecordPhotosTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String variety = api.variety("Lantern");
    private final String tree = api.tree(variety, "Lantern 1");

    private Map<String, Object> photo(String of, String record, String stage) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "of",
                of,
                "recordId",
                record,
                "at",
                now.toString(),
                "data",
                Api.picture(80, 60),
                "latitude",
                -35.3,
                "longitude",
                173.9));
        if (stage != null) {
            body.put("stage", stage);
        }
        return body;
    }

    private String reading(String tree, Instant at) {
        return api.read(tree, at, Map.of("parted", 3)).expect(200).id();
    }

    private JsonNode line(String id) {
        return api.get("/api/story?tree=" + tree)
                .expect(200)
                .body()
                .path("lines")
                .valueStream()
                .filter(l -> l.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_picture_of_a_reading_is_there_once_without_its_place_and_shown_in_the_story() {
        String reading = reading(tree, now);
        String id = Api.newId();
        api.put("/api/record-photos/" + id, photo("READING", reading, "parted")).expect(204);
        api.put("/api/record-photos/" + id, photo("READING", reading, "parted")).expect(204);

        assertThat(line(reading).path("what").path("photos").size()).isEqualTo(1);
        assertThat(new String(api.bytes("/api/record-photos/" + id), StandardCharsets.ISO_8859_1))
                .startsWith("\u00ff\u00d8")
                .doesNotContain("GPS");
        assertThat(new String(api.bytes("/api/records/tables/record-photos.csv"), StandardCharsets.UTF_8))
                .contains(id)
                .doesNotContain("-35.3");
        api.post("/api/record-photos/" + id + "/void", Api.voiding(0)).expect(204);
        assertThat(line(reading).path("what").path("photos").size()).isZero();
        api.get("/api/record-photos/" + id).expect(404);
        api.post("/api/story/record-photo/" + id + "/restore", Map.of("version", 1))
                .expect(204);
        assertThat(line(reading).path("what").path("photos").size()).isEqualTo(1);
    }

    @Test
    void a_check_has_pictures_too() {
        String lot =
                api.lot(tree, now.minus(Duration.ofDays(20)), 5).expect(200).id();
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        String pollination = api.pollinate(taker, lot, 2, now.minus(Duration.ofDays(19)))
                .expect(200)
                .id();
        String check = api.check(pollination, now, 1, 1, 0).expect(200).id();

        api.put("/api/record-photos/" + Api.newId(), photo("CHECK", check, null))
                .expect(204);

        assertThat(api.get("/api/story?tree=" + taker)
                        .expect(200)
                        .body()
                        .path("lines")
                        .toString())
                .contains("\"photos\":[\"");
    }

    @Test
    void the_key_shows_how_a_stage_looked_on_this_tree_else_on_one_of_its_variety() {
        String other = api.tree(variety, "Lantern 2");
        String ofOther = Api.newId();
        api.put("/api/record-photos/" + ofOther, photo("READING", reading(other, now), "parted"))
                .expect(204);
        assertThat(api.get("/api/trees/" + tree + "/stage-photos")
                        .expect(200)
                        .body()
                        .get(0)
                        .path("tree")
                        .asString())
                .isEqualTo("Lantern 2");

        Instant before = now.minus(Duration.ofDays(3));
        String own = Api.newId();
        Map<String, Object> earlier = photo("READING", reading(tree, before), "parted");
        earlier.put("at", before.toString());
        api.put("/api/record-photos/" + own, earlier).expect(204);

        JsonNode stages =
                api.get("/api/trees/" + tree + "/stage-photos").expect(200).body();
        assertThat(stages.size()).isEqualTo(1);
        assertThat(stages.get(0).path("id").asString())
                .as("its own, though older")
                .isEqualTo(own);
    }

    @Test
    void what_cannot_be_is_refused() {
        String reading = reading(tree, now);
        Map<String, Object> none = photo("READING", reading, null);
        none.put("data", "aGVsbG8=");
        api.put("/api/record-photos/" + Api.newId(), none).expect(400).errorAt("data");
        api.put("/api/record-photos/" + Api.newId(), photo("READING", reading, "petals-everywhere"))
                .expect(400)
                .errorAt("stage");
        api.put("/api/record-photos/" + Api.newId(), photo("CHECK", reading, null))
                .expect(404);
        Api others = server.newOrchard();
        others.put("/api/record-photos/" + Api.newId(), photo("READING", reading, null))
                .expect(404);
    }
}
