package org.evenhand.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Seedlings with numbers: from the tray over grafting and first fruit to a name. */
class SeedlingTest {
    private static final LocalDate TODAY =
            TestServer.NOW.atZone(ZoneId.of("Pacific/Auckland")).toLocalDate();

    private final Api api = TestServer.get().newOrchard();
    private String harrow;
    private String ember;
    private String lot;

    /** A cross of two apples that have an allele in common, nine seedlings up. */
    @BeforeEach
    void aTray() {
        harrow = variety("Harrow", "S1 S2");
        ember = variety("Ember", "S1 S3");
        String mother = api.tree(harrow, "Harrow 1");
        String cross = Api.newId();
        api.put("/api/crosses/" + cross, Map.of("treeId", mother, "fatherId", ember, "planned", 9))
                .expect(200);
        lot = newLot(mother, cross);
        step("SOWN", 800, 12, null);
        step("CAME_UP", 750, 9, null);
    }

    private String variety(String name, String alleles) {
        return api.put(
                        "/api/varieties/" + Api.newId(),
                        Map.of("crop", "apple", "name", name, "breeding", Map.of("alleles", alleles)))
                .expect(200)
                .id();
    }

    private static String ago(int days) {
        return TODAY.minusDays(days).toString();
    }

    private String newLot(String tree, String cross) {
        Map<String, Object> lot = new HashMap<>(
                Map.of("treeId", tree, "harvestedOn", ago(900), "fruits", 3, "seeds", 12, "emptySeeds", 0));
        lot.put("crossId", cross);
        return api.put("/api/seed-lots/" + Api.newId(), lot).expect(200).id();
    }

    private Api.Answer step(String step, int daysAgo, int count, String at) {
        Map<String, Object> body = new HashMap<>(Map.of("step", step, "on", ago(daysAgo), "count", count));
        body.put("at", at);
        return api.put("/api/seed-lots/" + lot + "/steps/" + Api.newId(), body);
    }

    private Api.Answer number(List<String> ids, String at, int daysAgo) {
        return api.post(
                "/api/seed-lots/" + lot + "/seedlings",
                Map.of("ids", ids, "at", at, "on", ago(daysAgo), "place", "tray 2"));
    }

    private List<String> numbered(int n) {
        List<String> ids = IntStream.range(0, n).mapToObj(i -> Api.newId()).toList();
        number(ids, "UP", 700).expect(200);
        return ids;
    }

    private Api.Answer happens(String seedling, String event, int daysAgo, Map<String, String> more) {
        Map<String, Object> body = new HashMap<>(Map.of("event", event, "on", ago(daysAgo)));
        body.putAll(more);
        return api.put("/api/seedlings/" + seedling + "/steps/" + Api.newId(), body);
    }

    private JsonNode seedling(String id) {
        return api.get("/api/seedlings/" + id).expect(200).body();
    }

    private static List<String> texts(JsonNode list) {
        return list.valueStream().map(JsonNode::asString).toList();
    }

    private JsonNode lot() {
        return api.get("/api/seed-lots/" + lot).expect(200).body();
    }

    @Test
    void numbers_count_on_and_are_given_once_however_often_they_are_asked_for() {
        List<String> ids = List.of(Api.newId(), Api.newId(), Api.newId());
        JsonNode first = number(ids, "UP", 700).expect(200).body();
        assertThat(first.valueStream().map(r -> r.path("number").asString()))
                .containsExactly(
                        "%02d-1-01".formatted(TODAY.getYear() % 100),
                        "%02d-1-02".formatted(TODAY.getYear() % 100),
                        "%02d-1-03".formatted(TODAY.getYear() % 100));
        assertThat(number(ids, "UP", 700).expect(200).body()).isEqualTo(first);

        List<String> more = numbered(6);
        assertThat(seedling(more.get(0)).path("row").path("number").asString()).endsWith("-04");
        assertThat(number(List.of(Api.newId()), "UP", 690).expect(400).errorAt("ids"))
                .contains("0 seedlings");
        assertThat(number(List.of(Api.newId()), "UP", 901).expect(400).errorAt("on"))
                .contains("harvested on");
        assertThat(number(List.of(Api.newId()), "SOWN", 690).expect(400).errorAt("at"))
                .contains("once they are up");

        // Taken back at one stroke; its number is never used again.
        api.post("/api/seedlings/void", Map.of("ids", more, "reason", "wrong tray"))
                .expect(204);
        String next = numbered(1).get(0);
        assertThat(seedling(next).path("row").path("number").asString()).endsWith("-10");
        api.get("/api/seedlings/" + more.get(0)).expect(404);
        assertThat(api.post(
                                "/api/seed-lots/" + lot + "/void",
                                Map.of("version", lot().path("version").asInt(), "reason", "x"))
                        .expect(400)
                        .errorAt("reason"))
                .contains("2 steps and 4 numbered seedlings");
    }

    @Test
    void two_who_give_numbers_in_one_tray_at_once_give_each_once() throws Exception {
        ExecutorService helpers = Executors.newFixedThreadPool(4);
        try {
            List<Future<Api.Answer>> given = IntStream.range(0, 8)
                    .mapToObj(i -> helpers.submit(() -> number(List.of(Api.newId(), Api.newId()), "UP", 700)))
                    .toList();
            int refused = 0;
            for (Future<Api.Answer> one : given) {
                refused += one.get().status() == 400 ? 1 : 0;
                assertThat(one.get().status()).isIn(200, 400);
            }
            // Nine are up: four pairs get numbers.
            assertThat(refused).isEqualTo(4);
        } finally {
            helpers.shutdownNow();
        }
        List<String> numbers = api.get("/api/seedlings")
                .expect(200)
                .body()
                .valueStream()
                .map(s -> s.path("number").asString())
                .toList();
        assertThat(numbers).hasSize(8).doesNotHaveDuplicates();
        assertThat(lot().path("withoutNumber").get(0).path("count").asInt()).isEqualTo(1);
    }

    @Test
    void a_cross_of_an_earlier_year_gives_its_number_to_its_seedlings_and_nothing_is_due_with_it() {
        String tree = api.tree(harrow, "Harrow 2");
        String cross = Api.newId();
        int year = TODAY.getYear();
        Map<String, Object> body =
                new HashMap<>(Map.of("treeId", tree, "fatherId", ember, "planned", 3, "year", year + 1));
        assertThat(api.put("/api/crosses/" + cross, body).expect(400).errorAt("year"))
                .contains("still to come");
        body.put("year", 1950);
        assertThat(api.put("/api/crosses/" + cross, body).expect(400).errorAt("year"))
                .contains("before the tree was planted");
        int before = year - 2;
        body.put("year", before);
        api.put("/api/crosses/" + cross, body).expect(200);
        assertThat(api.get("/api/crosses")
                        .expect(200)
                        .body()
                        .path("controlledCrosses")
                        .valueStream()
                        .map(c -> c.path("id").asString()))
                .hasSize(1)
                .doesNotContain(cross);
        String label = "%02d-1".formatted(before % 100);
        assertThat(api.get("/api/crosses/made")
                        .expect(200)
                        .body()
                        .valueStream()
                        .map(c -> c.path("label").asString()))
                .contains(label);

        lot = newLot(tree, cross);
        step("SOWN", 800, 12, null).expect(200);
        step("CAME_UP", 750, 9, null).expect(200);
        String one = numbered(1).get(0);
        assertThat(seedling(one).path("row").path("number").asString()).isEqualTo(label + "-01");
    }

    @Test
    void of_varieties_entered_twice_scores_and_names_go_to_the_one_that_stays() {
        String one = numbered(1).get(0);
        String named = Api.newId();
        api.put("/api/seedlings/" + one + "/variety", Map.of("varietyId", named, "name", "Lampwik"))
                .expect(200);
        String taste = trait("Taste", 1, 9, "HIGH", 1);
        score("varietyId", named, Map.of(taste, 8.0)).expect(204);
        String stays = variety("Lampwick", "");
        api.post("/api/varieties/" + named + "/merge", Map.of("into", stays, "version", 0))
                .expect(200);
        assertThat(seedling(one).path("row").path("variety").asString()).isEqualTo("Lampwick");
        JsonNode given = api.get("/api/scores?crop=apple&plant=" + stays)
                .expect(200)
                .body()
                .path("scores");
        assertThat(given.valueStream().map(s -> s.path("value").asDouble())).containsExactly(8.0);
    }

    @Test
    void what_happens_to_one_counts_for_its_lot() {
        List<String> ids = numbered(4);
        happens(ids.get(0), "POTTED", 600, Map.of("place", "bench 1")).expect(200);
        happens(ids.get(1), "DIED", 600, Map.of()).expect(200);
        happens(ids.get(2), "DISCARDED", 590, Map.of("note", "weak")).expect(200);

        JsonNode lot = lot();
        assertThat(lot.path("alive")
                        .valueStream()
                        .map(a -> a.path("stage").asString() + a.path("count").asInt()))
                .containsExactly("SOWN3", "UP6", "POTTED1");
        assertThat(lot.path("withoutNumber")
                        .valueStream()
                        .map(a -> a.path("stage").asString() + a.path("count").asInt()))
                .containsExactly("UP5");
        assertThat(lot.path("died").asInt()).isEqualTo(1);
        JsonNode river = api.get("/api/seed-lots/rivers").expect(200).body().get(0);
        assertThat(river.path("days").valueStream().map(d -> d.path("on").asString()))
                .containsExactly(ago(900), ago(800), ago(750), ago(600), ago(590));
        assertThat(river.path("days").get(4).path("alive")).isEqualTo(lot.path("alive"));
        assertThat(lot.path("discarded").asInt()).isEqualTo(1);
        // Those with a number are potted on their own pages.
        assertThat(step("POTTED", 580, 6, null).expect(400).errorAt("count")).contains("on its own page");
        step("POTTED", 580, 5, null).expect(200);

        JsonNode gone = seedling(ids.get(2));
        assertThat(gone.path("row").path("state").asString()).isEqualTo("DISCARDED");
        assertThat(gone.path("possible")).isEmpty();
        assertThat(happens(ids.get(2), "FLOWERED", 500, Map.of()).expect(400).errorAt("event"))
                .contains("discarded");
        assertThat(happens(ids.get(3), "SEEN", 701, Map.of()).expect(400).errorAt("on"))
                .contains("before it got its number");
        assertThat(seedling(ids.get(0)).path("row").path("place").asString()).isEqualTo("bench 1");

        // The step that others need stays; the last one can go, and then the seedling.
        happens(ids.get(0), "PLANTED", 300, Map.of("place", "row 3")).expect(200);
        JsonNode steps = seedling(ids.get(0)).path("happened");
        String potted = "/api/seedlings/" + ids.get(0) + "/steps/"
                + steps.get(0).path("id").asString() + "/void";
        api.post(potted, Map.of("version", 0, "reason", "x")).expect(204);
        assertThat(seedling(ids.get(0)).path("row").path("stage").asString()).isEqualTo("PLANTED");
        String died = seedling(ids.get(1)).path("happened").get(0).path("id").asString();
        api.post("/api/seedlings/" + ids.get(1) + "/steps/" + died + "/void", Map.of("version", 0, "reason", "lives"))
                .expect(204);
        api.post("/api/seedlings/" + ids.get(1) + "/void", Map.of("version", 0, "reason", "x"))
                .expect(204);
    }

    @Test
    void grafting_names_other_roots_and_brings_the_first_fruit_forward() {
        String one = numbered(1).get(0);
        String number = seedling(one).path("row").path("number").asString();
        String onOwnRoots = seedling(one).path("row").path("fruitFrom").asString();
        assertThat(happens(one, "GRAFTED", 300, Map.of()).expect(400).errorAt("rootstock"))
                .isNotBlank();
        assertThat(happens(one, "GRAFTED", 300, Map.of("rootstock", number))
                        .expect(400)
                        .errorAt("rootstock"))
                .contains("itself");
        assertThat(happens(one, "SEEN", 300, Map.of("rootstock", "dwarf"))
                        .expect(400)
                        .errorAt("rootstock"))
                .contains("grafting only");
        happens(one, "GRAFTED", 300, Map.of("rootstock", "dwarf 9")).expect(200);
        assertThat(seedling(one).path("row").path("fruitFrom").asString()).isLessThan(onOwnRoots);
        assertThat(happens(one, "MOVED", 200, Map.of()).expect(400).errorAt("place"))
                .isNotBlank();
    }

    @Test
    void a_selected_seedling_becomes_a_variety_with_its_parents_and_the_allele_that_is_certain() {
        String one = numbered(2).get(1);
        happens(one, "SELECTED", 20, Map.of()).expect(200);
        JsonNode before = seedling(one);
        // Only S3 grains grow on a mother that has S1: both kinds of seedlings have S3.
        assertThat(before.path("genotypes")
                        .valueStream()
                        .map(g -> g.path("alleles").asString() + " "
                                + g.path("share").asDouble()))
                .containsExactly("S1 S3 0.5", "S2 S3 0.5");
        assertThat(before.path("certainAlleles").asString()).isEqualTo("S3 ?");
        assertThat(before.path("inbreeding").asDouble()).isZero();

        String variety = Api.newId();
        Map<String, Object> name = Map.of("varietyId", variety, "name", "Lampwick");
        JsonNode named =
                api.put("/api/seedlings/" + one + "/variety", name).expect(200).body();
        assertThat(api.put("/api/seedlings/" + one + "/variety", name)
                        .expect(200)
                        .body())
                .isEqualTo(named);
        JsonNode made = api.get("/api/varieties")
                .expect(200)
                .body()
                .valueStream()
                .filter(v -> v.path("id").asString().equals(variety))
                .findFirst()
                .orElseThrow();
        assertThat(made.path("breeding").path("motherId").asString()).isEqualTo(harrow);
        assertThat(made.path("breeding").path("fatherId").asString()).isEqualTo(ember);
        assertThat(made.path("breeding").path("alleles").asString()).isEqualTo("S3 ?");
        assertThat(made.path("breeding").path("raisedIn").asInt())
                .isEqualTo(TODAY.minusDays(900).getYear());
        assertThat(api.put("/api/seedlings/" + one + "/variety", Map.of("varietyId", Api.newId(), "name", "Other"))
                        .expect(400)
                        .errorAt("name"))
                .contains("Lampwick");
        // A name that is taken, and a seedling that is gone, are refused; nothing is made.
        String other = numbered(1).get(0);
        api.put("/api/seedlings/" + other + "/variety", Map.of("varietyId", Api.newId(), "name", "Harrow"))
                .expect(400);
        happens(other, "DIED", 10, Map.of()).expect(200);
        assertThat(api.put("/api/seedlings/" + other + "/variety", Map.of("varietyId", Api.newId(), "name", "Late"))
                        .expect(400)
                        .errorAt("name"))
                .contains("left on");
    }

    @Test
    void labels_carry_number_and_parents_and_search_finds_the_seedling() throws Exception {
        List<String> ids = numbered(3);
        JsonNode sheet = api.post("/api/seedlings/labels", Map.of("ids", ids, "grid", "A4_3_BY_7"))
                .expect(200)
                .body();
        String text = new PDFTextStripper()
                .getText(Loader.loadPDF(
                        Base64.getDecoder().decode(sheet.path("pdf").asString())));
        String number = seedling(ids.get(2)).path("row").path("number").asString();
        assertThat(text).contains(number).contains("Harrow × Ember");
        assertThat(sheet.path("labels").asInt()).isEqualTo(3);
        // Nor is anything cut on the small labels that the page begins with.
        assertThat(api.post("/api/seedlings/labels", Map.of("ids", ids, "grid", "A4_5_BY_13"))
                        .expect(200)
                        .body()
                        .path("shortened"))
                .isEmpty();
        api.post("/api/seedlings/labels", Map.of("ids", List.of(Api.newId()), "grid", "A4_3_BY_7"))
                .expect(404);
        JsonNode hits = api.get("/api/search?q=" + number).expect(200).body();
        assertThat(hits.valueStream().map(h -> h.path("kind").asString())).contains("seedling");
    }

    @Test
    void scores_rank_plants_and_foretell_crosses_from_those_made() {
        String taste = trait("Taste", 1, 9, "HIGH", 2);
        String scab = trait("Scab", 0, 5, "LOW", 1);
        score("varietyId", harrow, Map.of(taste, 6.0, scab, 1.0)).expect(204);
        score("varietyId", ember, Map.of(taste, 8.0, scab, 3.0)).expect(204);
        List<String> ids = numbered(4);
        double[] tasted = {6, 7, 8, 7};
        for (int i = 0; i < 4; i++) {
            score("seedlingId", ids.get(i), Map.of(taste, tasted[i])).expect(204);
            score("seedlingId", ids.get(i), Map.of(taste, tasted[i])).expect(204);
        }
        JsonNode judging = api.get("/api/judging?crop=apple").expect(200).body();
        JsonNode first = judging.path("plants").get(0);
        assertThat(first.path("id").asString()).isIn(ids.get(2), ember);
        JsonNode agreement = judging.path("traits")
                .valueStream()
                .filter(t -> t.path("id").asString().equals(taste))
                .findFirst()
                .orElseThrow()
                .path("agreement");
        assertThat(agreement.path("share").asDouble()).isEqualTo(1);
        assertThat(agreement.path("plants").asInt()).isEqualTo(4);

        JsonNode crosses =
                api.get("/api/judging/crosses?crop=apple").expect(200).body();
        assertThat(crosses.path("compared").asInt()).isEqualTo(2);
        JsonNode made = crosses.path("pairs")
                .valueStream()
                .filter(p -> p.path("motherId").asString().equals(harrow))
                .findFirst()
                .orElseThrow();
        assertThat(texts(made.path("made"))).hasSize(1);
        JsonNode foretold = made.path("traits")
                .valueStream()
                .filter(t -> t.path("traitId").asString().equals(taste))
                .findFirst()
                .orElseThrow();
        assertThat(foretold.path("mean").asDouble()).isEqualTo(7);
        assertThat(foretold.has("slope")).isFalse();
        // Variance of 6, 7, 8, 7 is 2/3 by hand; qt(0.95, 3) = 2.353363435 (R 4.2).
        assertThat(foretold.path("oneUntil").asDouble()).isCloseTo(7 + 2.353363435 * Math.sqrt(2 / 3.0), within(1e-8));
    }

    @Test
    void a_score_stays_on_its_scale_and_none_is_given_to_what_is_gone() {
        String taste = trait("Taste", 1, 9, "HIGH", 1);
        String one = numbered(1).get(0);
        assertThat(score("seedlingId", one, Map.of(taste, 10.0)).expect(400).errorAt("scores[0].value"))
                .isNotBlank();
        happens(one, "DISCARDED", 30, Map.of()).expect(200);
        assertThat(score("seedlingId", one, Map.of(taste, 5.0)).expect(400).errorAt("on"))
                .contains("left on");
        assertThat(api.put("/api/traits/" + Api.newId(), traitBody("taste ", 1, 5, "LOW", 1))
                        .expect(400)
                        .errorAt("name"))
                .contains("already");
        assertThat(api.put("/api/traits/" + Api.newId(), traitBody("Colour", 5, 5, "NEITHER", 1))
                        .expect(400)
                        .errorAt("high"))
                .contains("above");

        score("varietyId", harrow, Map.of(taste, 7.0)).expect(204);
        JsonNode given = api.get("/api/scores?crop=apple&plant=" + harrow)
                .expect(200)
                .body()
                .path("scores");
        Map<String, Object> narrower = new HashMap<>(traitBody("Taste", 1, 6, "HIGH", 1));
        narrower.put("version", 0);
        assertThat(api.put("/api/traits/" + taste, narrower).expect(400).errorAt("high"))
                .contains("7.0");
        assertThat(api.post("/api/traits/" + taste + "/void", Map.of("version", 0, "reason", "x"))
                        .expect(400)
                        .errorAt("reason"))
                .contains("1 score");
        api.post(
                        "/api/scores/void",
                        Map.of("ids", List.of(given.get(0).path("id").asString()), "reason", "wrong tree"))
                .expect(204);
        api.post("/api/traits/" + taste + "/void", Map.of("version", 0, "reason", "x"))
                .expect(204);
    }

    private static Map<String, Object> traitBody(String name, double low, double high, String better, double weight) {
        return Map.of("crop", "apple", "name", name, "low", low, "high", high, "better", better, "weight", weight);
    }

    private String trait(String name, double low, double high, String better, double weight) {
        String id = Api.newId();
        api.put("/api/traits/" + id, traitBody(name, low, high, better, weight)).expect(204);
        return id;
    }

    private Api.Answer score(String of, String plant, Map<String, Double> values) {
        List<Map<String, Object>> scores = new ArrayList<>();
        values.forEach((trait, value) -> scores.add(Map.of("id", Api.newId(), "traitId", trait, "value", value)));
        return api.post("/api/scores", Map.of(of, plant, "on", ago(5), "taster", "Ines", "scores", scores));
    }
}
