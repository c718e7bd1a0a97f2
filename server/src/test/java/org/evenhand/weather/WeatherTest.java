package org.evenhand.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Weather in by file, by hand and by station, and what the forecasts make of it. */
class WeatherTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final LocalDate today = now.atZone(ZONE).toLocalDate();

    @Test
    void a_loggers_file_is_one_record_and_lines_that_cannot_be_are_left_out_only_on_consent() {
        String csv = """
                wind,Humidity,TIME,temperature_c
                3,80,2026-11-20T00:00,12.5
                3,80,2026-11-20T01:00,99
                3,80,2026-11-20T01:30,12
                3,80,2026-11-20T02:00,warm
                3,180,2026-11-20T03:00,11
                3,80,yesterday,11
                3,80,2026-11-20 00:00,13
                3,80,2026-09-27T02:30,11
                3,,2026-11-20T05:00+13:00,10.5
                """;
        Map<String, Object> file = Api.file("weather-hours", csv);

        JsonNode refused = write(file);

        assertThat(refused.path("imported").asBoolean()).isFalse();
        assertThat(refused.path("problems")
                        .valueStream()
                        .map(p ->
                                p.path("line").asInt() + " " + p.path("column").asString()))
                .containsExactly(
                        "3 temperature_c", "4 time", "5 temperature_c", "6 humidity", "7 time", "8 time", "9 time");
        assertThat(refused.toString())
                .contains("allowed is -60 to 60", "not on a whole hour", "was there before", "skipped");
        assertThat(refused.path("questions").get(0).path("key").asString()).isEqualTo("leave-out");
        assertThat(records()).isEmpty();

        String run = Api.newId();
        Map<String, Object> told = new HashMap<>(file);
        told.put("confirmed", List.of("leave-out"));
        for (String sent : List.of("once", "twice")) {
            assertThat(api.put("/api/imports/" + run, told)
                            .expect(200)
                            .body()
                            .path("imported")
                            .asBoolean())
                    .as(sent)
                    .isTrue();
        }
        assertThat(records()).singleElement().satisfies(r -> {
            assertThat(r.path("rows").asInt()).isEqualTo(2);
            assertThat(r.path("kind").asString()).isEqualTo("HOURS");
            assertThat(Instant.parse(r.path("last").asString())).isEqualTo(Instant.parse("2026-11-19T16:00:00Z"));
        });
        api.post("/api/imports/" + run + "/void", Api.voiding(0)).expect(204);
        assertThat(records()).as("undone as a whole").isEmpty();
    }

    @Test
    void days_in_fahrenheit_with_semicolons_and_decimal_commas_are_read() {
        String csv = "date;min_f;max_f\n" + today.minusDays(2) + ";50,0;68\n" + today.minusDays(1) + ";41;59\n";
        Map<String, Object> file = new HashMap<>(Api.file("weather-days", csv));
        file.put("decimalMark", "COMMA");

        assertThat(write(file).path("imported").asBoolean()).isTrue();

        JsonNode day = day(today.minusDays(2));
        assertThat(day.path("source").asString()).isEqualTo("DAILY");
        assertThat(day.path("maximumC").asDouble()).isCloseTo(20, within(0.4));
        assertThat(day.path("minimumC").asDouble()).isCloseTo(10, within(1.6));
    }

    /** Whatever days are written are read back, whatever parts them; and a file that was imported is there once. */
    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void whatever_is_written_is_read_back(String separator) throws IOException {
        SplittableRandom random = new SplittableRandom(4);
        LocalDate first = today.minusDays(13);
        StringBuilder csv = new StringBuilder(String.join(separator, "date", "min_c", "max_c", "humidity") + "\n");
        Map<String, double[]> written = new LinkedHashMap<>();
        for (int d = 0; d < 13; d++) {
            double low = Math.round(random.nextDouble() * 300) / 10.0 - 15;
            double high = low + Math.round(random.nextDouble() * 150) / 10.0;
            String row =
                    String.format(Locale.ROOT, "%s|%.1f|%.1f|%d%n", first.plusDays(d), low, high, random.nextInt(101));
            csv.append((separator.equals(";") ? row.replace('.', ',') : row).replace("|", separator));
            written.put(first.plusDays(d).toString(), new double[] {low, high});
        }
        Map<String, Object> file = new HashMap<>(Api.file("weather-days", csv.toString()));
        file.put("decimalMark", separator.equals(";") ? "COMMA" : "POINT");

        assertThat(write(file).path("written").asInt()).isEqualTo(13);
        assertThat(write(file).path("already").asInt()).as("it is there").isEqualTo(13);

        assertThat(records()).hasSize(1);
        Map<String, double[]> read = new LinkedHashMap<>();
        byte[] table = api.bytes("/api/records/tables/weather-days.csv");
        try (CSVParser lines = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(new String(table, StandardCharsets.UTF_8).replace("\uFEFF", "")))) {
            lines.forEach(r -> read.put(
                    r.get("date"),
                    new double[] {Double.parseDouble(r.get("minimum_c")), Double.parseDouble(r.get("maximum_c"))}));
        }
        assertThat(read.keySet()).isEqualTo(written.keySet());
        read.forEach((date, range) -> assertThat(range).as(date).containsExactly(written.get(date), within(1e-9)));
    }

    @Test
    void a_corrected_file_asks_before_its_numbers_count_in_the_place_of_the_earlier_ones() {
        String csv = "date,min_c,max_c\n" + today.minusDays(2) + ",5,15\n" + today.minusDays(1) + ",6,16\n";
        api.importFile("weather-days", csv);
        Map<String, Object> corrected = new HashMap<>(Api.file("weather-days", csv.replace(",6,16", ",8,26")));

        JsonNode asked = write(corrected);

        assertThat(asked.path("imported").asBoolean()).isFalse();
        assertThat(asked.path("questions").get(0).path("key").asString()).isEqualTo("other-weather");
        assertThat(asked.path("questions").get(0).path("lines").asInt()).isEqualTo(1);
        corrected.put("confirmed", List.of("other-weather"));
        assertThat(write(corrected).path("imported").asBoolean()).isTrue();
        assertThat(day(today.minusDays(1)).path("maximumC").asDouble()).isCloseTo(26, within(0.6));
        assertThat(day(today.minusDays(2)).path("maximumC").asDouble()).isCloseTo(15, within(0.6));
    }

    @Test
    void a_file_that_says_nothing_is_refused_in_words() {
        assertThat(write(Api.file("weather-hours", "hour,temp\n1,2"))
                        .path("problems")
                        .toString())
                .contains("\"time\"", "is in no column");
        assertThat(write(Api.file("weather-hours", "time,temperature_c,temperature_f\n2026-11-20 01:00,4,40"))
                        .path("problems")
                        .toString())
                .contains("give one of the two");
        assertThat(write(Api.file("weather-hours", "time,temp\n2026-11-20 01:00,4"))
                        .path("problems")
                        .toString())
                .contains("temperature_c", "is missing");
        assertThat(write(Api.file("weather-days", "date,min_c,max_c\n2026-01-01,9,4"))
                        .path("problems")
                        .toString())
                .contains("below the lowest");
        assertThat(write(Api.file("weather-hours", "time,temperature_c,block\n2026-11-20 01:00,4,Nowhere"))
                        .path("problems")
                        .toString())
                .contains("where no tree stands");
    }

    private JsonNode write(Map<String, Object> file) {
        return api.put("/api/imports/" + Api.newId(), file).expect(200).body();
    }

    @Test
    void a_warmer_forecast_opens_flowers_sooner_and_the_board_says_what_it_used() {
        String tree = api.tree(api.variety("Lantern"), "Lantern 1");
        api.read(tree, now, Map.of("closed", 40)).expect(200);
        double usual = openTomorrow();

        forecast(Api.newId(), 26, 33).expect(200);
        double hot = openTomorrow();
        String cold = Api.newId();
        forecast(cold, 2, 7).expect(200);
        double frozen = openTomorrow();

        assertThat(hot).isGreaterThan(usual + 1);
        assertThat(frozen)
                .as("below the base only flowers that waited at their gate still open")
                .isLessThan(Math.min(1, usual / 4));
        JsonNode weather = api.get("/api/bloom?hours=48").body().path("weather");
        assertThat(weather.findValuesAsString("source")).contains("FORECAST");

        api.post("/api/weather/records/" + cold + "/void", Api.voiding(0)).expect(204);
        assertThat(openTomorrow()).as("taken back").isCloseTo(hot, within(0.05));
    }

    @Test
    void a_forecast_names_the_day_that_cannot_be() {
        Map<String, Object> bad = Map.of("date", today.toString(), "minimumC", 20, "maximumC", 10);
        Map<String, Object> good = Map.of("date", today.plusDays(1).toString(), "minimumC", 2, "maximumC", 10);

        Api.Answer refused = api.put("/api/weather/forecasts/" + Api.newId(), Map.of("days", List.of(good, bad)))
                .expect(400);

        assertThat(refused.errorAt("days[1].maximumC")).contains("below the lowest");
        assertThat(api.put("/api/weather/forecasts/" + Api.newId(), Map.of("days", List.of(good, good)))
                        .expect(400)
                        .errorAt("days"))
                .contains("a date twice");
    }

    @Test
    void a_station_posts_with_its_key_alone_and_its_hours_give_the_dryness_of_the_air() throws Exception {
        String mast = "/api/weather/stations/" + Api.newId();
        String key = api.put(mast, Map.of("name", "Mast"))
                .expect(200)
                .body()
                .path("key")
                .asString();
        assertThat(api.put(mast, Map.of("name", "Mast"))
                        .expect(409)
                        .body()
                        .path("detail")
                        .asString())
                .as("no second key that never works")
                .contains("shown only once");
        String hours = hour(now, 30, 20) + "," + hour(now.minus(Duration.ofHours(1)), 29, 22);

        assertThat(post("wrong", hours).statusCode()).isEqualTo(400);
        assertThat(post(key, "{\"at\":\"2026-11-24T10:30:00Z\",\"celsius\":3}").body())
                .contains("hours[0].at")
                .contains("not on a whole hour");
        assertThat(post(key, hours).statusCode()).isEqualTo(204);
        assertThat(post(key, hour(now, 30, 40)).statusCode()).as("posted again").isEqualTo(204);

        // FAO 56 equation 11: es(30 °C) = 4.243 kPa; at 40 % there are 2.546 kPa missing.
        assertThat(api.get("/api/light?from=" + now + "&hours=6")
                        .body()
                        .path("deficitKpa")
                        .asDouble())
                .isCloseTo(2.546, within(0.002));
        assertThat(records()).singleElement().satisfies(r -> {
            assertThat(r.path("rows").asInt()).isEqualTo(2);
            assertThat(r.path("kind").asString()).isEqualTo("STATION");
        });
    }

    @Test
    void the_stand_in_that_ships_posts_as_a_device_would() throws Exception {
        String key = api.put("/api/weather/stations/" + Api.newId(), Map.of("name", "Stand-in"))
                .body()
                .path("key")
                .asString();

        assertThat(StationStandIn.post(server.address(), key, 24)).contains("posted 24 hours");

        assertThat(records().get(0).path("rows").asInt()).isEqualTo(24);
        assertThat(StationStandIn.post(server.address(), "nobody", 2))
                .contains("refused")
                .contains("key of any station");
    }

    private double openTomorrow() {
        JsonNode mean = api.get("/api/bloom?hours=48")
                .expect(200)
                .body()
                .path("trees")
                .get(0)
                .path("receptive")
                .path("mean");
        return mean.get(mean.size() - 1).asDouble();
    }

    private Api.Answer forecast(String id, double low, double high) {
        List<Map<String, Object>> days = List.of(
                Map.of("date", today.toString(), "minimumC", low, "maximumC", high),
                Map.of("date", today.plusDays(1).toString(), "minimumC", low, "maximumC", high),
                Map.of("date", today.plusDays(2).toString(), "minimumC", low, "maximumC", high),
                Map.of("date", today.plusDays(3).toString(), "minimumC", low, "maximumC", high));
        return api.put("/api/weather/forecasts/" + id, Map.of("days", days));
    }

    private List<JsonNode> records() {
        return api.get("/api/weather")
                .expect(200)
                .body()
                .path("records")
                .valueStream()
                .toList();
    }

    private JsonNode day(LocalDate date) {
        return api.get("/api/weather")
                .body()
                .path("days")
                .valueStream()
                .filter(d -> d.path("date").asString().equals(date.toString()))
                .findFirst()
                .orElseThrow();
    }

    private static String hour(Instant at, double celsius, double humidity) {
        return JsonMapper.shared()
                .writeValueAsString(Map.of("at", at.toString(), "celsius", celsius, "humidity", humidity));
    }

    private HttpResponse<String> post(String key, String hours) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(server.address() + "/api/station/hours"))
                .header("Content-Type", "application/json")
                .header("X-Station-Key", key)
                .POST(HttpRequest.BodyPublishers.ofString("{\"hours\":[" + hours + "]}"))
                .build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }
}
