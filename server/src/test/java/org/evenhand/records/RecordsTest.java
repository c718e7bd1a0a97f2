package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.BiFunction;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Records: written once, changed by one at a time, refused with the field and a reason, never deleted. */
class RecordsTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String variety = api.variety("Lantern");
    private final String tree = api.tree(variety, "Lantern 1");
    private final String other = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    @Test
    void what_is_sent_twice_is_there_once_and_other_content_under_the_same_id_is_refused() {
        String id = Api.newId();
        Map<String, Object> body = Api.reading(tree, now, Map.of("closed", 4));

        api.put("/api/readings/" + id, body).expect(200);
        api.put("/api/readings/" + id, body).expect(200);
        Api.Answer changed = api.put("/api/readings/" + id, Api.reading(tree, now, Map.of("closed", 5)))
                .expect(409);

        assertThat(changed.body().path("text").path("key").asString()).isEqualTo("conflict.otherwise");
        assertThat(api.get("/api/trees/" + tree + "/readings").body().size()).isEqualTo(1);
    }

    @Test
    void of_two_who_change_the_same_tree_the_second_is_told() {
        Map<String, Object> change = new HashMap<>(
                Map.of("varietyId", variety, "name", "Lantern one", "row", 4, "position", 2, "version", 0));
        api.put("/api/trees/" + tree, change).expect(200);
        change.put("name", "Lantern uno");

        Api.Answer late = api.put("/api/trees/" + tree, change).expect(409);

        assertThat(late.body().path("detail").asString()).contains("Somebody changed this tree");
        assertThat(api.get("/api/trees").body().findValuesAsString("name")).contains("Lantern one");
    }

    @Test
    void a_voided_reading_leaves_the_reckoning_but_history_keeps_it_with_who_and_why() {
        String reading = api.read(tree, now, Map.of("half-open", 9)).expect(200).id();
        api.post("/api/readings/" + reading + "/void", Map.of("version", 0, "reason", " "))
                .expect(400);
        api.post("/api/readings/" + reading + "/void", Map.of("version", 7, "reason", "wrong tree"))
                .expect(409);
        api.post("/api/readings/" + reading + "/void", Map.of("version", 0, "reason", "wrong tree"))
                .expect(204);

        assertThat(api.get("/api/trees/" + tree + "/readings").body().size()).isZero();
        List<Map<String, Object>> history = server.database()
                .queryForList(
                        "select h.void_reason, r.account_id from reading_history h join revision r on r.id = h.revision"
                                + " where h.id = ?::uuid order by h.revision",
                        reading);
        assertThat(history).hasSize(2);
        assertThat(history.get(0).get("void_reason")).isNull();
        assertThat(history.get(1)).containsEntry("void_reason", "wrong tree");
        String me = api.get("/api/session").body().path("accountId").asString();
        assertThat(history.get(1)).containsEntry("account_id", UUID.fromString(me));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{'closed': -1}|counts.closed|is -1; allowed is 0 to 20000",
                "{'closed': 2000000}|counts.closed|allowed is 0 to 20000",
                "{'open': 3}|counts.open|is no stage of Cherimoya",
                "{'closed': 'many'}|counts.closed|cannot be read",
                "{'closed': null}|counts.closed|is missing",
            })
    void absurd_counts_are_refused_beside_their_field(String counts, String field, String says) {
        String body = "{'treeId': '" + tree + "', 'takenAt': '" + now + "', 'counts': " + counts + "}";

        Api.Answer refused = api.putText("/api/readings/" + Api.newId(), body.replace('\'', '"'))
                .expect(400);

        assertThat(refused.errorAt(field)).contains(says);
        assertThat(refused.body().path("type").asString()).isEqualTo("urn:even-hand:problem:invalid");
    }

    @Test
    void times_that_cannot_be_are_refused_in_a_clear_sentence() {
        Instant tomorrow = now.plus(Duration.ofDays(1));
        Instant beforePlanting = Instant.parse("2018-01-05T00:00:00Z");
        assertThat(api.read(tree, tomorrow, Map.of("closed", 1)).expect(400).errorAt("takenAt"))
                .contains("lies in the future");
        assertThat(api.read(tree, beforePlanting, Map.of("closed", 1))
                        .expect(400)
                        .errorAt("takenAt"))
                .contains("before Lantern 1 was planted on 1 Aug 2019");
        assertThat(api.lot(tree, tomorrow, 5).expect(400).errorAt("collectedAt"))
                .contains("lies in the future");

        String lot = api.lot(tree, now.minusSeconds(3600), 5).expect(200).id();
        assertThat(api.pollinate(other, lot, 1, now.minusSeconds(7200))
                        .expect(400)
                        .errorAt("doneAt"))
                .contains("before LA-01 was collected");
        String done =
                api.pollinate(other, lot, 2, now.minusSeconds(1800)).expect(200).id();
        assertThat(api.check(done, now.minusSeconds(2400), 1, 0, 0).expect(400).errorAt("checkedAt"))
                .contains("before the pollination");
        assertThat(api.get("/api/round?at=" + now.minus(Duration.ofDays(2)))
                        .expect(400)
                        .errorAt("at"))
                .contains("from now");
    }

    @Test
    void there_are_never_more_outcomes_than_flowers_not_even_in_the_database() {
        String lot = api.lot(tree, now.minusSeconds(60), 5).expect(200).id();
        String done = api.pollinate(other, lot, 3, now).expect(200).id();

        assertThat(api.check(done, now, 2, 1, 1).expect(400).errorAt("taken")).contains("makes 4, but only 3 flowers");
        String check = api.check(done, now, 2, 1, 0).expect(200).id();
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> server.database().update("update fruit_check set taken = 3 where id = ?::uuid", check))
                .hasMessageContaining("fruit_check_outcomes");
        assertThat(api.post("/api/pollinations/" + done + "/void", Api.voiding(0))
                        .expect(400)
                        .errorAt("reason"))
                .contains("checked already");
    }

    @Test
    void a_lot_from_a_tree_without_male_flowers_is_asked_about_and_then_allowed() {
        api.read(tree, now.minusSeconds(900), Map.of("half-open", 9)).expect(200);
        Map<String, Object> body = new HashMap<>(Api.lotBody(tree, now, 5));
        body.remove("confirmed");
        String id = Api.newId();

        Api.Answer asked = api.put("/api/lots/" + id, body).expect(409);
        assertThat(asked.body().path("confirm").asString()).isEqualTo("no-male-flowers");
        assertThat(asked.body().path("detail").asString())
                .contains("Lantern 1 had no flower shedding pollen")
                .endsWith("?");
        body.put("confirmed", List.of("no-male-flowers"));
        api.put("/api/lots/" + id, body).expect(200);
    }

    @Test
    void one_jar_holds_one_father() {
        Map<String, Object> body = new HashMap<>(Api.lotBody(tree, now, 5));
        body.put("sources", List.of(Map.of("treeId", tree, "flowers", 1), Map.of("treeId", other, "flowers", 1)));

        assertThat(api.put("/api/lots/" + Api.newId(), body).expect(400).errorAt("sources"))
                .contains("One jar holds one father");
    }

    @Test
    void ids_names_and_broken_json_are_told_apart() {
        BiFunction<String, Object, Api.Answer> put =
                (id, name) -> api.put("/api/varieties/" + id, Map.of("crop", "cherimoya", "name", name));
        assertThat(put.apply(UUID.randomUUID().toString(), "X").expect(400).errorAt("id"))
                .contains("version 7");
        assertThat(put.apply("seven", "X").expect(400).errorAt("id")).contains("cannot be read");
        assertThat(put.apply(Api.newId(), "  ").expect(400).errorAt("name")).contains("is empty");
        assertThat(put.apply(Api.newId(), "lantern").expect(400).errorAt("name"))
                .contains("already a variety");
        assertThat(put.apply(Api.newId(), "L".repeat(81)).expect(400).errorAt("name"))
                .contains("has 81 characters");
        assertThat(api.putText("/api/varieties/" + Api.newId(), "{").expect(400).errorAt("(request)"))
                .contains("not readable JSON");
        assertThat(api.put("/api/varieties/" + Api.newId(), Map.of("crop", "moon", "name", "X"))
                        .expect(400)
                        .errorAt("crop"))
                .contains("there are sheets for");
    }
}
