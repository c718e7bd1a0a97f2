package org.evenhand.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Pollen that came from elsewhere: believed by what is known of it, used and given away as any other. */
class ReceivedJarsTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    private Map<String, Object> body(Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "varietyId",
                lantern,
                "how",
                "SWAPPED",
                "from",
                " Long Reach ",
                "receivedAt",
                now.minus(Duration.ofHours(2)).toString(),
                "storage",
                "FRIDGE_DESICCANT",
                "dry",
                true,
                "doses",
                20));
        body.putAll(more);
        return body;
    }

    private Api.Answer receive(String id, Map<String, ?> more) {
        return api.put("/api/lots/" + id + "/received", body(more));
    }

    @Test
    void a_jar_of_a_variety_without_a_tree_serves_here_from_when_it_came() {
        String id = Api.newId();
        JsonNode jar = receive(
                        id,
                        Map.of(
                                "collectedAt",
                                now.minus(Duration.ofHours(98)).toString(),
                                "keptBefore",
                                "FRIDGE_DESICCANT"))
                .expect(200)
                .body();

        assertThat(jar.path("code").asString()).isEqualTo("LA-01");
        assertThat(jar.path("received").path("from").asString()).isEqualTo("Long Reach");
        // Fresh 50 %, a half-life of 96 h over desiccant: two hours more than one halving, the mean over its doubt.
        assertThat(jar.path("viability").path("share").asDouble())
                .isCloseTo(0.5 * Math.pow(2, -98 / 96.0), within(6e-3));
        assertThat(jar.path("viability").path("advice").asString()).contains("Nobody here has tested it");
        assertThat(api.pollinate(taker, id, 3, now.minus(Duration.ofHours(3)))
                        .expect(400)
                        .errorAt("doneAt"))
                .contains("LA-01");
        api.pollinate(taker, id, 3, now).expect(200);
        assertThat(api.dosesLeft(id)).isEqualTo(17);
        assertThat(api.get("/api/lots/" + id + "/story").expect(200).body().path("steps"))
                .extracting(s -> s.path("kind").asString())
                .containsExactly("STORED", "SEEN_DRY", "STORED", "SEEN_DRY");
    }

    @Test
    void a_jar_given_away_says_to_whom_and_can_come_back() {
        String id = Api.newId();
        receive(id, Map.of()).expect(200);
        String line = Api.newId();
        Map<String, Object> away =
                Map.of("kind", "GIVEN_AWAY", "doses", 12, "at", now.toString(), "note", "the school garden");

        api.put("/api/lots/" + id + "/lines/" + line, away).expect(200);
        assertThat(api.dosesLeft(id)).isEqualTo(8);
        api.post("/api/lots/" + id + "/lines/" + line + "/undo", Map.of()).expect(200);

        assertThat(api.dosesLeft(id)).isEqualTo(20);
    }

    @Test
    void the_same_once_more_is_there_once_and_something_else_under_its_id_is_refused() {
        String id = Api.newId();
        receive(id, Map.of("statedAlive", 0.4, "note", "old label 7")).expect(200);

        JsonNode again = receive(id, Map.of("statedAlive", 0.4, "note", "old label 7"))
                .expect(200)
                .body();
        assertThat(again.path("viability").path("from").asDouble()).isCloseTo(0.4, within(1e-9));
        receive(id, Map.of("statedAlive", 0.5)).expect(409);
        assertThat(api.get("/api/lots").body().size()).isEqualTo(1);
        api.post("/api/lots/" + id + "/void", Api.voiding(0)).expect(204);
        receive(id, Map.of("statedAlive", 0.4, "note", "old label 7")).expect(409);
    }

    @Test
    void hour_and_note_are_corrected_but_not_past_what_was_done_with_it() {
        String id = Api.newId();
        receive(id, Map.of()).expect(200);
        api.pollinate(taker, id, 2, now.minus(Duration.ofHours(1))).expect(200);
        String path = "/api/lots/" + id + "/correction";
        Instant earlier = now.minus(Duration.ofHours(30));

        JsonNode jar = api.put(path, Map.of("at", earlier.toString(), "note", "label 7", "version", 0))
                .expect(200)
                .body()
                .path("lot");
        assertThat(jar.path("received").path("receivedAt").asString()).isEqualTo(earlier.toString());
        assertThat(jar.path("collectedAt").asString()).isEqualTo(earlier.toString());
        assertThat(jar.path("note").asString()).isEqualTo("label 7");
        assertThat(api.put(path, Map.of("at", now.toString(), "note", "", "version", 1))
                        .expect(400)
                        .errorAt("at"))
                .contains("after something was done");
        api.put(path, Map.of("at", earlier.toString(), "note", "", "version", 0))
                .expect(409);
    }

    @Test
    void what_cannot_be_is_refused_at_its_field() {
        refused("collectedAt", Map.of("collectedAt", now.toString()));
        refused("collectedAt", Map.of("keptBefore", "FREEZER"));
        refused("receivedAt", Map.of("receivedAt", now.plusSeconds(3600).toString()));
        refused("statedAlive", Map.of("statedAlive", 40));
        refused("from", Map.of("from", "  "));
        refused("doses", Map.of("doses", 0));
        receive(Api.newId(), Map.of("varietyId", Api.newId())).expect(404);
        String foreign = TestServer.get().newOrchard().variety("Lantern");
        receive(Api.newId(), Map.of("varietyId", foreign)).expect(404);
        assertThat(api.get("/api/lots").body().size()).isZero();
    }

    private void refused(String field, Map<String, ?> more) {
        assertThat(receive(Api.newId(), more).expect(400).errorAt(field)).isNotBlank();
    }
}
