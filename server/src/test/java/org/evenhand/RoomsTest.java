package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What each room answers, beyond the evening's straight path. */
class RoomsTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    @Test
    void light_tells_sun_and_warmth_of_the_orchards_own_place() {
        JsonNode light = api.get("/api/light?from=2026-11-24T02:40:00Z&hours=24")
                .expect(200)
                .body();

        JsonNode sun = light.path("suns").get(0);
        // PyEphem 4.1.4 for 35.3° S 173.9° E on 24 November 2026: sunset 20:17 local, within a minute.
        Instant sunset = Instant.parse(sun.path("sunset").asString());
        assertThat(Duration.between(Instant.parse("2026-11-24T07:17:30Z"), sunset)
                        .abs())
                .isLessThan(Duration.ofMinutes(1));
        assertThat(light.path("celsius").size()).isEqualTo(49);
        assertThat(light.path("celsius").get(0).asDouble()).isBetween(20.0, 24.0);
        assertThat(light.path("weather").get(0).path("source").asString()).isEqualTo("USUAL");
        assertThat(api.get("/api/light?hours=9999").expect(400).errorAt("hours"))
                .contains("is 9999; allowed is 1 to 336");
        assertThat(api.get("/api/light?from=yesterday").expect(400).errorAt("from"))
                .contains("cannot be read");
    }

    @Test
    void a_time_zone_that_the_longitude_contradicts_is_asked_about_until_one_of_them_is_put_right() {
        assertThat(api.get("/api/orchard").expect(200).body().has("zoneDoubt")).isFalse();
        // The longitude was typed as if counted from elsewhere.
        Map<String, Object> place = Api.place("Tern Flat", -35.3, -90.0, "Pacific/Auckland");

        assertThat(api.put("/api/orchard", place)
                        .expect(200)
                        .body()
                        .path("zoneDoubt")
                        .asString())
                .contains("longitude -90.00°")
                .contains("Pacific/Auckland")
                .contains("6 hours behind the sun");

        place.put("longitude", 173.9);
        place.put("version", 1);
        assertThat(api.put("/api/orchard", place).expect(200).body().has("zoneDoubt"))
                .isFalse();
    }

    @Test
    void before_there_is_an_orchard_its_typical_year_is_guessed_from_the_latitude() {
        Api stranger = new Api(TestServer.get().address());
        JsonNode north =
                stranger.get("/api/typical-year?latitude=50").expect(200).body();
        JsonNode south =
                stranger.get("/api/typical-year?latitude=-50").expect(200).body();
        assertThat(north.size()).isEqualTo(12);
        assertThat(north.get(6)).isEqualTo(south.get(0));
        assertThat(north.get(6).path("maximumC").asDouble())
                .isGreaterThan(north.get(0).path("maximumC").asDouble() + 15);
        assertThat(stranger.get("/api/typical-year?latitude=91").expect(400).errorAt("latitude"))
                .contains("-90 to 90");
    }

    @Test
    void a_far_northern_orchard_in_polar_night_is_still_forecast() {
        Map<String, Object> north = Api.place("Glass House", 78.2, 15.6, "Europe/Oslo");
        api.put("/api/orchard", north).expect(200);
        api.read(taker, now, Map.of("parted", 9, "shedding", 4)).expect(200);

        JsonNode light =
                api.get("/api/light?from=2026-12-21T10:00:00Z").expect(200).body();
        assertThat(light.path("suns").get(0).path("alwaysDark").asBoolean()).isTrue();
        assertThat(light.path("suns").get(0).has("sunset")).isFalse();
        JsonNode row =
                api.get("/api/bloom?hours=24").expect(200).body().path("trees").get(1);
        assertThat(row.path("receptive").path("mean").get(48).asDouble())
                .as("no gate opens without a sunset")
                .isGreaterThan(4);
    }

    @Test
    void a_tree_that_was_not_read_lately_has_no_ribbon() {
        assertThat(api.get("/api/bloom?hours=6")
                        .expect(200)
                        .body()
                        .path("everRead")
                        .asBoolean())
                .isFalse();
        api.read(giver, now.minus(Duration.ofDays(15)), Map.of("parted", 9)).expect(200);

        JsonNode bloom = api.get("/api/bloom?hours=6").expect(200).body();

        assertThat(bloom.path("trees").size()).isEqualTo(2);
        assertThat(bloom.path("trees").get(0).path("receptive").path("mean").isEmpty())
                .isTrue();
        assertThat(bloom.path("trees").get(0).has("reading")).isFalse();
        assertThat(bloom.path("everRead").asBoolean()).isTrue();
        assertThat(bloom.path("receptiveNow").asDouble()).isZero();
        assertThat(api.get("/api/bloom?hours=0").expect(400).errorAt("hours")).contains("allowed is 1 to 240");
    }

    @Test
    void the_latest_of_several_readings_counts_and_a_voided_one_does_not() {
        api.read(taker, now.minus(Duration.ofHours(30)), Map.of("half-open", 20))
                .expect(200);
        String late = api.read(taker, now, Map.of("half-open", 3)).expect(200).id();
        assertThat(receptiveNow()).isCloseTo(3, within(0.1));

        api.post("/api/readings/" + late + "/void", Api.voiding(0)).expect(204);

        assertThat(receptiveNow()).isNotCloseTo(3, within(0.1));
        assertThat(api.get("/api/trees/" + taker + "/readings").body().size()).isEqualTo(1);
    }

    private double receptiveNow() {
        return api.get("/api/bloom?hours=1")
                .expect(200)
                .body()
                .path("receptiveNow")
                .asDouble();
    }

    @Test
    void jars_get_running_codes_and_doses_from_the_sheet_or_the_grower() {
        Map<String, Object> body = new HashMap<>(Api.lotBody(giver, now, 5));
        body.remove("doses");

        assertThat(api.put("/api/lots/" + Api.newId(), body)
                        .expect(200)
                        .body()
                        .path("code")
                        .asString())
                .isEqualTo("LA-01");
        JsonNode second = api.put("/api/lots/" + Api.newId(), body).expect(200).body();
        assertThat(second.path("code").asString()).isEqualTo("LA-02");
        assertThat(second.path("dosesCollected").asInt())
                .as("three flowers of four")
                .isEqualTo(12);
        assertThat(api.lot(taker, now, 7).body().path("code").asString()).isEqualTo("PR-01");
        body.put("doses", 0);
        assertThat(api.put("/api/lots/" + Api.newId(), body).expect(400).errorAt("doses"))
                .contains("is 0; allowed is 1");
        body.remove("doses");
        body.put("sources", List.of());
        assertThat(api.put("/api/lots/" + Api.newId(), body).expect(400).errorAt("sources"))
                .contains("are none");
    }

    @Test
    void viability_falls_with_the_hours_and_damp_pollen_in_the_fridge_is_mouldy_after_a_day() {
        Map<String, Object> body = new HashMap<>(Api.lotBody(giver, now.minus(Duration.ofHours(26)), 5));
        JsonNode dry =
                api.put("/api/lots/" + Api.newId(), body).expect(200).body().path("viability");
        body.put("storage", "FRIDGE");
        JsonNode damp =
                api.put("/api/lots/" + Api.newId(), body).expect(200).body().path("viability");

        // 0.5 · 2^(−26/96) = 0.4144 by hand; told is the mean of what is believed, a little below the course in the
        // middle.
        assertThat(dry.path("share").asDouble()).isBetween(0.4094, 0.4144);
        assertThat(dry.path("spoiled").asBoolean()).isFalse();
        assertThat(damp.path("share").asDouble()).isZero();
        assertThat(damp.path("spoiled").asBoolean()).isTrue();
        assertThat(damp.has("goodUntil")).isFalse();
    }

    @Test
    void a_spoiled_jar_is_not_planned_and_a_good_one_is() {
        api.read(taker, now, Map.of("half-open", 9)).expect(200);
        Map<String, Object> damp = new HashMap<>(Api.lotBody(giver, now.minus(Duration.ofHours(40)), 30));
        damp.put("storage", "FRIDGE");
        api.put("/api/lots/" + Api.newId(), damp).expect(200);

        JsonNode without =
                api.get("/api/round?at=" + now.plusSeconds(9)).expect(200).body();
        assertThat(without.path("stops").isEmpty()).isTrue();
        assertThat(without.path("left").get(0).path("flowers").asInt()).isEqualTo(9);
        assertThat(without.path("left").get(0).path("reason").asString()).isEqualTo("NO_POLLEN");

        api.lot(giver, now.minusSeconds(60), 30).expect(200);
        JsonNode round =
                api.get("/api/round?at=" + now.plusSeconds(9)).expect(200).body();
        assertThat(round.path("stops").get(0).path("flowers").asInt()).isEqualTo(9);
        assertThat(round.path("cautions").size()).isPositive();
    }

    @Test
    void the_good_hours_wait_for_the_first_pollen_where_the_shelf_is_empty() {
        api.read(giver, now, Map.of("half-open", 12)).expect(200);
        api.read(taker, now, Map.of("parted", 30)).expect(200);

        JsonNode round = api.get("/api/round").expect(200).body();
        JsonNode row =
                api.get("/api/bloom?hours=48").expect(200).body().path("trees").get(0);

        Instant from = Instant.parse(round.path("bestHours").path("from").asString());
        Instant firstPollen =
                Instant.parse(row.path("nextShedding").path("from").asString());
        assertThat(Duration.between(from, firstPollen).abs()).isLessThanOrEqualTo(Duration.ofMinutes(30));
        assertThat(round.path("collect").get(0).path("variety").asString()).isEqualTo("Lantern");
        assertThat(round.path("stops").get(0).has("collectOf")).isTrue();
    }

    @Test
    void a_look_taken_on_its_day_makes_way_for_the_next_and_the_last_one_ends_it() {
        String lot =
                api.lot(giver, now.minus(Duration.ofDays(14)), 9).expect(200).id();
        String done = api.pollinate(taker, lot, 4, now.minus(Duration.ofDays(13)))
                .expect(200)
                .id();

        api.check(done, now.minus(Duration.ofDays(12)), 0, 1, 3).expect(200);
        assertThat(dueName()).as("too early a look does not count").isEqualTo("First check");
        api.check(done, now.minus(Duration.ofDays(5)), 2, 1, 1).expect(200);
        assertThat(dueName()).isEqualTo("Count");
        String last = api.check(done, now, 3, 1, 0).expect(200).id();
        assertThat(api.get("/api/fruit-set").body().path("rows").get(0).has("due"))
                .isFalse();
        assertThat(taken()).isEqualTo(3);

        api.post("/api/checks/" + last + "/void", Api.voiding(0)).expect(204);
        assertThat(taken()).as("the check before it counts again").isEqualTo(2);
    }

    private String dueName() {
        return api.get("/api/fruit-set")
                .expect(200)
                .body()
                .path("rows")
                .get(0)
                .path("due")
                .path("name")
                .asString();
    }

    private int taken() {
        return api.get("/api/findings")
                .expect(200)
                .body()
                .path("all")
                .path("taken")
                .asInt();
    }

    @Test
    void a_pollination_that_nobody_has_checked_has_no_rate() {
        String lot = api.lot(giver, now.minusSeconds(60), 9).expect(200).id();
        String done = api.pollinate(taker, lot, 4, now).expect(200).id();
        JsonNode findings = api.get("/api/findings").expect(200).body();
        assertThat(findings.has("all")).isFalse();
        assertThat(findings.path("undecided").asInt()).isEqualTo(4);

        api.check(done, now, 0, 0, 4).expect(200);

        JsonNode after = api.get("/api/findings").expect(200).body();
        assertThat(after.has("all")).isFalse();
        assertThat(after.path("undecided").asInt()).isEqualTo(4);
    }

    @Test
    void a_removed_tree_leaves_the_lists_but_what_was_done_on_it_stays_told() {
        String lot = api.lot(giver, now.minusSeconds(60), 9).expect(200).id();
        api.pollinate(taker, lot, 4, now).expect(200);

        api.post("/api/trees/" + taker + "/void", Map.of("version", 0, "reason", "blown over"))
                .expect(204);

        assertThat(api.get("/api/trees").body().size()).isEqualTo(1);
        assertThat(api.get("/api/pollinations")
                        .expect(200)
                        .body()
                        .get(0)
                        .path("treeName")
                        .asString())
                .isEqualTo("Pale Ridge 1");
        assertThat(api.get("/api/bloom?hours=1")
                        .expect(200)
                        .body()
                        .path("trees")
                        .size())
                .isEqualTo(1);
    }

    @Test
    void every_number_of_a_crop_sheet_says_what_it_rests_on_and_published_ones_are_in_the_sources() throws IOException {
        JsonNode sheets = api.get("/api/crops").expect(200).body();
        String sources = Files.readString(Path.of("..", "docs", "SOURCES.md"));

        List<JsonNode> bases = sheets.findValues("basis");
        assertThat(bases)
                .hasSizeGreaterThan(40)
                .allMatch(b -> List.of("PRACTICE", "PUBLISHED", "MEMORY").contains(b.asString()));
        sheets.findValues("source").forEach(s -> assertThat(sources).contains("| " + s.asString() + " |"));
        assertThat(sheets.findValuesAsString("name")).contains("Cherimoya");
    }
}
