package org.evenhand.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import jakarta.persistence.EntityManagerFactory;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Reading limb by limb, the board, the key, the season, an orchard's own numbers. */
class BloomRoomTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String variety = api.variety("Lantern");
    private final String tree = api.tree(variety, "Lantern 1");

    @Test
    void limbs_read_since_the_whole_tree_add_up_and_a_new_look_at_all_of_it_replaces_them() {
        read(now.minus(Duration.ofMinutes(50)), Map.of("closed", 90, "parted", 30), "", 1.0);
        read(now.minus(Duration.ofMinutes(40)), Map.of("closed", 40, "parted", 8, "brown", 20), "east limb", 1.0);
        read(now.minus(Duration.ofMinutes(30)), Map.of("closed", 24, "parted", 5, "brown", 12), "west limb", 0.5);
        assertThat(receptiveNow()).as("8 and about twice 5").isBetween(15.0, 22.0);

        read(now.minus(Duration.ofMinutes(20)), Map.of("closed", 40, "parted", 4, "brown", 20), "east limb", 1.0);
        assertThat(receptiveNow()).as("4 and about twice 5").isBetween(11.0, 18.0);

        read(now.minus(Duration.ofMinutes(10)), Map.of("parted", 9), "", 1.0);
        assertThat(receptiveNow()).isCloseTo(9, within(0.3));
    }

    @Test
    void a_share_that_cannot_be_is_refused_and_the_same_id_with_another_share_is_a_conflict() {
        Map<String, Object> body = new HashMap<>(Api.reading(tree, now, Map.of("parted", 3)));
        body.put("share", 0);
        assertThat(api.put("/api/readings/" + Api.newId(), body).expect(400).errorAt("share"))
                .contains("allowed is 0.02 to 1");
        String id = Api.newId();
        body.put("share", 0.5);
        api.put("/api/readings/" + id, body).expect(200);
        api.put("/api/readings/" + id, body).expect(200);
        body.put("share", 0.25);
        api.put("/api/readings/" + id, body).expect(409);
    }

    @Test
    void a_reading_that_contradicts_the_one_before_is_kept_and_says_so() {
        api.read(tree, now.minus(Duration.ofHours(20)), Map.of("closed", 20)).expect(200);

        JsonNode odd = api.read(tree, now, Map.of("closed", 5, "shedding", 30))
                .expect(200)
                .body();

        assertThat(odd.path("surpriseStage").asString()).isEqualTo("shedding");
        assertThat(odd.path("surpriseExpected").asDouble()).isLessThan(5);
        assertThat(sheddingNow()).as("what was counted stands").isCloseTo(30, within(1.0));
    }

    @Test
    void the_key_tells_a_stage_and_asks_what_would_tell_most() {
        JsonNode first = keyAtAnyHour(Map.of());
        JsonNode told = keyAtAnyHour(Map.of("petals", "wide", "dome", "tight"));

        assertThat(first.path("nextSign").asString()).isIn("petals", "dome");
        assertThat(chance(told, "wide-tight")).isGreaterThan(0.6);
        assertThat(told.path("beware").toString()).contains("not yet male");
        assertThat(api.post("/api/stage-key", Map.of("crop", "moon", "answers", Map.of(), "anyHour", true))
                        .expect(400)
                        .errorAt("crop"))
                .contains("there are sheets for");
    }

    @Test
    void the_hour_of_the_orchard_moves_the_key() {
        JsonNode withHour = key(Map.of("petals", "wide"));
        JsonNode any = keyAtAnyHour(Map.of("petals", "wide"));

        assertThat(chance(withHour, "shedding")).isNotCloseTo(chance(any, "shedding"), within(0.02));
    }

    @Test
    void an_orchards_own_numbers_change_its_forecast_alone_keep_their_history_and_go_back() {
        api.read(tree, now, Map.of("parted", 20)).expect(200);
        Api other = server.newOrchard();
        // By then, whatever the hour now, every flower at the shipped pace has met a gate that was open.
        double shipped = takingIn(54);

        JsonNode wrong = api.put(
                        "/api/own-sheets/" + Api.newId(),
                        Map.of("crop", "cherimoya", "numbers", Map.of("stages[1].meanHours", -2)))
                .expect(400)
                .body();
        assertThat(wrong.toString()).contains("stages[1].meanHours").contains("allowed is");
        own(Map.of("stages[1].meanHours", 160));
        double slow = takingIn(54);
        JsonNode number = number(api, "stages[1].meanHours");
        assertThat(slow).isGreaterThan(shipped + 4);
        assertThat(number.path("basis").asString()).isEqualTo("OWN");
        assertThat(number.path("shipped").path("value").asDouble()).isEqualTo(16);
        assertThat(number(other, "stages[1].meanHours").path("value").asDouble())
                .isEqualTo(16);

        own(Map.of());
        assertThat(takingIn(54)).isCloseTo(shipped, within(0.01));
        assertThat(api.get("/api/crops/cherimoya/own").body().size()).isEqualTo(2);
        String orchard = api.get("/api/orchard").body().path("id").asString();
        server.member(java.util.UUID.fromString(orchard), Caller.Role.WORKER)
                .put("/api/own-sheets/" + Api.newId(), Map.of("crop", "cherimoya", "numbers", Map.of()))
                .expect(403);
    }

    @Test
    void past_years_foresee_this_ones_bloom_and_whose_pollen_must_be_kept() {
        String early = api.variety("apple", "Ember");
        String late = api.variety("apple", "Harrow");
        int year = now.atZone(ZONE).getYear();
        for (int back = 1; back <= 3; back++) {
            bloomed(early, year - back, LocalDate.of(year - back, 8, 20).plusDays(back), 200);
            bloomed(late, year - back, LocalDate.of(year - back, 10, 1).plusDays(back), 200);
        }

        JsonNode season = api.get("/api/season").expect(200).body();

        JsonNode ember = named(season.path("varieties"), "Ember");
        assertThat(ember.path("first").path("expected").asString())
                .endsWith("-08-22")
                .contains(String.valueOf(season.path("year").asInt()));
        assertThat(ember.path("first").path("method").asString()).isEqualTo("CALENDAR");
        assertThat(ember.path("course").path("receptive").size()).isGreaterThan(10);
        assertThat(ways(season, early, late)).isEqualTo("KEEP");
        assertThat(ways(season, late, early)).isEqualTo("LAST_YEARS");
        assertThat(ember.path("visits").path("days").isArray()).isTrue();
    }

    @Test
    void days_of_a_season_out_of_order_or_still_to_come_are_refused_with_their_field() {
        LocalDate today = now.atZone(ZONE).toLocalDate();
        Map<String, Object> wrong = Map.of(
                "varietyId",
                variety,
                "year",
                today.getYear(),
                "firstBloom",
                today.minusDays(4).toString(),
                "fullBloom",
                today.minusDays(9).toString());
        assertThat(season(wrong, 400).errorAt("fullBloom")).contains("before the day of first bloom");
        Map<String, Object> ahead = Map.of(
                "varietyId",
                variety,
                "year",
                today.getYear(),
                "firstBloom",
                today.plusDays(2).toString());
        assertThat(season(ahead, 400).errorAt("firstBloom")).contains("still to come");
        Map<String, Object> nothing = Map.of("varietyId", variety, "year", today.getYear());
        assertThat(season(nothing, 400).errorAt("firstBloom")).contains("is missing");
        bloomed(variety, today.getYear() - 1, today.minusYears(1), 200);
        assertThat(bloomed(variety, today.getYear() - 1, today.minusYears(1), 400)
                        .errorAt("year"))
                .contains("written down already");
    }

    @Test
    void is_my_hand_needed_is_answered_with_its_reasons() {
        String id = Api.newId();
        Map<String, Object> note = new HashMap<>(Map.of("block", "North", "insects", "NONE", "indoors", true));
        api.put("/api/block-notes/" + id, note).expect(204);

        JsonNode need = api.get("/api/hand-need").expect(200).body().get(0);

        assertThat(need.path("verdict").asString()).isEqualTo("YES");
        assertThat(need.path("reasons").toString()).contains("under cover").contains("No insects were seen");
        note.put("version", 0);
        note.put("seaKm", -5);
        assertThat(api.put("/api/block-notes/" + id, note).expect(400).errorAt("seaKm"))
                .contains("is -5");
    }

    /** In the north the rest begins in November, and buds that open in April belong to the year after. */
    @Test
    void a_northern_orchard_counts_its_seasons_from_november() {
        Map<String, Object> orchard = new HashMap<>(Map.of(
                "name",
                "North",
                "latitude",
                47.5,
                "longitude",
                8.7,
                "zone",
                "Europe/Zurich",
                "typicalMinimumC",
                6,
                "typicalMaximumC",
                16,
                "units",
                "METRIC",
                "version",
                0));
        api.put("/api/orchard", orchard).expect(200);
        String apple = api.variety("apple", "Ember");
        LocalDate today = now.atZone(ZoneId.of("Europe/Zurich")).toLocalDate();
        int coming = today.getMonthValue() >= 11 ? today.getYear() + 1 : today.getYear();
        for (int back = 1; back <= 3; back++) {
            if (LocalDate.of(coming - back, 4, 28).isBefore(today)) {
                bloomed(apple, coming - back, LocalDate.of(coming - back, 4, 15), 200);
            }
        }

        JsonNode season = api.get("/api/season").expect(200).body();

        assertThat(season.path("start").asString()).isEqualTo((coming - 1) + "-11-01");
        assertThat(season.path("year").asInt()).isEqualTo(coming);
        JsonNode first = named(season.path("varieties"), "Ember").path("first");
        assertThat(LocalDate.parse(first.path("expected").asString()))
                .isBetween(LocalDate.of(coming, 4, 14), LocalDate.of(coming, 4, 16));
        assertThat(season.path("rest").path("knownShare").asDouble()).isZero();
        assertThat(season.path("rest").path("enoughKnown").asBoolean()).isFalse();
    }

    /** However many trees: the board asks the database as often. */
    @Test
    void the_board_asks_as_many_questions_for_forty_trees_as_for_two() {
        api.get("/api/bloom?hours=72").expect(200);
        api.read(tree, now, Map.of("parted", 4)).expect(200);
        long few = statementsOfABoard();
        for (int i = 2; i <= 40; i++) {
            String more = api.tree(variety, "Lantern " + i);
            api.read(more, now, Map.of("parted", i % 7, "shedding", 2)).expect(200);
        }
        long fresh = statementsOfABoard();
        long again = statementsOfABoard();

        assertThat(fresh).isEqualTo(few);
        assertThat(again).as("kept, as nothing was written since").isLessThan(few / 2);
        assertThat(api.get("/api/bloom?hours=72").body().path("trees").size()).isEqualTo(40);
    }

    /** Eight read trees while eight look at the board: nobody fails, and in the end the board shows every reading. */
    @Test
    void many_may_read_and_look_at_once() throws Exception {
        int many = 8;
        java.util.List<String> trees = new java.util.ArrayList<>();
        for (int i = 0; i < many; i++) {
            trees.add(api.tree(variety, "Crowd " + i));
        }
        java.util.concurrent.ExecutorService pool = java.util.concurrent.Executors.newFixedThreadPool(2 * many);
        try {
            java.util.List<java.util.concurrent.Future<?>> all = new java.util.ArrayList<>();
            for (int i = 0; i < many; i++) {
                String mine = trees.get(i);
                int flowers = 3 + i;
                all.add(pool.submit(
                        () -> api.read(mine, now, Map.of("parted", flowers)).expect(200)));
                all.add(pool.submit(() -> api.get("/api/bloom?hours=24").expect(200)));
            }
            for (java.util.concurrent.Future<?> one : all) {
                one.get(60, java.util.concurrent.TimeUnit.SECONDS);
            }
        } finally {
            pool.shutdownNow();
        }
        assertThat(receptiveNow()).as("3 + 4 + … + 10").isCloseTo(52, within(2.0));
    }

    private long statementsOfABoard() {
        Statistics statistics = server.bean(EntityManagerFactory.class)
                .unwrap(SessionFactory.class)
                .getStatistics();
        statistics.setStatisticsEnabled(true);
        long before = statistics.getPrepareStatementCount();
        api.get("/api/bloom?hours=72").expect(200);
        return statistics.getPrepareStatementCount() - before;
    }

    private void read(Instant at, Map<String, ?> counts, String limb, double share) {
        Map<String, Object> body = new HashMap<>(Api.reading(tree, at, counts));
        body.put("limb", limb);
        body.put("share", share);
        api.put("/api/readings/" + Api.newId(), body).expect(200);
    }

    private JsonNode board(int hours) {
        return api.get("/api/bloom?hours=" + hours).expect(200).body();
    }

    private double receptiveNow() {
        return board(6).path("receptiveNow").asDouble();
    }

    private double sheddingNow() {
        return board(6).path("sheddingNow").asDouble();
    }

    private double takingIn(int hours) {
        JsonNode mean = board(hours).path("trees").get(0).path("receptive").path("mean");
        return mean.get(mean.size() - 1).asDouble();
    }

    private JsonNode keyAtAnyHour(Map<String, String> answers) {
        return api.post("/api/stage-key", Map.of("crop", "cherimoya", "answers", answers, "anyHour", true))
                .expect(200)
                .body();
    }

    private JsonNode key(Map<String, String> answers) {
        return api.post("/api/stage-key", Map.of("crop", "cherimoya", "answers", answers, "anyHour", false))
                .expect(200)
                .body();
    }

    private static double chance(JsonNode answer, String stage) {
        return answer.path("stages")
                .valueStream()
                .filter(s -> s.path("stage").asString().equals(stage))
                .findFirst()
                .orElseThrow()
                .path("chance")
                .asDouble();
    }

    private void own(Map<String, ?> numbers) {
        api.put("/api/own-sheets/" + Api.newId(), Map.of("crop", "cherimoya", "numbers", numbers, "note", "ours"))
                .expect(200);
    }

    private static JsonNode number(Api of, String path) {
        JsonNode sheet = named(of.get("/api/crops").expect(200).body(), "Cherimoya");
        return sheet.path("numbers")
                .valueStream()
                .filter(n -> n.path("path").asString().equals(path))
                .findFirst()
                .orElseThrow();
    }

    private static JsonNode named(JsonNode list, String name) {
        return list.valueStream()
                .filter(v -> v.path("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private Api.Answer bloomed(String of, int year, LocalDate first, int status) {
        return season(
                Map.of(
                        "varietyId",
                        of,
                        "year",
                        year,
                        "firstBloom",
                        first.toString(),
                        "fullBloom",
                        first.plusDays(6).toString(),
                        "lastBloom",
                        first.plusDays(12).toString()),
                status);
    }

    private Api.Answer season(Map<String, Object> dates, int status) {
        return api.put("/api/bloom-dates/" + Api.newId(), dates).expect(status);
    }

    private static String ways(JsonNode season, String giver, String taker) {
        return season.path("pairs")
                .valueStream()
                .filter(p -> p.path("giver").asString().equals(giver)
                        && p.path("taker").asString().equals(taker))
                .findFirst()
                .orElseThrow()
                .path("kind")
                .asString();
    }
}
