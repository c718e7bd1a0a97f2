package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Everything out of one machine and into another: the invented orchard, which has records of every kind. */
class PackageTest {
    private static final String DESCRIPTION = "datapackage.json";

    /** Pages whose numbers come from records of every room. */
    private static final List<String> PAGES = List.of(
            "/api/varieties",
            "/api/trees",
            "/api/bloom",
            "/api/season",
            "/api/weather",
            "/api/lots",
            "/api/round",
            "/api/plan",
            "/api/pollinations",
            "/api/fruit-set",
            "/api/limbs",
            "/api/fruits",
            "/api/seed-lots",
            "/api/seed-lots/rivers",
            "/api/seedlings",
            "/api/judging?crop=apple",
            "/api/judging/crosses?crop=apple",
            "/api/findings",
            "/api/learned",
            "/api/targets",
            "/api/mates",
            "/api/cross-requests",
            "/api/comparisons",
            "/api/map",
            "/api/round-settings",
            "/api/story?limit=100");

    private static TestServer there;
    private static Api ines;
    private static byte[] exported;
    private static Map<String, byte[]> files;

    @BeforeAll
    static void export() throws IOException {
        there = TestServer.withDemo();
        ines = new Api(there.address());
        ines.signIn("ines@heron-bank.example", "black cup soft brush");
        writeWhatTheDemoLacks();
        exported = ines.bytes("/api/records/package");
        files = unpacked(exported);
    }

    private static void writeWhatTheDemoLacks() {
        JsonNode orchard = ines.get("/api/orchard").expect(200).body();
        String now = orchard.required("now").asString();
        ines.put("/api/imports/" + Api.newId(), Api.file("varieties", "name,crop\nDrawn Line,apple\n"))
                .expect(200);
        String later = LocalDate.parse(now.substring(0, 10)).plusMonths(2).toString();
        JsonNode jars = ines.get("/api/lots").expect(200).body();
        JsonNode jar = jars.valueStream()
                .filter(j -> j.required("dosesLeft").asInt() > 10)
                .findFirst()
                .orElseThrow();
        String lot = jar.required("id").asString();
        String walk = Api.newId();
        ines.put("/api/walks/" + walk, Map.of()).expect(200);
        ines.put(
                        "/api/walks/" + walk + "/words/" + Api.newId(),
                        Map.of("stop", 0, "kind", "NOTE", "at", now, "note", "=calm\nair"))
                .expect(200);
        ines.put(
                        "/api/walks/" + walk + "/photos/" + Api.newId(),
                        Map.of("stop", 0, "at", now, "data", Api.picture(60, 40)))
                .expect(200);
        ines.put(
                        "/api/record-photos/" + Api.newId(),
                        Map.of(
                                "of",
                                "READING",
                                "recordId",
                                ines.get("/api/story?kinds=reading")
                                        .expect(200)
                                        .body()
                                        .path("lines")
                                        .get(0)
                                        .required("id")
                                        .asString(),
                                "at",
                                now,
                                "data",
                                Api.picture(60, 40)))
                .expect(204);
        String permit = "/api/permits/" + Api.newId();
        Map<String, Object> ofPermit = Map.of(
                "number", "=7", "authority", "Plant Office", "scopes", List.of("POLLEN_IN"), "validFrom", "2026-01-01");
        ines.put(permit, ofPermit).expect(200);
        ines.put("/api/permits/" + Api.newId(), ofPermit).expect(200);
        ines.put(permit + "/paper", Map.of("name", "front.jpg", "data", Api.picture(60, 40), "version", 0))
                .expect(200);
        ines.put(
                        "/api/lots/" + Api.newId() + "/received",
                        Map.of(
                                "varietyId",
                                jar.required("fathers")
                                        .get(0)
                                        .required("varietyId")
                                        .asString(),
                                "how",
                                "GIVEN",
                                "from",
                                "Long Reach",
                                "receivedAt",
                                now,
                                "storage",
                                "ROOM",
                                "dry",
                                false,
                                "doses",
                                7))
                .expect(200);
        String tree =
                ines.get("/api/trees").expect(200).body().get(0).required("id").asString();
        ines.put(
                        "/api/limb-counts/" + Api.newId(),
                        Map.of("treeId", tree, "limb", "low", "countedAt", now, "fruits", 3))
                .expect(200);
        ines.put(
                        "/api/lots/" + lot + "/steps/" + Api.newId(),
                        Map.of(
                                "at",
                                now,
                                "kind",
                                "STORED",
                                "storage",
                                "FRIDGE_DESICCANT",
                                "confirmed",
                                List.of("FROZEN_AGAIN")))
                .expect(200);
        ines.put(
                        "/api/lots/" + lot + "/tests/" + Api.newId(),
                        Map.of("at", now, "fields", List.of(Map.of("grains", 40, "tubes", 21))))
                .expect(200);
        ines.put(
                        "/api/pourings/" + Api.newId(),
                        Map.of(
                                "parts",
                                List.of(Map.of("lotId", lot, "doses", 2)),
                                "at",
                                now,
                                "storage",
                                "FRIDGE_DESICCANT",
                                "confirmed",
                                List.of("FROZEN_AGAIN")))
                .expect(200);
        String reading = ines.read(tree, Instant.parse(now).minusSeconds(60), Map.of("parted", 2))
                .expect(200)
                .id();
        ines.post("/api/readings/" + reading + "/void", Api.voiding(0)).expect(204);
        ines.put("/api/plan-overrides/" + Api.newId(), Map.of("kind", "SKIP_DAYS", "firstDay", later, "lastDay", later))
                .expect(200);
        ines.put("/api/pollen-overrides/" + Api.newId(), Map.of("treeId", tree, "lotId", lot, "flowers", 0))
                .expect(200);
    }

    @AfterAll
    static void close() {
        there.close();
    }

    @Test
    void read_into_an_empty_orchard_of_another_machine_it_gives_the_same_pages_and_the_same_export()
            throws IOException {
        Api here = TestServer.get().newOrchard(moment());
        JsonNode read =
                here.postZip("/api/records/package", exported).expect(200).body();
        assertThat(read.path("lines").path("trees").asInt()).isGreaterThan(5);

        List<String> differing = PAGES.stream()
                .filter(page -> !plain(here, page).equals(plain(ines, page)))
                .toList();
        assertThat(differing).isEmpty();
        assertThat(here.postZip("/api/records/package", exported).expect(400).errorAt("package"))
                .contains("empty orchard")
                .contains("trees");
        Map<String, byte[]> again = unpacked(here.bytes("/api/records/package"));
        assertThat(again.keySet()).isEqualTo(files.keySet());
        String one = orchardId(files);
        String other = orchardId(again);
        files.forEach((path, bytes) -> {
            if (path.equals("calendar.ics")) {
                // Its events are named for the orchard, and stamped with the time of the machine.
                assertThat(calendar(again.get(path)).replace(other, one)).isEqualTo(calendar(bytes));
            } else if (!path.equals(DESCRIPTION)) {
                assertThat(new String(again.get(path), StandardCharsets.UTF_8).lines())
                        .as(path)
                        .containsExactlyElementsOf(new String(bytes, StandardCharsets.UTF_8)
                                .lines()
                                .toList());
                assertThat(again.get(path)).as(path).isEqualTo(bytes);
            }
        });
        // What came in is a record like any other: it can be changed and its history goes on.
        JsonNode tree = here.get("/api/trees").expect(200).body().get(0);
        here.put(
                        "/api/trees/" + tree.path("id").asString(),
                        Map.of(
                                "varietyId", tree.path("varietyId").asString(),
                                "name", "Renamed",
                                "block", tree.path("block").asString(),
                                "row", tree.path("row").asInt(),
                                "position", tree.path("position").asInt(),
                                "version", tree.path("version").asInt()))
                .expect(200);
        JsonNode history = here.get("/api/story/tree/" + tree.path("id").asString() + "/history")
                .expect(200)
                .body();
        assertThat(history.required("revisions").size()).isEqualTo(2);
        assertThat(history.toString()).contains("Renamed");
    }

    /** By a reader that knows nothing of orchards: every cell is of the type the description says, keys are unique, references lead there. */
    @Test
    void a_reader_of_tables_finds_what_the_description_says() throws IOException {
        JsonNode description = JsonMapper.shared().readTree(files.get(DESCRIPTION));
        Map<String, Map<String, Set<String>>> values = new HashMap<>();
        Set<String> empty = new TreeSet<>();
        for (JsonNode resource : description.required("resources")) {
            assertThat(files).containsKey(resource.required("path").asString());
            if (resource.has("schema")) {
                assertThat(resource.required("schema").valueStream())
                        .as("the standard allows no empty lists")
                        .noneMatch(JsonNode::isEmpty);
                Map<String, Set<String>> columns = read(resource);
                values.put(resource.required("name").asString(), columns);
                if (columns.values().stream().allMatch(Set::isEmpty)) {
                    empty.add(resource.required("name").asString());
                }
            }
        }
        for (JsonNode resource : description.required("resources")) {
            for (JsonNode key : resource.path("schema").path("foreignKeys")) {
                String column = key.required("fields").asString();
                JsonNode to = key.required("reference");
                assertThat(values.get(to.required("resource").asString())
                                .get(to.required("fields").asString()))
                        .as("%s.%s", resource.required("name").asString(), column)
                        .containsAll(
                                values.get(resource.required("name").asString()).get(column));
            }
        }
        assertThat(empty.stream().filter(e -> !e.endsWith("-history")))
                .as("kinds of record that the round trip does not try")
                .isEmpty();
    }

    private static Map<String, Set<String>> read(JsonNode resource) throws IOException {
        String path = resource.required("path").asString();
        JsonNode schema = resource.required("schema");
        Map<String, Set<String>> values = new LinkedHashMap<>();
        try (CSVParser csv = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(new String(files.get(path), StandardCharsets.UTF_8)))) {
            assertThat(csv.getHeaderNames())
                    .as(path)
                    .isEqualTo(schema.required("fields")
                            .valueStream()
                            .map(f -> f.required("name").asString())
                            .toList());
            schema.required("fields").forEach(f -> values.put(f.required("name").asString(), new HashSet<>()));
            Set<List<String>> keys = new HashSet<>();
            for (CSVRecord line : csv) {
                for (JsonNode field : schema.required("fields")) {
                    String cell = line.get(field.required("name").asString());
                    requireType(path + " " + line.getRecordNumber(), field, cell);
                    if (!cell.isEmpty()) {
                        values.get(field.required("name").asString()).add(cell);
                    }
                }
                List<String> key = schema.path("primaryKey")
                        .valueStream()
                        .map(k -> line.get(k.asString()))
                        .toList();
                assertThat(key.isEmpty() || keys.add(key))
                        .as("%s %s", path, key)
                        .isTrue();
            }
        }
        return values;
    }

    private static void requireType(String where, JsonNode field, String cell) {
        if (cell.isEmpty()) {
            assertThat(field.path("constraints").path("required").asBoolean(false))
                    .as("%s %s", where, field)
                    .isFalse();
            return;
        }
        switch (field.required("type").asString() + " " + field.path("format").asString("default")) {
            case "string uuid" -> UUID.fromString(cell);
            case "string default" -> assertThat("=+-@\t\r").as(where).doesNotContain(cell.substring(0, 1));
            // Readers that count in doubles are exact as far as this.
            case "integer default" ->
                assertThat(Math.abs(Long.parseLong(cell))).as(where).isLessThan(1L << 53);
            case "number default" ->
                assertThat(Double.parseDouble(cell)).as(where).isFinite();
            case "boolean default" -> assertThat(cell).as(where).isIn("true", "false");
            case "date default" -> LocalDate.parse(cell);
            case "datetime any" ->
                assertThat(OffsetDateTime.parse(cell).toString()).endsWith("Z");
            case "any default" -> JsonMapper.shared().readTree(cell);
            default -> throw new AssertionError(field);
        }
    }

    @Test
    void what_is_no_package_is_refused_in_plain_words_and_leaves_nothing() throws IOException {
        Api here = TestServer.get().newOrchard(moment());
        refused(here, "no zip at all".getBytes(StandardCharsets.UTF_8), "is no ZIP file");
        refused(here, packed(Map.of("trees.csv", files.get("trees.csv"))), "has no datapackage.json");
        refused(here, described(d -> d.replace("even-hand-orchard", "another-orchard")), "was not written by Export");
        refused(here, described(d -> d.replace("\"even-hand\" : 1", "\"even-hand\" : 2")), "newer version");
        refused(here, described(d -> "{\"name\": ["), "cannot be read");
        refused(here, changed("jars.csv", t -> t.replace("FRIDGE", "OVEN")), "jars.csv is another file");
        refused(here, changed("jars.csv", t -> t + "x".repeat(50_000_000)), "larger than it says: jars.csv");
        Map<String, byte[]> lacking = new LinkedHashMap<>(files);
        lacking.remove("readings.csv");
        refused(here, packed(lacking), "lacks readings.csv");
        assertThat(here.get("/api/trees").expect(200).body().size()).isZero();

        // Where somebody mended the sums too, the rules of the database hold still.
        refused(here, resummed("trees.csv", t -> t.replaceFirst("\n[0-9a-f]{8}", "\nxxxxxxxx")), "do not fit together");
        refused(
                here,
                resummed("jars.csv", t -> t.replace(",ROOM,", ",OVEN,").replace(",FRIDGE", ",OVEN")),
                "do not fit together");
        refused(
                here,
                resummed("jar-ledger.csv", t -> t.replaceFirst("\n[^\n]*,DRAWN,[^\n]*", "")),
                "ledger does not come to");
        refused(here, resummed("varieties.csv", t -> t.replace(",cherimoya,", ",moonfruit,")), "no crop sheet");
        assertThat(here.get("/api/varieties").expect(200).body().size()).isZero();
        assertThat(here.get("/api/orchard").expect(200).body().path("name").asString())
                .isEqualTo("Tern Flat");
    }

    @Test
    void a_table_goes_out_alone_as_far_as_it_is_wanted_and_no_text_is_a_formula() throws IOException {
        Api here = TestServer.get().newOrchard();
        String variety = here.variety("=HYPERLINK(1)");
        String tree = here.tree(variety, "'quoted'");
        String other = here.tree(variety, "@home, \"by the gate\"");
        here.read(tree, TestServer.NOW, Map.of("parted", 3)).expect(200);
        here.read(other, TestServer.NOW.minusSeconds(90_000), Map.of("parted", 3))
                .expect(200);

        String trees =
                here.get("/api/records/tables/trees.csv").expect(200).raw().body();
        assertThat(trees)
                .contains(",''quoted',")
                .contains(",\"'@home, \"\"by the gate\"\"\",")
                .contains(",'=HYPERLINK(1),");
        assertThat(lines(here, "readings.csv")).isEqualTo(2);
        assertThat(lines(here, "readings.csv?tree=" + tree)).isEqualTo(1);
        assertThat(lines(here, "readings.csv?variety=" + variety)).isEqualTo(2);
        assertThat(lines(here, "readings.csv?block=North&from=2026-11-24")).isEqualTo(1);
        assertThat(lines(here, "readings.csv?until=2026-11-23")).isEqualTo(1);
        assertThat(2 * lines(here, "reading-counts.csv?tree=" + other))
                .isPositive()
                .isEqualTo(lines(here, "reading-counts.csv"));
        assertThat(lines(here, "trees.csv?block=South")).isZero();
        assertThat(here.get("/api/records/tables/trees.csv?jar=" + tree)
                        .expect(400)
                        .errorAt("jar"))
                .contains("does not fit");
        here.get("/api/records/tables/accounts.csv").expect(404);
        JsonNode wrong =
                here.get("/api/trees/" + other + "/readings").expect(200).body().get(0);
        here.post("/api/readings/" + wrong.required("id").asString() + "/void", Api.voiding(0))
                .expect(204);
        assertThat(lines(here, "readings.csv?tree=" + other)).isZero();
        assertThat(lines(here, "reading-counts.csv?tree=" + other)).isZero();
        assertThat(lines(here, "readings.csv?removed=true&tree=" + other)).isEqualTo(1);
        // Another orchard's tree shows nothing.
        assertThat(lines(TestServer.get().newOrchard(), "readings.csv?tree=" + tree))
                .isZero();

        // Into another machine and back, marks and all; here the same records cannot be twice.
        byte[] all = here.bytes("/api/records/package");
        assertThat(TestServer.get()
                        .newOrchard()
                        .postZip("/api/records/package", all)
                        .expect(400)
                        .errorAt("package"))
                .contains("on this machine already");
    }

    private static int lines(Api api, String table) throws IOException {
        String csv = api.get("/api/records/tables/" + table).expect(200).raw().body();
        try (CSVParser lines = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(csv))) {
            return lines.getRecords().size();
        }
    }

    private static void refused(Api here, byte[] zip, String why) {
        assertThat(here.postZip("/api/records/package", zip).expect(400).errorAt("package"))
                .contains(why)
                .endsWith("Nothing was imported.")
                .doesNotContainIgnoringCase("sql")
                .doesNotContain("exception");
    }

    private static byte[] described(UnaryOperator<String> change) throws IOException {
        return changed(DESCRIPTION, change);
    }

    private static byte[] changed(String path, UnaryOperator<String> change) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>(files);
        all.put(
                path,
                change.apply(new String(files.get(path), StandardCharsets.UTF_8))
                        .getBytes(StandardCharsets.UTF_8));
        return packed(all);
    }

    /** Changed with its size and sum in the description, as somebody might who means it; of records that are not here yet. */
    private static byte[] resummed(String path, UnaryOperator<String> change) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>();
        files.forEach((name, bytes) -> all.put(other(name), name.endsWith(".csv") ? utf8(other(text(bytes))) : bytes));
        String before = text(all.get(path));
        assertThat(change.apply(before)).isNotEqualTo(before);
        all.put(path, utf8(change.apply(before)));
        JsonNode description = JsonMapper.shared().readTree(files.get(DESCRIPTION));
        for (JsonNode resource : description.required("resources")) {
            byte[] bytes = all.get(resource.required("path").asString());
            ((ObjectNode) resource).put("bytes", bytes.length).put("hash", "sha256:" + sum(bytes));
        }
        all.put(DESCRIPTION, JsonMapper.shared().writeValueAsBytes(description));
        return packed(all);
    }

    /** Other keys in place of those that tell the time of the demo's records. */
    private static String other(String text) {
        return text.replaceAll("\\b01a([0-9a-f]{5}-[0-9a-f]{4}-7)", "02a$1");
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String sum(byte[] bytes) {
        return java.util.HexFormat.of().formatHex(PackageExport.sha256().digest(bytes));
    }

    private static byte[] packed(Map<String, byte[]> all) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> e : all.entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    private static Map<String, byte[]> unpacked(byte[] bytes) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                all.put(e.getName(), zip.readAllBytes());
            }
        }
        return all;
    }

    private static Instant moment() {
        return Instant.parse(JsonMapper.shared()
                .readTree(files.get(DESCRIPTION))
                .required("created")
                .asString());
    }

    private static String orchardId(Map<String, byte[]> all) {
        String calendar = new String(all.get("calendar.ics"), StandardCharsets.UTF_8).replace("\r\n ", "");
        int at = calendar.indexOf('@', calendar.indexOf("UID:"));
        return calendar.substring(at + 1, at + 1 + UUID.randomUUID().toString().length());
    }

    private static String calendar(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8).replace("\r\n ", "").replaceAll("DTSTAMP:\\w+", "DTSTAMP");
    }

    /** A page as it is told, without what is the machine's and not the orchard's. */
    private static String plain(Api api, String page) {
        return api.get(page).expect(200).raw().body();
    }
}
