package org.evenhand.mating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Who can father whom, as the orchard's own records have it. */
class MatesTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;

    private String variety(String crop, String name, Map<String, ?> breeding) {
        return api.put("/api/varieties/" + Api.newId(), Map.of("crop", crop, "name", name, "breeding", breeding))
                .expect(200)
                .id();
    }

    private Api.Answer change(String id, String crop, String name, int version, Map<String, ?> breeding) {
        return api.put(
                "/api/varieties/" + id, Map.of("crop", crop, "name", name, "version", version, "breeding", breeding));
    }

    private JsonNode pair(String mother, String father) {
        return api.get("/api/mates/pair?mother=" + mother + "&father=" + father)
                .expect(200)
                .body();
    }

    private String verdict(String mother, String father) {
        return pair(mother, father).path("answer").path("verdict").asString();
    }

    @Test
    void alleles_clones_and_ploidy_decide_and_every_cell_gives_its_reason() {
        String ember = variety("apple", "Ember", Map.of("alleles", "S1 S2"));
        String harrow = variety("apple", "Harrow", Map.of("alleles", "S1,S2"));
        String wick = variety("apple", "Wick", Map.of("alleles", "S2 S3"));
        String triple = variety("apple", "Tall Order", Map.of("alleles", "S4 S5 S6", "ploidy", 3));
        String sport = variety("apple", "Red Ember", Map.of("sportOfId", ember));
        String blank = variety("apple", "No Name", Map.of());

        assertThat(verdict(ember, harrow)).isEqualTo("NO");
        assertThat(verdict(ember, wick)).isEqualTo("PARTLY");
        assertThat(verdict(wick, triple)).isEqualTo("PARTLY");
        assertThat(verdict(triple, wick)).as("reciprocal").isEqualTo("YES");
        assertThat(verdict(ember, sport)).isEqualTo("NO");
        assertThat(verdict(ember, blank)).isEqualTo("UNKNOWN");
        assertThat(pair(ember, wick).path("answer").path("why").asString())
                .contains("S2")
                .contains("half the grains");
        assertThat(pair(wick, triple).path("reciprocal").path("verdict").asString())
                .isEqualTo("YES");
        assertThat(pair(ember, sport).path("kin").asString()).contains("One clone");

        JsonNode matrix =
                api.get("/api/mates").expect(200).body().path("groups").get(0);
        assertThat(matrix.path("mothers").size()).isEqualTo(6);
        int row = index(matrix.path("mothers"), "Ember");
        int column = index(matrix.path("fathers"), "Wick");
        assertThat(matrix.path("cells").get(row).asString().charAt(column)).isEqualTo('P');
    }

    private static int index(JsonNode parties, String name) {
        for (int i = 0; i < parties.size(); i++) {
            if (parties.get(i).path("name").asString().equals(name)) {
                return i;
            }
        }
        return -1;
    }

    @Test
    void alleles_that_no_seedling_of_the_parents_can_have_are_asked_about_and_kept() {
        String ember = variety("apple", "Ember", Map.of("alleles", "s1 s2"));
        String wick = variety("apple", "Wick", Map.of("alleles", "S3 S4"));
        String child = variety("apple", "Harrow", Map.of("motherId", ember, "fatherId", wick, "alleles", "S1 S2"));
        variety("apple", "Thorn", Map.of("motherId", ember, "fatherId", wick, "alleles", "S2 S4"));

        JsonNode doubts =
                api.get("/api/mates").expect(200).body().path("groups").get(0).path("doubts");
        assertThat(doubts.size()).isEqualTo(1);
        assertThat(doubts.get(0).asString())
                .contains("Harrow (S1 S2) cannot be a seedling of Ember (S1 S2) and pollen of Wick (S3 S4)");

        change(child, "apple", "Harrow", 0, Map.of("motherId", ember, "fatherId", wick, "alleles", "S1 S3"))
                .expect(200);
        assertThat(api.get("/api/mates")
                        .body()
                        .path("groups")
                        .get(0)
                        .path("doubts")
                        .size())
                .isZero();
    }

    @Test
    void seedlings_of_half_siblings_are_inbred_by_an_eighth() {
        String mother = variety("cherimoya", "Old Gate", Map.of());
        String one = variety("cherimoya", "Gate One", Map.of("motherId", mother));
        String two = variety("cherimoya", "Gate Two", Map.of("motherId", mother));

        // Wright's coefficient for half siblings: 1/8.
        assertThat(pair(one, two).path("inbreeding").asDouble()).isCloseTo(0.125, within(1e-12));
        assertThat(pair(one, two).path("kin").asString()).contains("12.5 %");
        assertThat(pair(mother, variety("cherimoya", "Stranger", Map.of()))
                        .path("inbreeding")
                        .asDouble())
                .isZero();
    }

    @Test
    void a_pedigree_that_cannot_be_is_refused_by_name_and_nothing_is_written() {
        String one = variety("cherimoya", "Gate One", Map.of("raisedIn", 1990));
        String two = variety("cherimoya", "Gate Two", Map.of("motherId", one));

        assertThat(change(one, "cherimoya", "Gate One", 0, Map.of("fatherId", two))
                        .expect(400)
                        .errorAt("pedigree"))
                .contains("Gate One ← Gate Two ← Gate One");
        assertThat(change(two, "cherimoya", "Gate Two", 0, Map.of("motherId", one, "raisedIn", 1980))
                        .expect(400)
                        .errorAt("pedigree"))
                .contains("'Gate Two' (1980) older than its parent 'Gate One' (1990)");
        assertThat(change(one, "cherimoya", "Gate One", 0, Map.of("alleles", "S1 S2"))
                        .expect(400)
                        .errorAt("alleles"))
                .contains("play no part");
        String ember = variety("apple", "Ember", Map.of());
        assertThat(change(ember, "apple", "Ember", 0, Map.of("alleles", "S1 S2 S3"))
                        .expect(400)
                        .errorAt("alleles"))
                .contains("are 3 (S1 S2 S3)");
        assertThat(change(ember, "apple", "Ember", 0, Map.of("motherId", one))
                        .expect(400)
                        .errorAt("motherId"))
                .contains("another crop");
        api.get("/api/varieties")
                .body()
                .forEach(v -> assertThat(v.path("version").asInt()).isZero());
    }

    @Test
    void what_is_unknown_is_allowed_and_learned_from_fruit() {
        String ember = variety("apple", "Ember", Map.of());
        String harrow = variety("apple", "Harrow", Map.of());
        String tree = api.tree(ember, "Ember 1");
        Instant then = now.minus(20, ChronoUnit.DAYS);
        String lot =
                api.lot(api.tree(harrow, "Harrow 1"), then, 200).expect(200).id();
        String done = api.pollinate(tree, lot, 60, then).expect(200).id();
        assertThat(verdict(ember, harrow)).isEqualTo("UNKNOWN");

        api.check(done, now, 0, 60, 0).expect(200);

        JsonNode learned = pair(ember, harrow);
        assertThat(learned.path("answer").path("verdict").asString()).isEqualTo("NO");
        assertThat(learned.path("answer").path("why").asString()).contains("0 of 60 flowers set");
        assertThat(verdict(harrow, ember))
                .as("the reciprocal is another question")
                .isEqualTo("UNKNOWN");
        assertThat(api.pollinate(tree, lot, 1, now).expect(400).errorAt("lotId"))
                .contains("0 of 60 flowers set");
    }

    @Test
    void a_jar_names_the_trees_it_serves_and_a_tree_its_jars() {
        String ember = variety("apple", "Ember", Map.of("alleles", "S1 S2"));
        String harrow = variety("apple", "Harrow", Map.of("alleles", "S3 S4"));
        String taker = api.tree(ember, "Ember 1");
        String giver = api.tree(harrow, "Harrow 1");
        String lot = api.lot(giver, now, 20).expect(200).id();

        JsonNode served = api.get("/api/lots/" + lot + "/serves").expect(200).body();
        assertThat(served.get(0).path("tree").asString()).isEqualTo("Ember 1");
        assertThat(served.get(1).path("answer").path("verdict").asString()).isEqualTo("NO");

        JsonNode servers =
                api.get("/api/trees/" + taker + "/servers").expect(200).body();
        assertThat(servers.path("jars").get(0).path("lot").path("code").asString())
                .isEqualTo("HA-01");
        assertThat(servers.path("jars").get(0).path("answer").path("verdict").asString())
                .isEqualTo("YES");
    }

    @Test
    void a_cross_request_whose_blooms_do_not_meet_gets_a_bridge() {
        String early = variety("cherimoya", "Early Bell", Map.of());
        String late = variety("cherimoya", "Late Bell", Map.of());
        int year = now.atZone(java.time.ZoneOffset.UTC).getYear();
        bloom(early, year, "09-01", "09-06", "09-12");
        bloom(late, year, "09-26", "09-29", "10-03");
        Map<String, Object> crossRequest = new HashMap<>(Map.of("motherId", late, "fatherId", early, "flowers", 40));

        String id = Api.newId();
        JsonNode made =
                api.put("/api/cross-requests/" + id, crossRequest).expect(200).body();

        JsonNode bridge = made.path("bridge");
        assertThat(bridge.path("kind").asString()).isEqualTo("KEEP");
        assertThat(bridge.path("nextSeason").asBoolean())
                .as("in late November its days in September are over")
                .isTrue();
        assertThat(bridge.path("collectFrom").asString()).startsWith(year + 1 + "-09");
        assertThat(bridge.path("days").asInt()).isBetween(8, 30);
        JsonNode best = bridge.path("choices").get(0);
        assertThat(best.path("storage").asString()).isEqualTo("FREEZER");
        double last = best.path("last").asDouble();
        assertThat(best.path("doses").asInt()).isEqualTo((int) Math.ceil(40 * 0.5 / last - 1e-9));
        assertThat(best.path("flowersToCollect").asInt() * 4)
                .isGreaterThanOrEqualTo(best.path("doses").asInt());
        assertThat(bridge.path("choices").get(3).path("useful").asBoolean()).isFalse();

        assertThat(api.put("/api/cross-requests/" + Api.newId(), crossRequest)
                        .expect(400)
                        .errorAt("fatherId"))
                .contains("wanted for this mother already");
        crossRequest.put("version", 0);
        crossRequest.put("flowers", 80);
        assertThat(api.put("/api/cross-requests/" + id, crossRequest)
                        .expect(200)
                        .body()
                        .path("flowers")
                        .asInt())
                .isEqualTo(80);
        api.post("/api/cross-requests/" + id + "/void", Api.voiding(1)).expect(204);
        assertThat(api.get("/api/cross-requests").body().size()).isZero();
    }

    private void bloom(String variety, int year, String first, String full, String last) {
        api.put(
                        "/api/bloom-dates/" + Api.newId(),
                        Map.of(
                                "varietyId", variety,
                                "year", year,
                                "firstBloom", year + "-" + first,
                                "fullBloom", year + "-" + full,
                                "lastBloom", year + "-" + last))
                .expect(200);
    }

    @Test
    void the_round_asks_for_cleaning_between_two_fathers_and_counts_a_blend_by_its_parts() {
        String lantern = api.variety("Lantern");
        String ridge = api.variety("Pale Ridge");
        String one = api.tree(lantern, "Lantern 1");
        String two = api.tree(ridge, "Pale Ridge 1");
        api.read(one, now, Map.of("half-open", 4)).expect(200);
        api.read(two, now, Map.of("half-open", 4)).expect(200);
        api.lot(one, now, 4).expect(200);
        api.lot(two, now, 4).expect(200);

        JsonNode stops = api.get("/api/round?at=" + now.plusSeconds(60))
                .expect(200)
                .body()
                .path("stops");

        assertThat(stops.size()).isEqualTo(2);
        assertThat(stops.get(0).path("cleanBefore").size()).isZero();
        assertThat(List.of(stops.get(1).path("cleanBefore").get(0).asString()).toString())
                .contains("brush");
    }
}
