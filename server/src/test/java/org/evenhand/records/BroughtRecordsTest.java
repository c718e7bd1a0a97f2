package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Records brought in as files: as a whole or not at all, and once however often they are sent. */
class BroughtRecordsTest {
    private static final String HEAD = "ref,tree,jar,father,collected_at,storage,flowers,done_at,treatment,strokes\n";

    private final Api api = TestServer.get().newOrchard();

    BroughtRecordsTest() {
        api.variety("Lantern");
        api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
    }

    private static String line(String ref, String jar, String flowers, String done) {
        return ref + ",pale ridge 1," + jar + ",Lantern,2026-10-30T16:00,FRIDGE_DESICCANT," + flowers + "," + done
                + ",,FULL\n";
    }

    @Test
    void a_file_that_breaks_off_on_its_way_leaves_nothing() {
        String whole = HEAD
                + IntStream.range(0, 20_000)
                        .mapToObj(i -> line("b" + i, "X-2", "1", "2026-11-01T17:00"))
                        .collect(Collectors.joining());
        String half = whole.substring(0, whole.indexOf('\n', whole.length() / 2) + 1);
        api.hangUp("/api/records/pollinations", half, whole.length());
        JsonNode taken =
                api.postCsv("/api/records/pollinations", whole).expect(200).body();
        assertThat(taken.path("written").asInt()).isEqualTo(20_000);
        assertThat(taken.path("already").asInt()).isZero();
    }

    @Test
    void a_file_is_taken_once_and_its_flowers_are_reckoned_like_all_others() {
        String done = HEAD
                + line("a1", "X-1", "8", "2026-11-01T17:00")
                + line("a2", "X-1", "6", "2026-11-01T04:10:00Z")
                + "n1,Pale Ridge 1,,,,,5,2026-11-01T17:20,NATURE,\n";
        JsonNode taken =
                api.postCsv("/api/records/pollinations", done).expect(200).body();
        assertThat(taken.path("written").asInt()).isEqualTo(3);
        assertThat(api.postCsv("/api/records/pollinations", "\uFEFF" + done.replace("\n", "\r\n"))
                        .expect(200)
                        .body()
                        .path("already")
                        .asInt())
                .isEqualTo(3);
        String looks = "checked_at,ref,taken,failed,unknown,note\n"
                + "2026-11-13T09:00,a1,5,3,0,\"green, firm\"\n2026-11-13T09:05,a2,1,5,0,\n2026-11-13T09:10,n1,0,5,0,\n";
        assertThat(api.postCsv("/api/records/looks", looks)
                        .expect(200)
                        .body()
                        .path("written")
                        .asInt())
                .isEqualTo(3);
        assertThat(api.postCsv("/api/records/looks", looks)
                        .expect(200)
                        .body()
                        .path("written")
                        .asInt())
                .isZero();

        JsonNode findings = api.get("/api/findings").expect(200).body();
        assertThat(findings.path("all").path("taken").asInt()).isEqualTo(6);
        assertThat(findings.path("all").path("decided").asInt()).isEqualTo(14);
        assertThat(findings.path("hand").path("arms").size()).isEqualTo(2);
        JsonNode jar = api.get("/api/lots").expect(200).body().get(0);
        assertThat(jar.path("code").asString()).isEqualTo("X-1");
        assertThat(jar.path("dosesLeft").asInt())
                .as("its doses are on the flowers")
                .isZero();
        JsonNode first = api.get("/api/pollinations").expect(200).body();
        String id = first.get(0).path("id").asString();
        assertThat(api.post("/api/pollinations/" + id + "/void", Map.of("version", 0, "reason", "no"))
                        .expect(400)
                        .errorAt("reason"))
                .contains("checked already");
    }

    @Test
    void what_is_wrong_is_told_line_by_line_and_nothing_is_taken() {
        String bad = HEAD
                + line("b1", "X-2", "8", "2026-11-01T17:00")
                + line("b1", "X-2", "0", "2026-11-01T17:00")
                + "b3,No such tree,X-2,Lantern,2026-10-30T16:00,FRIDGE_DESICCANT,4,2026-11-01T17:00,,\n"
                + line("b4", "X-2", "4", "yesterday")
                + line("b5", "X-2", "4", "2030-11-01T17:00")
                + "b6,Pale Ridge 1,,,,,4,2026-11-01T17:00,HAND,\n"
                + "b7,Pale Ridge 1,X-9,Nobody,2026-10-30T16:00,FRIDGE_DESICCANT,4,2026-11-01T17:00,,\n";
        String said = api.postCsv("/api/records/pollinations", bad).expect(400).errorAt("csv");
        assertThat(said)
                .contains("wrong in 7 lines")
                .contains("line 2: ref 'b1' stands there twice")
                .contains("line 4: no tree is called 'No such tree'")
                .contains("line 5: done_at is 'yesterday'")
                .contains("line 6: done_at lies in the future")
                .contains("line 7: jar is missing")
                .contains("line 8: no variety of this crop's pollen is called 'Nobody'");
        assertThat(api.get("/api/pollinations").expect(200).body().isEmpty()).isTrue();

        api.postCsv("/api/records/pollinations", HEAD + line("c1", "X-3", "4", "2026-11-01T17:00"))
                .expect(200);
        assertThat(api.postCsv("/api/records/looks", "ref,checked_at,taken,failed,unknown\nc1,2026-11-13T09:00,4,1,0\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 2: the numbers make 5, but 4 flowers");
        assertThat(api.postCsv("/api/records/looks", "ref,checked_at,taken,failed,unknown\nc1,2026-11-31T09:00,4,0,0\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("names a day that does not exist");
        assertThat(api.postCsv("/api/records/looks", "ref,when,taken\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("'checked_at' is missing")
                .contains("'when' is not known");
        assertThat(api.postCsv("/api/records/looks", "ref,checked_at,taken,failed,unknown\nc1,\"2026\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 2 has a quote that is never closed");
        assertThat(api.postCsv("/api/records/looks", "ref,checked_at,taken,failed,unknown\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("no line below its head");
    }

    private String jar(int doses) {
        Instant at = TestServer.NOW.minus(Duration.ofDays(2));
        String giver = api.tree(api.variety("Harbour"), "Harbour 1");
        String lot = api.lot(giver, at, doses).id();
        for (JsonNode each : api.get("/api/lots").expect(200).body()) {
            if (each.path("id").asString().equals(lot)) {
                return each.path("code").asString();
            }
        }
        throw new AssertionError(lot);
    }

    private int left(String code) {
        for (JsonNode each : api.get("/api/lots").expect(200).body()) {
            if (each.path("code").asString().equals(code)) {
                return each.path("dosesLeft").asInt();
            }
        }
        throw new AssertionError(code);
    }

    @Test
    void a_line_that_names_a_jar_on_the_shelf_draws_from_it_once_and_gives_back_no_more() {
        String code = jar(10);
        String day = TestServer.NOW.minus(Duration.ofDays(1)).toString();
        String file = "ref,tree,jar,flowers,done_at\nd1,Pale Ridge 1," + code + ",4," + day + "\nd2,Pale Ridge 1,"
                + code + ",3," + day + "\n";
        api.postCsv("/api/records/pollinations", file).expect(200);
        assertThat(left(code)).isEqualTo(3);
        assertThat(api.postCsv("/api/records/pollinations", file)
                        .expect(200)
                        .body()
                        .path("already")
                        .asInt())
                .isEqualTo(2);
        assertThat(left(code)).isEqualTo(3);
        assertThat(api.postCsv(
                                "/api/records/pollinations",
                                file.replace("d1", "d3").replace("d2", "d4"))
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 2: the jar '" + code + "' has 3 doses left");
        assertThat(api.postCsv("/api/records/pollinations", file.replace(",4,", ",5,"))
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 2: ref 'd1' is here already with other content");
        assertThat(api.postCsv(
                                "/api/records/pollinations",
                                file.replace("d1", "d5").replace(day, "1990-01-01T10:00"))
                        .expect(400)
                        .errorAt("csv"))
                .contains("before Pale Ridge 1 was planted");
        String early = TestServer.NOW.minus(Duration.ofDays(3)).toString();
        assertThat(api.postCsv(
                                "/api/records/pollinations",
                                file.replace("d1", "d5").replace(day, early))
                        .expect(400)
                        .errorAt("csv"))
                .contains("before the pollen of " + code + " was collected");
        for (JsonNode each : api.get("/api/pollinations").expect(200).body()) {
            api.post("/api/pollinations/" + each.path("id").asString() + "/void", Api.voiding(0))
                    .expect(204);
        }
        assertThat(left(code)).isEqualTo(10);
    }

    @Test
    void a_file_whose_line_ends_it_early_or_is_no_text_is_refused_as_a_whole() {
        String done = HEAD + line("e1", "X-5", "1", "2026-11-01T17:00");
        assertThat(api.postCsv("/api/records/pollinations", done + "\\.\n" + line("e2", "X-5", "1", "2026-11-01T17:00"))
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 3 is '\\.'");
        assertThat(api.postCsv("/api/records/pollinations", done + "\\.")
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 3 is '\\.'");
        assertThat(api.postCsv("/api/records/pollinations", done + "e2,Pale Ridge 1\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 3 has fewer columns")
                .doesNotContain("COPY");
        assertThat(api.postCsv("/api/records/pollinations", done + "e\0" + line("2", "X-5", "1", "2026-11-01T17:00"))
                        .expect(400)
                        .errorAt("csv"))
                .contains("no text has");
        assertThat(api.get("/api/pollinations").expect(200).body().isEmpty()).isTrue();
    }

    @Test
    void pollen_that_a_form_refuses_a_file_refuses_too() {
        String ember = api.variety("apple", "Ember");
        api.tree(ember, "Ember 1");
        assertThat(api.postCsv(
                                "/api/records/pollinations",
                                "ref,tree,jar,father,collected_at,storage,flowers,done_at\n"
                                        + "f1,Ember 1,E-1,Ember,2026-10-01T10:00,FRIDGE,4,2026-10-02T10:00\n")
                        .expect(400)
                        .errorAt("csv"))
                .contains("line 2: E-1 cannot serve Ember 1");
    }

    @Test
    void flowers_of_a_jar_that_came_with_the_file_are_corrected_removed_and_restored_without_its_doses() {
        api.postCsv("/api/records/pollinations", HEAD + line("g1", "X-7", "8", "2026-11-01T17:00"))
                .expect(200);
        JsonNode brought = api.get("/api/pollinations").expect(200).body().get(0);
        String id = brought.path("id").asString();
        String at = "/api/story/pollination/" + id;
        api.put(
                        "/api/pollinations/" + id + "?version=0",
                        Api.pollination(
                                brought.path("treeId").asString(),
                                brought.path("lotId").asString(),
                                6,
                                Instant.parse(brought.path("doneAt").asString())))
                .expect(200);
        api.post(at + "/remove", Api.voiding(1)).expect(204);
        api.post(at + "/restore", Map.of("version", 2)).expect(204);
        assertThat(left("X-7")).isZero();
        assertThat(api.get("/api/pollinations")
                        .expect(200)
                        .body()
                        .get(0)
                        .path("flowers")
                        .asInt())
                .isEqualTo(6);
    }
}
