package org.evenhand.mating;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Many crosses in one table: the same answers as one by one, and what all of it takes. */
class ManyCrossesTest {
    private Api api = TestServer.get().newOrchard();
    private final List<String> mothers = new ArrayList<>();
    private final List<String> fathers = new ArrayList<>();

    private String variety(String name, String alleles, int bloomDay) {
        String id = api.put(
                        "/api/varieties/" + Api.newId(),
                        Map.of("crop", "apple", "name", name, "breeding", Map.of("alleles", alleles)))
                .expect(200)
                .id();
        for (int year = 2024; year <= 2025; year++) {
            api.put(
                            "/api/bloom-dates/" + Api.newId(),
                            Map.of(
                                    "varietyId",
                                    id,
                                    "year",
                                    year,
                                    "firstBloom",
                                    year + "-10-" + bloomDay,
                                    "fullBloom",
                                    year + "-10-" + (bloomDay + 4),
                                    "lastBloom",
                                    year + "-10-" + (bloomDay + 8)))
                    .expect(200);
        }
        return id;
    }

    private void orchard(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 6; i++) {
            String mother = variety(
                    "Mother " + i,
                    "S" + (1 + random.nextInt(3)) + " S" + (4 + random.nextInt(2)),
                    10 + random.nextInt(10));
            api.tree(mother, "Mother tree " + i);
            mothers.add(mother);
        }
        for (int i = 0; i < 3; i++) {
            fathers.add(variety(
                    "Father " + i,
                    "S" + (1 + random.nextInt(3)) + " S" + (4 + random.nextInt(2)),
                    10 + random.nextInt(10)));
        }
    }

    private JsonNode many(int flowers, List<Map<String, String>> leftOut) {
        return api.post(
                        "/api/mates/many",
                        Map.of("mothers", mothers, "fathers", fathers, "flowers", flowers, "leftOut", leftOut))
                .expect(200)
                .body();
    }

    private static int sum(JsonNode of, String field) {
        return of.valueStream().mapToInt(f -> f.path(field).asInt()).sum();
    }

    @Test
    void every_pair_is_answered_as_the_pair_alone_and_the_sums_are_those_of_the_rows() {
        for (long seed = 3; seed < 5; seed++) {
            mothers.clear();
            fathers.clear();
            api = TestServer.get().newOrchard();
            orchard(seed);
            JsonNode all = many(20, List.of());
            Map<String, String> alone = new HashMap<>();
            int fit = 0;
            for (String mother : mothers) {
                for (String father : fathers) {
                    String verdict = api.get("/api/mates/pair?mother=" + mother + "&father=" + father)
                            .expect(200)
                            .body()
                            .path("answer")
                            .path("verdict")
                            .asString();
                    alone.put(mother + father, verdict);
                    fit += verdict.equals("YES") || verdict.equals("PARTLY") ? 1 : 0;
                }
            }

            assertThat(all.path("pairs").asInt()).isEqualTo(18);
            assertThat(all.path("fit").asInt()).isEqualTo(fit).isBetween(1, 17);
            all.path("rows")
                    .forEach(r -> assertThat(r.path("verdict").asString())
                            .isEqualTo(alone.get(r.path("motherId").asString()
                                    + r.path("fatherId").asString())));
            int meant = all.path("meant").asInt();
            assertThat(meant).as("their blooms meet").isPositive();
            assertThat(sum(all.path("fathers"), "crosses")).isEqualTo(meant);
            assertThat(sum(all.path("fathers"), "flowers")).isEqualTo(20 * meant);
            assertThat(sum(all.path("fathers"), "doses"))
                    .isEqualTo(all.path("rows")
                            .valueStream()
                            .filter(r -> r.path("meant").asBoolean())
                            .mapToInt(r -> r.path("doses").asInt())
                            .sum());
        }
    }

    @Test
    void what_is_left_out_is_not_counted_and_what_is_meant_is_wanted_at_one_stroke_and_taken_back_at_one() {
        orchard(3);
        JsonNode before = many(10, List.of());
        JsonNode first = before.path("rows").get(0);
        assertThat(first.path("meant").asBoolean()).isTrue();
        JsonNode fewer = many(
                10,
                List.of(Map.of(
                        "motherId",
                        first.path("motherId").asString(),
                        "fatherId",
                        first.path("fatherId").asString())));
        assertThat(fewer.path("meant").asInt()).isEqualTo(before.path("meant").asInt() - 1);

        List<Map<String, Object>> crosses = before.path("rows")
                .valueStream()
                .filter(r -> r.path("meant").asBoolean())
                .map(r -> Map.<String, Object>of(
                        "id",
                        Api.newId(),
                        "motherId",
                        r.path("motherId").asString(),
                        "fatherId",
                        r.path("fatherId").asString(),
                        "flowers",
                        10))
                .toList();
        Map<String, Object> body = Map.of("crosses", crosses);
        assertThat(api.post("/api/cross-requests", body)
                        .expect(200)
                        .body()
                        .path("written")
                        .asInt())
                .isEqualTo(crosses.size());
        assertThat(api.post("/api/cross-requests", body)
                        .expect(200)
                        .body()
                        .path("written")
                        .asInt())
                .as("sent once more")
                .isZero();
        assertThat(many(10, List.of()).path("meant").asInt()).isZero();
        assertThat(api.get("/api/cross-requests").expect(200).body().size()).isEqualTo(crosses.size());

        Map<String, Object> removal =
                Map.of("ids", crosses.stream().map(c -> c.get("id")).toList(), "reason", "undone right after");
        api.post("/api/cross-requests/void", removal).expect(204);
        assertThat(many(10, List.of()).path("meant").asInt()).isEqualTo(crosses.size());
    }

    @Test
    void where_the_bloom_is_not_known_nothing_is_begun_unasked() {
        fathers.add(api.variety("Nobody saw it"));
        String lantern = api.variety("Lantern");
        api.tree(lantern, "Lantern 1");
        mothers.add(lantern);
        JsonNode row = many(10, List.of()).path("rows").get(0);
        assertThat(row.has("kind")).isFalse();
        assertThat(row.path("possible").asBoolean()).isTrue();
        assertThat(row.path("meant").asBoolean()).isFalse();

        JsonNode asked = api.post(
                        "/api/mates/many",
                        Map.of(
                                "mothers",
                                mothers,
                                "fathers",
                                fathers,
                                "flowers",
                                10,
                                "also",
                                List.of(Map.of("motherId", lantern, "fatherId", fathers.get(0)))))
                .expect(200)
                .body();
        assertThat(asked.path("meant").asInt()).isEqualTo(1);
        assertThat(asked.path("fathers").get(0).path("doses").asInt()).isEqualTo(10);
    }

    @Test
    void one_that_cannot_be_refuses_all_and_names_its_line() {
        orchard(3);
        JsonNode row = many(10, List.of()).path("rows").get(0);
        Map<String, Object> good = Map.of(
                "id",
                Api.newId(),
                "motherId",
                row.path("motherId").asString(),
                "fatherId",
                row.path("fatherId").asString(),
                "flowers",
                10);
        Map<String, Object> self = new HashMap<>(good);
        self.put("id", Api.newId());
        self.put("fatherId", good.get("motherId"));

        assertThat(api.post("/api/cross-requests", Map.of("crosses", List.of(good, self)))
                        .expect(400)
                        .errorAt("crosses[1].fatherId"))
                .contains("does not serve");
        assertThat(api.get("/api/cross-requests").expect(200).body().size()).isZero();
        api.post("/api/mates/many", Map.of("mothers", List.of(Api.newId()), "fathers", fathers, "flowers", 1))
                .expect(400)
                .errorAt("mothers");
    }
}
