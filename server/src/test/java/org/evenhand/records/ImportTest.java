package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Files of records: looked through, imported as a whole, undone as a whole; refused what a form is refused. */
class ImportTest {
    private static final List<String> CONFIRMED = List.of("no-male-flowers");

    private final Api api = TestServer.get().newOrchard();

    private JsonNode look(Map<String, Object> file) {
        return api.post("/api/imports/look", file).expect(200).body();
    }

    private JsonNode write(Map<String, Object> file) {
        return api.put("/api/imports/" + Api.newId(), file).expect(200).body();
    }

    private static Map<String, Object> with(Map<String, Object> file, String key, Object value) {
        Map<String, Object> more = new HashMap<>(file);
        more.put(key, value);
        return more;
    }

    private int trees() {
        return api.get("/api/trees").expect(200).body().size();
    }

    @Test
    void a_new_orchard_comes_in_from_a_spreadsheet_and_is_taken_back_out() {
        String varieties = "\uFEFFCultivar;Crop;Mother;Father;Year;Self_fertility\r\n"
                + "Copper Bell;apple;Long Meadow;Grey Otter;1998;0,05\r\n"
                + "Long Meadow;apple;;;;\r\n\"Grey Otter\";apple;;;1950;\r\n";
        Map<String, Object> file = Api.file("varieties", varieties);
        JsonNode first = look(file);
        assertThat(first.required("questions").get(0).required("key").asString())
                .isEqualTo("decimal-mark");
        assertThat(first.required("written").asInt()).isZero();
        JsonNode written = write(with(file, "decimalMark", "COMMA"));
        assertThat(written.required("imported").asBoolean()).isTrue();
        assertThat(written.required("written").asInt()).isEqualTo(3);
        JsonNode child = api.get("/api/varieties")
                .expect(200)
                .body()
                .valueStream()
                .filter(v -> v.required("name").asString().equals("Copper Bell"))
                .findFirst()
                .orElseThrow();
        assertThat(child.required("numbers").required("ownPollen").asDouble()).isEqualTo(0.05);
        assertThat(child.required("breeding").required("motherId").isNull()).isFalse();

        Map<String, Object> trees = Api.file(
                "trees",
                "name\tvariety\tblock\trow\tplace\tplanted\nA1\tcopper bell\tWest\t1\t1\t03/04/2019\nA2\tLong Meadow\tWest\t1\t2\t2019-04-25\n");
        assertThat(look(trees).required("questions").get(0).required("key").asString())
                .isEqualTo("date-order");
        write(with(trees, "dateOrder", "DAY_FIRST"));
        assertThat(api.get("/api/trees")
                        .expect(200)
                        .body()
                        .get(0)
                        .required("plantedOn")
                        .asString())
                .isEqualTo("2019-04-03");

        JsonNode runs = api.get("/api/imports").expect(200).body();
        assertThat(runs.valueStream().map(r -> r.required("kind").asString())).containsExactly("trees", "varieties");
        String ofVarieties = "/api/imports/" + runs.get(1).required("id").asString() + "/void";
        assertThat(api.post(ofVarieties, Api.voiding(0)).expect(400).errorAt("reason"))
                .contains("names");
        assertThat(trees()).isEqualTo(2);
        api.post("/api/imports/" + runs.get(0).required("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(trees()).isZero();
        api.post(ofVarieties, Api.voiding(0)).expect(204);
        assertThat(api.get("/api/varieties").expect(200).body().size()).isZero();
        assertThat(api.get("/api/imports").expect(200).body().size()).isZero();
    }

    @Test
    void crosses_of_earlier_years_come_in_under_their_numbers_and_can_come_in_again() {
        String lantern = api.variety("Lantern");
        String tree = api.tree(api.variety("Pale Ridge"), "P1");
        String csv = "year,mother,father,flowers,number,note\n2019,P1,lantern,20,3,first\n2019,P1,Lantern,10,,second\n";
        String run = Api.newId();
        assertThat(api.put("/api/imports/" + run, Api.file("crosses", csv))
                        .expect(200)
                        .body()
                        .required("written")
                        .asInt())
                .isEqualTo(2);
        assertThat(madeCrosses()).containsExactlyInAnyOrder("19-3", "19-4");
        assertThat(write(Api.file("crosses", csv)).required("already").asInt()).isEqualTo(2);
        JsonNode changed = write(Api.file("crosses", csv.replace("20,3", "25,3")));
        assertThat(changed.required("changes").get(0).required("after").asString())
                .isEqualTo("25");

        assertThat(said(look(Api.file("crosses", csv.replace("lantern,20,3", "Pale Ridge,20,3")))))
                .as("a number is of one cross")
                .containsExactly(
                        "2 father is another than that of cross 19-3. Remove that one and write it down anew.");

        api.post("/api/imports/" + run + "/void", Api.voiding(0)).expect(204);
        assertThat(madeCrosses()).isEmpty();
        write(Api.file("crosses", csv));
        assertThat(madeCrosses()).as("a removed cross does not keep its number").contains("19-3");

        for (String wrong : List.of("2019,P1,Lantern,5,0", "2035,P1,Lantern,5,1", "2019,P1,Lantern,0,9")) {
            String[] cells = wrong.split(",");
            Api.Answer form = api.put(
                            "/api/crosses/" + Api.newId(),
                            Map.of(
                                    "year", Integer.valueOf(cells[0]),
                                    "treeId", tree,
                                    "fatherId", lantern,
                                    "planned", Integer.valueOf(cells[3]),
                                    "number", Integer.valueOf(cells[4])))
                    .expect(400);
            JsonNode problem = look(Api.file("crosses", "year,tree,father,flowers,number\n" + wrong + "\n"))
                    .required("problems")
                    .get(0);
            assertThat(form.body().required("errors").get(0).required("message").asString())
                    .as(wrong)
                    .isEqualTo(problem.required("message").asString());
        }
    }

    private List<String> madeCrosses() {
        return api.get("/api/crosses/made")
                .expect(200)
                .body()
                .valueStream()
                .map(c -> c.required("label").asString())
                .toList();
    }

    @Test
    void a_file_sent_twice_is_there_once_and_a_corrected_one_asks_before_it_changes_anything() {
        api.variety("Lantern");
        String csv = "name,variety,block,row,place\nL1,Lantern,North,1,1\nL2,Lantern,North,1,2\n";
        String id = "/api/imports/" + Api.newId();
        api.put(id, Api.file("trees", csv)).expect(200);
        JsonNode again = api.put(id, Api.file("trees", csv)).expect(200).body();
        assertThat(again.required("written").asInt()).isEqualTo(2);
        JsonNode other = write(Api.file("trees", csv));
        assertThat(other.required("already").asInt()).isEqualTo(2);
        assertThat(trees()).isEqualTo(2);

        Map<String, Object> corrected =
                Api.file("trees", csv.replace("North,1,2", "South,1,2").replace("L1,", "l1,"));
        JsonNode asked = write(corrected);
        assertThat(asked.required("imported").asBoolean()).isFalse();
        assertThat(asked.required("questions").get(0).required("key").asString())
                .isEqualTo("changes");
        Map<String, String> changes = new TreeMap<>();
        asked.required("changes")
                .forEach(c -> changes.put(
                        c.required("line").asInt() + " " + c.required("field").asString(),
                        c.required("before").asString() + ">"
                                + c.required("after").asString()));
        assertThat(changes).isEqualTo(Map.of("2 name", "L1>l1", "3 block", "North>South"));
        assertThat(api.get("/api/trees").body().toString()).doesNotContain("South");

        write(with(corrected, "confirmed", List.of("changes")));
        assertThat(api.get("/api/trees").body().toString()).contains("South");
        String run = "/api/imports/"
                + api.get("/api/imports").body().get(0).required("id").asString() + "/void";
        api.post(run, Api.voiding(0)).expect(204);
        assertThat(api.get("/api/trees").body().toString())
                .doesNotContain("South")
                .contains("L1");
    }

    @Test
    void what_is_wrong_is_told_by_line_and_can_be_put_right_in_place() {
        api.variety("Lantern");
        Map<String, Object> file = Api.file(
                "trees",
                "Baum,variety,row,place,planted_on\nL1,Lantern,x,1,\nL2,Lantren,1,1E+05,31/02/2020\n,Lantern,1,3,\n");
        assertThat(look(file).required("problems").get(0).required("message").asString())
                .contains("choose which one it is");
        Map<String, Object> mapped = with(
                with(file, "columns", Map.of("name", 0, "variety", 1, "row_number", 2, "place", 3, "planted_on", 4)),
                "dateOrder",
                "DAY_FIRST");
        JsonNode seen = look(mapped);
        assertThat(seen.required("problemLines").asInt()).isEqualTo(3);
        assertThat(said(seen))
                .contains("2 row_number is 'x', which is no number.")
                .contains("3 variety is 'Lantren', and there is no variety of that name.")
                .anyMatch(p -> p.startsWith("4 name "));
        Map<String, Object> fixed = with(
                mapped,
                "fixes",
                List.of(
                        Map.of("line", 2, "column", "row_number", "value", "4"),
                        Map.of("line", 3, "column", "variety", "value", "Lantern"),
                        Map.of("line", 4, "column", "name", "value", "L3")));
        assertThat(said(look(fixed)))
                .containsExactly("3 place is 1E+05, as a spreadsheet shortens numbers; write it with all its digits.");
        @SuppressWarnings("unchecked")
        List<Map<String, Object>> fixes = new ArrayList<>((List<Map<String, Object>>) fixed.get("fixes"));
        fixes.add(Map.of("line", 3, "column", "place", "value", "2"));
        assertThat(said(look(with(fixed, "fixes", fixes))))
                .containsExactly(
                        "3 planted_on is '31/02/2020', which is no day of the calendar; write it as 2026-11-24.");
        fixes.add(Map.of("line", 3, "column", "planted_on", "value", "2020-02-29"));
        assertThat(write(with(fixed, "fixes", fixes)).required("written").asInt())
                .isEqualTo(3);
    }

    private static List<String> said(JsonNode view) {
        return view.required("problems")
                .valueStream()
                .map(p -> p.required("line").asInt() + " " + p.path("column").asString("") + " "
                        + p.required("message").asString())
                .toList();
    }

    @Test
    void what_could_be_misread_without_a_word_is_refused() {
        String head = "name;crop;own_pollen;chill_portions\n";
        JsonNode mixed = look(with(
                Api.file("varieties", head + "A;apple;0,5;1.250,5\nB;apple;0.05;1\nC;apple;0,1;1.25\n"),
                "decimalMark",
                "COMMA"));
        assertThat(said(mixed))
                .containsExactlyInAnyOrder(
                        "2 chill_portions is 1,250.5; allowed is 0 to 200.",
                        "3 own_pollen is '0.05', which is no number where decimals have a comma.",
                        "4 chill_portions is '1.25', which is no number where decimals have a comma.");
        api.tree(api.variety("Lantern"), "L1");
        JsonNode none = look(Api.file("readings", "tree,taken_at,Half\nL1,2026-11-20 10:00,4\n"));
        assertThat(said(none).toString()).contains("No column of the file is a stage of Cherimoya");
        assertThat(none.required("written").asInt()).isZero();
    }

    @Test
    void what_is_no_such_file_is_refused_in_plain_words() {
        refused("", "is empty");
        refused("name,variety\n", "no line below it");
        refused("name,variety\nL1,\"Lantern\nL2,Lantern\n", "quote");
        refused("name,variety\nL1\n", "1 cells in line 2");
        refused("name,variety\nL1,Lan\0tern\n", "line 2 that no text has (NUL)");
        refused("a,".repeat(10_000) + "\nb\n", "10001 columns in line 1");
        refused("name\n" + "x".repeat(20_000), "longer than");
        refused("name\n" + "x".repeat(11_000_000), "MB");
        refusedBytes("name\nL\u00e9\n".getBytes(StandardCharsets.ISO_8859_1), "not UTF-8 in line 2");
        refusedBytes("name\nL1\n".getBytes(StandardCharsets.UTF_16LE), "");
        refusedBytes("\uFEFFname\nL1\n".getBytes(StandardCharsets.UTF_16LE), "UTF-16");
        api.post("/api/imports/look", Api.file("dragons", "a\nb\n")).expect(404);
        api.variety("Lantern");
        // A line of COPY's end mark is a line like any other, and a mark against formulas is taken off.
        JsonNode odd = write(Api.file("trees", "name,variety\n\\.,Lantern\n'=1+1,Lantern\n"));
        assertThat(odd.required("written").asInt()).isEqualTo(2);
        assertThat(api.get("/api/trees").body().toString())
                .contains("\"\\\\.\"")
                .contains("\"=1+1\"");
        String exported =
                api.get("/api/records/tables/trees.csv").expect(200).raw().body();
        assertThat(write(Api.file("trees", exported)).required("already").asInt())
                .as("what was exported comes in again")
                .isEqualTo(2);
    }

    private void refused(String csv, String why) {
        refusedBytes(csv.getBytes(StandardCharsets.UTF_8), why);
    }

    private void refusedBytes(byte[] csv, String why) {
        Map<String, Object> file = Api.file("trees", csv);
        if (csv.length == 0) {
            file.put("data", "77u/");
        }
        assertThat(api.post("/api/imports/look", file).expect(400).errorAt("file"))
                .contains(why)
                .doesNotContainIgnoringCase("exception")
                .doesNotContain("org.");
    }

    @Test
    void fruits_and_wanted_crosses_come_in_once_and_what_differs_is_asked() {
        String lantern = api.variety("Lantern");
        api.variety("Pale Ridge");
        api.tree(lantern, "Lantern 1");
        for (String[] kind : new String[][] {
            {
                "fruits",
                "tree;number;numbered_at;ended;ended_at;weight_g;seeds\n"
                        + "Lantern 1;3;2026-04-01 10:00;HARVESTED;2026-05-02 11:00;312,5;%d\nLantern 1;;;FALLEN;2026-05-03 12:00;;\n"
            },
            {"wanted-crosses", "mother;father;flowers;note\nPale Ridge;Lantern;%d;from the old list\n"}
        }) {
            int lines = kind[1].split("\n").length - 1;
            Map<String, Object> first = Api.file(kind[0], kind[1].formatted(30));
            first.put("dateOrder", "DAY_FIRST");
            first.put("decimalMark", "COMMA");
            JsonNode written =
                    api.put("/api/imports/" + Api.newId(), first).expect(200).body();
            assertThat(written.path("written").asInt()).as(written.toString()).isEqualTo(lines);
            JsonNode again =
                    api.put("/api/imports/" + Api.newId(), first).expect(200).body();
            assertThat(again.path("already").asInt()).as(again.toString()).isEqualTo(lines);

            Map<String, Object> other = new HashMap<>(first);
            other.putAll(Api.file(kind[0], kind[1].formatted(31)));
            JsonNode asked =
                    api.put("/api/imports/" + Api.newId(), other).expect(200).body();
            assertThat(asked.path("imported").asBoolean()).isFalse();
            assertThat(asked.path("changes").get(0).path("after").asString()).isEqualTo("31");
            other.put("confirmed", List.of("changes"));
            assertThat(api.put("/api/imports/" + Api.newId(), other)
                            .expect(200)
                            .body()
                            .path("changed")
                            .asInt())
                    .isEqualTo(1);
        }
        String hanging = "tree,number,numbered_at\nLantern 1,4,2026-04-02T10:00\n";
        api.put("/api/imports/" + Api.newId(), Api.file("fruits", hanging)).expect(200);
        String ended =
                "tree,number,numbered_at,ended,ended_at,seeds\nLantern 1,4,2026-04-02T10:00,HARVESTED,2026-05-09T11:00,8\n";
        String run = "/api/imports/" + Api.newId();
        Map<String, Object> end = Api.file("fruits", ended);
        end.put("confirmed", List.of("changes"));
        assertThat(api.put(run, end).expect(200).body().path("changed").asInt()).isEqualTo(1);
        api.post(run + "/void", Api.voiding(0)).expect(204);
        assertThat(api.get("/api/fruits")
                        .expect(200)
                        .body()
                        .path("fruits")
                        .get(0)
                        .has("end"))
                .as("undone, it hangs again")
                .isFalse();
        assertThat(look(Api.file("fruits", ended.replace("2026-05-09T11:00", "")))
                        .path("problems")
                        .toString())
                .as("nothing of a line is dropped unsaid")
                .contains("ended_at", "is missing");
        assertThat(new String(api.bytes("/api/records/tables/fruits.csv"), StandardCharsets.UTF_8))
                .contains(",312.5,", ",31,");
        assertThat(api.get("/api/cross-requests")
                        .expect(200)
                        .body()
                        .get(0)
                        .path("flowers")
                        .asInt())
                .isEqualTo(31);
    }

    /** Two orchards in step: one is filled by forms, one by files. Whatever a form refuses, a file is refused, with the same words. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void one_rule_set(long seed) {
        Random random = new Random(seed);
        Api forms = TestServer.get().newOrchard();
        Api files = TestServer.get().newOrchard();
        Map<Api, List<String>> varieties = new HashMap<>();
        Map<Api, List<String>> trees = new HashMap<>();
        for (Api one : List.of(forms, files)) {
            varieties.put(one, List.of(one.variety("Lantern"), one.variety("Pale Ridge")));
            trees.put(
                    one,
                    List.of(
                            one.tree(varieties.get(one).get(0), "L1"),
                            one.tree(varieties.get(one).get(1), "P1")));
        }
        List<Integer> refusals = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            Case next = next(random, i);
            Api.Answer form = forms.put(next.path() + Api.newId(), next.body(forms, varieties, trees));
            JsonNode file = files.put(
                            "/api/imports/" + Api.newId(),
                            with(Api.file(next.kind(), next.csv()), "confirmed", CONFIRMED))
                    .expect(200)
                    .body();
            if (form.raw().body().contains("already")) {
                // What a form refuses because it is there, a file has again, or asks whether to change it.
                assertThat(file.required("already").asInt() == 1
                                || !file.required("questions").isEmpty())
                        .as("%s%n%s", next.csv(), file)
                        .isTrue();
                continue;
            }
            assertThat(file.required("imported").asBoolean())
                    .as("%s%n%s%n%s", next.csv(), form.raw().body(), file)
                    .isEqualTo(form.status() == 200);
            if (form.status() != 200) {
                refusals.add(i);
                assertThat(form.status()).isEqualTo(400);
                assertThat(file.required("problems")
                                .valueStream()
                                .map(p -> p.required("message").asString()))
                        .as(next.csv())
                        .containsExactlyInAnyOrderElementsOf(form.body()
                                .required("errors")
                                .valueStream()
                                .map(e -> e.required("message").asString())
                                .toList());
            }
        }
        assertThat(refusals).as("cases that are refused").hasSizeBetween(8, 35);
        assertThat(names(forms)).isEqualTo(names(files));
        assertThat(forms.get("/api/story").body().required("lines").size())
                .isEqualTo(files.get("/api/story").body().required("lines").size());
    }

    private static List<String> names(Api api) {
        return api.get("/api/trees")
                .expect(200)
                .body()
                .valueStream()
                .map(t -> t.required("name").asString() + t.required("row"))
                .toList();
    }

    /**
     * A record as a form sends it and as a line.
     *
     * @param of which variety or tree, from 0
     * @param ofField the field that names it
     */
    private record Case(
            String kind, String path, String head, String line, int of, String ofField, Map<String, Object> fields) {
        String csv() {
            return head + "\n" + line + "\n";
        }

        Map<String, Object> body(Api api, Map<Api, List<String>> varieties, Map<Api, List<String>> trees) {
            Map<String, Object> body = new HashMap<>(fields);
            String id =
                    (ofField.equals("varietyId") ? varieties : trees).get(api).get(of);
            if (kind.equals("jars")) {
                body.put("sources", List.of(Map.of("treeId", id, "flowers", body.remove("flowers"))));
                body.put("confirmed", CONFIRMED);
            } else {
                body.put(ofField, id);
            }
            return body;
        }
    }

    @Test
    void pollinations_draw_from_their_jars_and_checks_find_them() {
        String lantern = api.variety("Lantern");
        api.tree(lantern, "Lantern 1");
        api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.put(
                        "/api/imports/" + Api.newId(),
                        with(
                                Api.file(
                                        "jars",
                                        "tree,flowers,collected_at,storage,doses,note\n"
                                                + "Lantern 1,10,2026-11-01T05:00,FRIDGE,20,old jar 4\n"),
                                "confirmed",
                                CONFIRMED))
                .expect(200);
        String done = "tree,jar,flowers,done_at,tag\nPale Ridge 1,old jar 4,%d,2026-11-02T17:00,41\n"
                + "pale ridge 1,OLD JAR 4,6,2026-11-02T17:00,42\n";
        String run = "/api/imports/" + Api.newId();
        assertThat(look(Api.file("pollinations", done.formatted(15)))
                        .path("problems")
                        .toString())
                .as("together more than there is")
                .contains("\"line\":3");
        assertThat(doses()).as("looking draws nothing").isEqualTo(20);
        assertThat(api.put(run, Api.file("pollinations", done.formatted(8)))
                        .expect(200)
                        .body()
                        .path("written")
                        .asInt())
                .isEqualTo(2);
        assertThat(doses()).isEqualTo(6);
        Map<String, Object> other = Api.file("pollinations", done.formatted(9));
        other.put("confirmed", List.of("changes"));
        String corrected = "/api/imports/" + Api.newId();
        assertThat(api.put(corrected, other).expect(200).body().path("changed").asInt())
                .isEqualTo(1);
        assertThat(doses()).isEqualTo(5);

        String checks =
                "tree,pollinated_at,checked_at,set,failed,unknown%s\nPale Ridge 1,2026-11-02T17:00,2026-11-14T09:00,%d,4,0%s\n";
        assertThat(look(Api.file("checks", checks.formatted("", 5, "")))
                        .path("problems")
                        .get(0)
                        .path("message")
                        .asString())
                .contains("2 lots of flowers", "Give their tag");
        assertThat(look(Api.file("checks", checks.formatted(",tag", 6, ",41")))
                        .path("problems")
                        .toString())
                .contains("makes 10, but only 9 flowers were pollinated");
        String checked = "/api/imports/" + Api.newId();
        Map<String, Object> sound = Api.file("checks", checks.formatted(",tag", 5, ",41"));
        api.put(checked, sound).expect(200);
        assertThat(api.put("/api/imports/" + Api.newId(), sound)
                        .expect(200)
                        .body()
                        .path("already")
                        .asInt())
                .isEqualTo(1);
        assertThat(api.post(run + "/void", Api.voiding(0)).status())
                .as("what hangs on it goes first")
                .isEqualTo(400);
        api.post(checked + "/void", Api.voiding(0)).expect(204);
        api.post(corrected + "/void", Api.voiding(0)).expect(204);
        assertThat(doses()).as("fewer flowers than the removed check has").isEqualTo(6);
        String removed = api.get("/api/story?kinds=check&removed=true")
                .expect(200)
                .body()
                .required("lines")
                .get(0)
                .required("id")
                .asString();
        assertThat(api.post("/api/story/check/" + removed + "/restore", Map.of("version", 1))
                        .expect(400)
                        .errorAt("taken"))
                .contains("makes 9, but only 8 flowers were pollinated");
        api.post(run + "/void", Api.voiding(0)).expect(204);
        assertThat(doses()).isEqualTo(20);
    }

    private int doses() {
        return api.get("/api/lots").expect(200).body().get(0).path("dosesLeft").asInt();
    }

    private static Case next(Random random, int i) {
        int of = random.nextInt(2);
        LocalDate day = LocalDate.of(2026, 11, 24).plusDays(random.nextInt(5) - 3L);
        String at = day + "T0" + random.nextInt(3) + ":1" + random.nextInt(10) + ":00Z";
        int number = random.nextInt(12) - 2;
        String variety = of == 0 ? "Lantern" : "Pale Ridge";
        String tree = of == 0 ? "L1" : "P1";
        return switch (random.nextInt(7)) {
            case 0 -> {
                String name = random.nextInt(3) == 0 ? "l1" : "T" + i + "x".repeat(random.nextInt(4) * 30);
                yield new Case(
                        "trees",
                        "/api/trees/",
                        "name,variety,row,place,planted_on",
                        name + "," + variety + "," + number + ",2," + day,
                        of,
                        "varietyId",
                        Map.of("name", name, "row", number, "position", 2, "plantedOn", day.toString()));
            }
            case 1 -> {
                int year = 2024 + random.nextInt(4);
                LocalDate full = LocalDate.of(year, 10, 1).plusDays(random.nextInt(9));
                LocalDate last = LocalDate.of(year, 10, 5);
                yield new Case(
                        "bloom-dates",
                        "/api/bloom-dates/",
                        "variety,year,first_bloom,full_bloom,last_bloom",
                        variety + "," + year + "," + year + "-10-02," + full + "," + last,
                        of,
                        "varietyId",
                        Map.of(
                                "year",
                                year,
                                "firstBloom",
                                year + "-10-02",
                                "fullBloom",
                                full.toString(),
                                "lastBloom",
                                last.toString()));
            }
            case 2 -> {
                double share = (random.nextInt(12) - 1) / 8.0;
                yield new Case(
                        "readings",
                        "/api/readings/",
                        "tree,taken_at,parted,share",
                        tree + "," + at + "," + number + "," + share,
                        of,
                        "treeId",
                        Map.of("takenAt", at, "counts", Map.of("parted", number), "share", share));
            }
            case 3 ->
                new Case(
                        "limb-counts",
                        "/api/limb-counts/",
                        "tree,limb,counted_at,fruits",
                        tree + ",limb " + i + "," + at + "," + number,
                        of,
                        "treeId",
                        Map.of("limb", "limb " + i, "countedAt", at, "fruits", number));
            case 4 -> {
                int seeds = random.nextInt(5);
                int fruit = random.nextInt(4) == 0 ? 0 : i + 1;
                yield new Case(
                        "fruits",
                        "/api/fruits/",
                        "tree,number,numbered_at,ended,ended_at,weight_g,seeds,empty_seeds",
                        tree + "," + fruit + "," + at + ",HARVESTED," + at + "," + number * 40 + "," + seeds + ",2",
                        of,
                        "treeId",
                        Map.of(
                                "number",
                                fruit,
                                "numberedAt",
                                at,
                                "end",
                                Map.of(
                                        "kind",
                                        "HARVESTED",
                                        "at",
                                        at,
                                        "weightG",
                                        number * 40,
                                        "seeds",
                                        seeds,
                                        "emptySeeds",
                                        2)));
            }
            case 5 -> {
                String doneAt = day + "T03:%02d:00Z".formatted(i);
                String stage = random.nextInt(3) == 0 ? "half" : "parted";
                String tag = random.nextInt(3) == 0 ? "7" : "";
                String treatment = random.nextInt(3) == 0 ? "HAND" : "NATURE";
                String tool = "b".repeat(random.nextInt(4) * 25);
                yield new Case(
                        "pollinations",
                        "/api/pollinations/",
                        "tree,flowers,done_at,tag,treatment,stage,tool",
                        String.join(",", tree, "" + number, doneAt, tag, treatment, stage, tool),
                        of,
                        "treeId",
                        Map.of(
                                "flowers",
                                number,
                                "doneAt",
                                doneAt,
                                "tag",
                                tag,
                                "how",
                                Map.of("treatment", treatment, "stage", stage, "tool", tool)));
            }
            default ->
                new Case(
                        "jars",
                        "/api/lots/",
                        "tree,flowers,collected_at,storage,doses,note",
                        tree + "," + number + "," + at + ",FRIDGE," + (number + 1) + "," + i,
                        of,
                        "treeId",
                        Map.of("collectedAt", at, "storage", "FRIDGE", "doses", number + 1, "flowers", number));
        };
    }
}
