package org.evenhand.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
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
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Seeds from the harvested fruit over cold and tray to pots and the orchard. */
class SeedLotTest {
    private static final LocalDate TODAY =
            TestServer.NOW.atZone(ZoneId.of("Pacific/Auckland")).toLocalDate();

    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private String mother;
    private String cross;

    @BeforeEach
    void aCross() {
        String harrow = api.variety("apple", "Harrow");
        String ember = api.variety("apple", "Ember");
        mother = api.tree(harrow, "Harrow 1");
        cross = Api.newId();
        api.put("/api/crosses/" + cross, Map.of("treeId", mother, "fatherId", ember, "planned", 9))
                .expect(200);
    }

    private static LocalDate ago(int days) {
        return TODAY.minusDays(days);
    }

    private Map<String, Object> lot(int seeds, LocalDate harvest) {
        return new HashMap<>(Map.of(
                "treeId",
                mother,
                "crossId",
                cross,
                "harvestedOn",
                harvest.toString(),
                "fruits",
                10,
                "seeds",
                seeds,
                "emptySeeds",
                3));
    }

    private String newLot(int seeds, LocalDate harvest) {
        return api.put("/api/seed-lots/" + Api.newId(), lot(seeds, harvest))
                .expect(200)
                .id();
    }

    private static Map<String, Object> step(String step, LocalDate on, int count) {
        return new HashMap<>(Map.of("step", step, "on", on.toString(), "count", count));
    }

    private Api.Answer put(String lot, Map<String, Object> step) {
        return api.put("/api/seed-lots/" + lot + "/steps/" + Api.newId(), step);
    }

    private JsonNode read(String lot) {
        return api.get("/api/seed-lots/" + lot).expect(200).body();
    }

    private static List<String> said(JsonNode list, String name) {
        return list.valueStream()
                .map(n -> n.path(name).asString() + " " + n.path("count").asInt())
                .toList();
    }

    private String lastStep(String lot) {
        JsonNode done = read(lot).path("done");
        return done.get(done.size() - 1).path("id").asString();
    }

    @Test
    void seeds_become_trees_step_by_step_and_each_step_says_what_is_due() {
        LocalDate harvest = ago(250);
        String lot = newLot(40, harvest);
        assertThat(read(lot).path("label").asString()).isEqualTo("S%02d-1".formatted(harvest.getYear() % 100));
        assertThat(read(lot).path("cross").asString()).endsWith("-1");
        assertThat(read(lot).path("father").asString()).isEqualTo("Ember");
        assertThat(said(read(lot).path("tasks"), "kind")).containsExactly("COOL 40");

        put(lot, step("COOLED", ago(200), 40)).expect(200);
        assertThat(said(read(lot).path("tasks"), "kind")).containsExactly("LOOK 40", "SOW 40");
        Map<String, Object> mould = step("DIED", ago(180), 4);
        assertThat(put(lot, mould).expect(400).errorAt("at")).contains("say where they were");
        mould.put("at", "COLD");
        put(lot, mould).expect(200);
        put(lot, step("SOWN", ago(100), 36)).expect(200);
        put(lot, step("CAME_UP", ago(60), 20)).expect(200);
        JsonNode up = put(lot, step("CAME_UP", ago(40), 5)).expect(200).body();

        assertThat(said(up.path("alive"), "stage")).containsExactly("SOWN 11", "UP 25");
        assertThat(up.path("died").asInt()).isEqualTo(4);
        JsonNode last = up.path("germination").get(1);
        assertThat(last.path("up").asInt()).isEqualTo(25);
        assertThat(last.path("share").asDouble()).isCloseTo(25 / 36.0, within(1e-12));
        assertThat(last.path("from").asDouble()).isLessThan(25 / 36.0);
        // Eight weeks after sowing nothing more comes up.
        assertThat(said(up.path("tasks"), "kind")).contains("CLOSE 11", "POT 25");
        assertThat(up.path("tasks").get(0).path("due").asBoolean()).isTrue();
        List<String> today = api.get("/api/plan?days=1")
                .expect(200)
                .body()
                .path("due")
                .valueStream()
                .filter(d -> d.path("kind").asString().equals("SEEDS"))
                .map(d -> d.path("subject").asString() + " " + d.path("task").asString())
                .toList();
        assertThat(today).contains(up.path("label").asString() + " CLOSE");
    }

    @Test
    void more_than_are_there_days_to_come_and_seeds_that_cannot_be_are_refused_or_asked() {
        String lot = newLot(20, ago(100));
        put(lot, step("SOWN", ago(90), 12)).expect(200);
        assertThat(put(lot, step("POTTED", ago(50), 1)).expect(400).errorAt("count"))
                .contains("only 0 were there to be potted");
        assertThat(put(lot, step("SOWN", ago(101), 2)).expect(400).errorAt("on"))
                .contains("before the harvest");
        assertThat(put(lot, step("SOWN", TODAY.plusDays(1), 2)).expect(400).errorAt("on"))
                .contains("still to come");

        Map<String, Object> many = lot(200, ago(10));
        api.put("/api/seed-lots/" + Api.newId(), many).expect(409);
        many.put("confirmed", List.of("more-seeds-than-ovules"));
        api.put("/api/seed-lots/" + Api.newId(), many).expect(200);

        Map<String, Object> others = lot(5, ago(10));
        others.put("treeId", api.tree(api.variety("apple", "Marl"), "Marl 1"));
        assertThat(api.put("/api/seed-lots/" + Api.newId(), others).expect(400).errorAt("crossId"))
                .contains("another tree");
    }

    @Test
    void a_step_is_corrected_removed_and_put_back_only_where_the_later_ones_go_with_that() {
        String lot = newLot(20, ago(200));
        put(lot, step("SOWN", ago(190), 20)).expect(200);
        String sowing = lastStep(lot);
        put(lot, step("CAME_UP", ago(150), 15)).expect(200);
        String cameUp = lastStep(lot);
        put(lot, step("POTTED", ago(90), 12)).expect(200);

        String path = "/api/seed-lots/" + lot + "/steps/";
        assertThat(api.post(path + sowing + "/void", Api.voiding(0)).expect(400).errorAt("reason"))
                .contains("later steps need this one");
        Map<String, Object> fewer = step("CAME_UP", ago(150), 11);
        fewer.put("version", 0);
        assertThat(api.put(path + cameUp, fewer).expect(400).errorAt("count")).contains("only 11 were there");
        fewer.put("count", 13);
        assertThat(said(api.put(path + cameUp, fewer).expect(200).body().path("alive"), "stage"))
                .containsExactly("SOWN 7", "UP 1", "POTTED 12");
        api.put(path + cameUp, fewer).expect(409);

        String potted = lastStep(lot);
        api.post(path + potted + "/void", Api.voiding(0)).expect(204);
        assertThat(said(read(lot).path("alive"), "stage")).containsExactly("SOWN 7", "UP 13");
        api.post("/api/story/seed-step/" + potted + "/restore", Map.of("version", 1))
                .expect(204);
        assertThat(said(read(lot).path("alive"), "stage")).containsExactly("SOWN 7", "UP 1", "POTTED 12");
        assertThat(api.post("/api/seed-lots/" + lot + "/void", Api.voiding(0))
                        .expect(400)
                        .errorAt("reason"))
                .contains("3 steps of this lot");
        assertThat(api.get("/api/story?tree=" + mother).expect(200).body().toString())
                .contains("\"seed-lot\"", "\"seed-step\"");
        Map<String, Object> smaller = lot(12, ago(200));
        smaller.put("version", 0);
        assertThat(api.put("/api/seed-lots/" + lot, smaller).expect(400).errorAt("count"))
                .contains("is 20, but");
    }

    @Test
    void of_two_who_pot_the_same_seedlings_at_once_one_is_refused() throws Exception {
        String lot = newLot(20, ago(200));
        put(lot, step("SOWN", ago(190), 20)).expect(200);
        put(lot, step("CAME_UP", ago(150), 10)).expect(200);
        ExecutorService helpers = Executors.newFixedThreadPool(4);
        List<Future<Api.Answer>> answers = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            answers.add(helpers.submit(() -> put(lot, step("POTTED", ago(90), 6))));
        }
        int potted = 0;
        for (Future<Api.Answer> answer : answers) {
            potted += answer.get().status() == 200 ? 1 : 0;
        }
        helpers.shutdown();
        assertThat(potted).isEqualTo(1);
        assertThat(said(read(lot).path("alive"), "stage")).containsExactly("SOWN 10", "UP 4", "POTTED 6");
    }

    @Test
    void seeds_of_harvested_fruits_are_offered_until_they_are_in_a_lot() {
        Instant at = now.minus(Duration.ofDays(20));
        for (int seeds : List.of(8, 6)) {
            api.put(
                            "/api/fruits/" + Api.newId(),
                            Map.of(
                                    "treeId",
                                    mother,
                                    "end",
                                    Map.of("kind", "HARVESTED", "at", at.toString(), "seeds", seeds, "emptySeeds", 1)))
                    .expect(200);
        }
        JsonNode source =
                api.get("/api/seed-lots").expect(200).body().path("sources").get(0);
        assertThat(source.path("seeds").asInt()).isEqualTo(12);
        assertThat(source.path("emptySeeds").asInt()).isEqualTo(2);
        assertThat(source.path("fruits").asInt()).isEqualTo(2);
        assertThat(source.has("father")).as("nobody knows the father").isFalse();

        Map<String, Object> part =
                lot(9, LocalDate.parse(source.path("harvestedOn").asString()));
        part.remove("crossId");
        part.put("fruits", 2);
        api.put("/api/seed-lots/" + Api.newId(), part).expect(200);
        assertThat(api.get("/api/seed-lots")
                        .body()
                        .path("sources")
                        .get(0)
                        .path("seeds")
                        .asInt())
                .isEqualTo(3);
    }

    /** Oracle of the seeds: SeedDemandTest; here that fruits and flowers follow by the sheet's numbers. */
    @Test
    void judged_trees_are_turned_back_into_seeds_fruits_and_flowers() {
        JsonNode before =
                api.get("/api/seed-lots/demand?crop=apple&trees=10").expect(200).body();
        int from = before.path("seeds").path("from").asInt();
        int until = before.path("seeds").path("until").asInt();
        assertThat(from).isLessThan(until);
        assertThat(before.path("fruits").path("until").asInt()).isEqualTo((int) Math.ceil(until / 5.0));
        JsonNode sheet = before.path("flowers").get(0);
        assertThat(sheet.path("flowers").path("until").asInt())
                .isEqualTo((int) Math.ceil(before.path("fruits").path("until").asInt() / 0.3));
        assertThat(before.path("flowers").size()).as("and by both schools").isEqualTo(3);
        assertThat(before.path("judgedIn").asInt()).isEqualTo(TODAY.getYear() + 5);

        String lot = newLot(40, ago(300));
        put(lot, step("SOWN", ago(200), 40)).expect(200);
        put(lot, step("CAME_UP", ago(150), 39)).expect(200);
        JsonNode after =
                api.get("/api/seed-lots/demand?crop=apple&trees=10").expect(200).body();
        assertThat(after.path("seeds").path("until").asInt()).isLessThan(until);
        assertThat(after.path("steps").get(0).path("lived").asInt()).isEqualTo(39);
        assertThat(api.get("/api/seed-lots/demand?crop=rare-dioecious-female&trees=10")
                        .expect(400)
                        .errorAt("crop"))
                .contains("does not say how its seeds are raised");
        api.get("/api/seed-lots/demand?crop=apple&trees=0").expect(400);
        api.get("/api/seed-lots/demand?crop=turnip&trees=3").expect(400);
    }

    @Test
    void labels_carry_the_lot_its_parents_and_an_address_to_scan() throws Exception {
        String lot = newLot(20, ago(200));
        JsonNode sheet = api.post("/api/seed-lots/" + lot + "/labels", Map.of("grid", "A4_3_BY_7", "copies", 3))
                .expect(200)
                .body();
        assertThat(sheet.path("labels").asInt()).isEqualTo(3);
        try (var pdf =
                Loader.loadPDF(Base64.getDecoder().decode(sheet.path("pdf").asString()))) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains(read(lot).path("label").asString())
                    .contains("Harrow × Ember");
        }
        assertThat(api.post("/api/seed-lots/" + lot + "/labels", Map.of("grid", "A4_3_BY_7", "copies", 3, "skip", 21))
                        .expect(400)
                        .errorAt("skip"))
                .isNotBlank();
    }
}
