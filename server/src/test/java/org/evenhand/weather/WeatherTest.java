package org.evenhand.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
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
    void a_file_with_bad_rows_is_refused_line_by_line_and_its_good_rows_kept_only_on_consent() {
        String csv = """
                time,temperature_c,humidity,wind
                2026-11-20T00:00,12.5,80,3
                2026-11-20T01:00,99,80,3
                2026-11-20T01:30,12,80,3
                2026-11-20T02:00,warm,80,3
                2026-11-20T03:00,11,180,3
                yesterday,11,80,3
                2026-11-20T00:00,13,80,3
                2026-11-20T04:00,11,80
                2026-09-27T02:30,11,80,3
                2026-11-20T05:00,10.5,,3
                """;
        String id = Api.newId();

        JsonNode refused = file(id, csv, false).expect(400).body();

        assertThat(refused.path("errors").get(0).path("message").asString())
                .contains("has 8 bad and 2 good rows; nothing was imported");
        assertThat(refused.path("errors").findValuesAsString("field"))
                .contains("csv.line 3", "csv.line 4", "csv.line 5", "csv.line 6", "csv.line 7", "csv.line 8");
        assertThat(refused.toString())
                .contains("99.0 °C; -60 to 60 °C is possible")
                .contains("not on a whole hour")
                .contains("'warm', not a number")
                .contains("0 to 100 percent")
                .contains("not a time like")
                .contains("was there before")
                .contains("has 3 columns")
                .contains("clocks were put forward");
        assertThat(records()).isEmpty();

        assertThat(file(id, csv, true).expect(200).body().path("rows").asInt()).isEqualTo(2);
        assertThat(file(id, csv, true).expect(200).body().path("rows").asInt())
                .as("sent twice")
                .isEqualTo(2);
        assertThat(records()).hasSize(1);
    }

    @Test
    void days_in_fahrenheit_with_semicolons_and_decimal_commas_are_read() {
        String csv = "date;min_f;max_f\n" + today.minusDays(2) + ";50,0;68\n" + today.minusDays(1) + ";41;59\n";

        file(Api.newId(), csv, false).expect(200);

        JsonNode day = day(today.minusDays(2));
        assertThat(day.path("source").asString()).isEqualTo("DAILY");
        assertThat(day.path("maximumC").asDouble()).isCloseTo(20, within(0.4));
        assertThat(day.path("minimumC").asDouble()).isCloseTo(10, within(1.6));
    }

    @Test
    void a_file_that_says_nothing_is_refused_in_words() {
        assertThat(file(Api.newId(), "hour,temp\n1,2", false).expect(400).errorAt("csv"))
                .contains("'time' for hours or 'date' for days");
        assertThat(file(Api.newId(), "time,temp\n1,2", false).expect(400).errorAt("csv"))
                .contains("exactly one of the columns 'temperature_c'");
        assertThat(file(Api.newId(), "date,min_c,max_c\n2026-01-01,9,4", false)
                        .expect(400)
                        .errorAt("csv.line 2"))
                .contains("the lowest, 9.0 °C, is above the highest, 4.0 °C");
        assertThat(file(Api.newId(), "", false).expect(400).errorAt("csv")).isNotBlank();
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

    private Api.Answer file(String id, String csv, boolean keepGood) {
        return api.put("/api/weather/files/" + id, Map.of("name", "air.csv", "csv", csv, "keepGood", keepGood));
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
