package org.evenhand.weather;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A block under cover, or with a station of its own, does not get the orchard's night. */
class BlockWeatherTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String lantern = api.variety("Lantern");
    private final String outdoors = tree("Lantern 1", "North");
    private final String indoors = tree("Lantern 2", "Tunnel");

    private String tree(String name, String block) {
        Map<String, Object> tree = new HashMap<>(
                Map.of("varietyId", lantern, "name", name, "row", 1, "position", 1, "plantedOn", "2019-08-01"));
        tree.put("block", block);
        return api.put("/api/trees/" + Api.newId(), tree).expect(200).id();
    }

    private Api.Answer block(Map<String, Object> more) {
        Map<String, Object> note = new HashMap<>(Map.of("block", "Tunnel", "insects", "NONE", "indoors", true));
        note.putAll(more);
        return api.put("/api/block-notes/" + Api.newId(), note);
    }

    private JsonNode row(String tree) {
        for (JsonNode row : api.get("/api/bloom?hours=48").expect(200).body().path("trees")) {
            if (row.path("treeId").asString().equals(tree)) {
                return row;
            }
        }
        throw new AssertionError(tree);
    }

    private List<Double> shedding(String tree) {
        List<Double> mean = new ArrayList<>();
        row(tree).path("shedding").path("mean").forEach(n -> mean.add(n.asDouble()));
        return mean;
    }

    private void coldForecast(String block) {
        List<Map<String, Object>> days = new ArrayList<>();
        for (int d = 0; d < 3; d++) {
            days.add(Map.of(
                    "date", now.plus(Duration.ofDays(d)).toString().substring(0, 10), "minimumC", 1, "maximumC", 6));
        }
        Map<String, Object> forecast = new HashMap<>(Map.of("days", days));
        if (block != null) {
            forecast.put("block", block);
        }
        api.put("/api/weather/forecasts/" + Api.newId(), forecast).expect(200);
    }

    @Test
    void a_cold_night_outside_holds_the_flowers_outside_and_not_those_under_cover() {
        for (String tree : List.of(outdoors, indoors)) {
            api.read(tree, now.minusSeconds(600), Map.of("half-open", 40)).expect(200);
        }
        assertThat(shedding(indoors)).as("one air").isEqualTo(shedding(outdoors));
        coldForecast(null);
        assertThat(shedding(indoors)).isEqualTo(shedding(outdoors));

        block(Map.of()).expect(204);
        double inside = shedding(indoors).stream().mapToDouble(d -> d).max().orElseThrow();
        double outside = shedding(outdoors).stream().mapToDouble(d -> d).max().orElseThrow();
        assertThat(inside).isGreaterThan(2 * outside + 1);
        JsonNode weather = api.get("/api/weather?block=Tunnel").expect(200).body();
        assertThat(weather.path("underCover").asBoolean()).isTrue();
        assertThat(weather.path("stretches").findValuesAsString("source")).containsOnly("USUAL");

        coldForecast("Tunnel");
        assertThat(shedding(indoors).stream().mapToDouble(d -> d).max().orElseThrow())
                .as("its own forecast")
                .isLessThan(inside / 2);
    }

    @Test
    void an_ordinary_day_of_a_block_is_checked_and_told_and_a_block_without_trees_has_no_weather() {
        assertThat(block(Map.of("typicalMinimumC", 12)).expect(400).errorAt("typicalMinimumC"))
                .contains("belong together");
        assertThat(block(Map.of("typicalMinimumC", 22, "typicalMaximumC", 12))
                        .expect(400)
                        .errorAt("typicalMaximumC"))
                .contains("below the lowest");
        block(Map.of("typicalMinimumC", 16, "typicalMaximumC", 28)).expect(204);
        for (JsonNode need : api.get("/api/hand-need").expect(200).body()) {
            boolean tunnel = need.path("block").asString().equals("Tunnel");
            assertThat(need.path("ownAir").asBoolean()).isEqualTo(tunnel);
        }
        for (JsonNode day :
                api.get("/api/weather?block=Tunnel").expect(200).body().path("days")) {
            assertThat(day.path("maximumC").asDouble()).isBetween(26.0, 28.0);
        }
        assertThat(api.put("/api/weather/stations/" + Api.newId(), Map.of("name", "Mast", "block", "Nowhere"))
                        .expect(400)
                        .errorAt("block"))
                .contains("no tree stands");
    }

    @Test
    void ordinary_days_of_the_months_stand_in_where_nothing_is_known() {
        JsonNode before = api.get("/api/orchard").expect(200).body();
        JsonNode guess = api.get("/api/orchard/typical-year?minimumC=14&maximumC=24")
                .expect(200)
                .body();
        assertThat(guess.size()).isEqualTo(12);
        assertThat(guess.get(10).path("minimumC").asDouble())
                .as("the month it is")
                .isEqualTo(14);
        List<Map<String, Double>> months = new ArrayList<>();
        for (int m = 0; m < 12; m++) {
            months.add(Map.of("minimumC", 1.0 * m, "maximumC", 2.0 * m + 3));
        }
        Map<String, Object> place = new HashMap<>();
        for (String field :
                List.of("name", "latitude", "longitude", "zone", "typicalMinimumC", "typicalMaximumC", "units")) {
            place.put(field, before.path(field));
        }
        place.put("typicalMonths", months);
        place.put("version", before.path("version").asLong());
        assertThat(api.put("/api/orchard", place)
                        .expect(200)
                        .body()
                        .path("typicalMonths")
                        .size())
                .isEqualTo(12);
        for (JsonNode day : api.get("/api/weather").expect(200).body().path("days")) {
            if (day.path("date").asString().equals("2026-11-15")) {
                assertThat(day.path("maximumC").asDouble()).isBetween(22.0, 23.2);
            }
        }
        place.put("version", before.path("version").asLong() + 1);
        place.put("typicalMonths", months.subList(0, 3));
        assertThat(api.put("/api/orchard", place).expect(400).errorAt("typicalMonths"))
                .contains("are 3");
        place.put("typicalMonths", List.of());
        assertThat(api.put("/api/orchard", place)
                        .expect(200)
                        .body()
                        .path("typicalMonths")
                        .size())
                .isZero();
    }
}
