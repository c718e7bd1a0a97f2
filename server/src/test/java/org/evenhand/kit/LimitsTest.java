package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is sent in any size and shape is answered in a few words, and costs the others nothing. */
class LimitsTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();

    /** The head of a request that promises a body of so many bytes, and what is answered before any of it is sent. */
    private String promised(String path, long bytes, String... headers) throws IOException {
        URI address = URI.create(server.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.setSoTimeout(8_000);
            OutputStream out = socket.getOutputStream();
            out.write(("POST " + path + " HTTP/1.1\r\nHost: here\r\nContent-Type: application/json\r\nContent-Length: "
                            + bytes + "\r\n" + String.join("\r\n", headers) + (headers.length == 0 ? "" : "\r\n")
                            + "\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            out.flush();
            InputStream in = socket.getInputStream();
            byte[] answer = new byte[4_000];
            int read = in.read(answer);
            return new String(answer, 0, Math.max(0, read), StandardCharsets.UTF_8);
        }
    }

    @Test
    void a_station_without_a_key_is_refused_before_anything_it_sends_is_read() throws IOException {
        assertThat(promised("/api/station/hours", 60_000, "X-Station-Key: nobody"))
                .startsWith("HTTP/1.1 400")
                .contains("X-Station-Key");
        assertThat(promised("/api/station/hours", 60_000_000, "X-Station-Key: nobody"))
                .startsWith("HTTP/1.1 4");
    }

    @Test
    void a_body_larger_than_its_operation_reads_is_not_read() throws Exception {
        String token = api.cookie("XSRF-TOKEN");
        assertThat(promised("/api/session", 5_000_000, "X-XSRF-TOKEN: " + token, "Cookie: XSRF-TOKEN=" + token))
                .startsWith("HTTP/1.1 413")
                .contains("larger than 1 MB");
        String station = api.put("/api/weather/stations/" + Api.newId(), Map.of("name", "Shed"))
                .expect(200)
                .body()
                .path("key")
                .asString();
        // Of no length said beforehand: it is counted while it comes.
        HttpResponse<String> endless = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(server.address() + "/api/station/hours"))
                                .header("Content-Type", "application/json")
                                .header("X-Station-Key", station)
                                .POST(HttpRequest.BodyPublishers.ofInputStream(() -> new InputStream() {
                                    private int at;

                                    @Override
                                    public int read() {
                                        return at++ > 3_000_000 ? -1 : "{\"hours\":[".length() > at ? '{' : ' ';
                                    }
                                }))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(endless.statusCode()).isIn(400, 413);
        assertThat(endless.body()).doesNotContain("Exception");
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e999999999", "1e99999999", "-1e-999999999", "1e30", "NaN"})
    void a_number_without_end_is_refused_in_a_few_words(String number) {
        Api.Answer answer = api.get("/api/recipes/medium?volumeMl=" + number).expect(400);
        assertThat(answer.raw().body()).hasSizeLessThan(500);
        Api.Answer posted = api.putText("/api/readings/" + Api.newId(), "{\"share\":" + number + "}");
        assertThat(posted.expect(400).raw().body()).hasSizeLessThan(2_000);
    }

    @Test
    void days_and_moments_beyond_any_orchard_are_refused_beside_their_fields() {
        String tree = api.tree(api.variety("Lantern"), "Lantern 1");
        for (String moment : List.of(
                "+1000000000-12-31T23:59:59.999999999Z", "-1000000000-01-01T00:00:00Z", "9999-01-01T00:00:00Z")) {
            Map<String, Object> reading =
                    new HashMap<>(Map.of("treeId", tree, "takenAt", moment, "counts", Map.of("parted", 1)));
            assertThat(api.put("/api/readings/" + Api.newId(), reading)
                            .expect(400)
                            .errorAt("takenAt"))
                    .contains("outside the years");
            assertThat(api.get("/api/light?from=" + moment.replace("+", "%2B"))
                            .expect(400)
                            .errorAt("from"))
                    .isNotNull();
        }
        Map<String, Object> forecast =
                Map.of("days", List.of(Map.of("date", "+999999999-12-31", "minimumC", 4, "maximumC", 9)));
        assertThat(api.put("/api/weather/forecasts/" + Api.newId(), forecast)
                        .expect(400)
                        .errorAt("days[0].date"))
                .contains("outside the years");
        for (String day : List.of("+999999999-12-31", "9999-12-31", "0001-01-01")) {
            assertThat(api.post("/api/imports/look", Api.file("weather-days", "date,min_c,max_c\n" + day + ",4,9"))
                            .expect(200)
                            .body()
                            .required("problems")
                            .get(0)
                            .required("column")
                            .asString())
                    .isEqualTo("date");
        }
    }

    @Test
    void nothing_in_the_place_of_something_and_signs_that_no_text_has_are_refused() {
        Map<String, Object> own = new LinkedHashMap<>();
        own.put("a", null);
        api.put("/api/own-sheets/" + Api.newId(), Map.of("crop", "cherimoya", "numbers", own))
                .expect(400);
        api.put("/api/pourings/" + Api.newId(), Map.of("parts", Arrays.asList((Object) null)))
                .expect(400);
        api.put("/api/lots/" + Api.newId(), Map.of("sources", Arrays.asList((Object) null)))
                .expect(400);
        assertThat(api.put("/api/varieties/" + Api.newId(), Map.of("crop", "cherimoya", "name", "a\u0000b"))
                        .expect(400)
                        .errorAt("name"))
                .contains("no text has");
        api.post("/api/session", Map.of("email", "a\u0000@b", "password", "x")).expect(400);
        for (String name : List.of("two\nlines", "a\ttab", "one\r\nmore")) {
            assertThat(api.put("/api/varieties/" + Api.newId(), Map.of("crop", "cherimoya", "name", name))
                            .expect(400)
                            .errorAt("name"))
                    .contains("in one line");
        }
        String variety = api.variety("Kept in one line");
        api.put(
                        "/api/readings/" + Api.newId(),
                        new HashMap<>(Map.of(
                                "treeId",
                                api.tree(variety, "One line 1"),
                                "takenAt",
                                TestServer.NOW.toString(),
                                "counts",
                                Map.of("parted", 3),
                                "note",
                                "two\nlines")))
                .expect(200);
    }

    @Test
    void other_kinds_of_bodies_and_odd_addresses_have_problem_details_too() throws Exception {
        HttpResponse<String> parts = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(server.address() + "/api/session"))
                                .header("Content-Type", "multipart/form-data; boundary=x")
                                .header("X-XSRF-TOKEN", api.cookie("XSRF-TOKEN"))
                                .header("Cookie", "XSRF-TOKEN=" + api.cookie("XSRF-TOKEN"))
                                .POST(HttpRequest.BodyPublishers.ofString("--x"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(parts.statusCode()).isEqualTo(415);
        for (String path : List.of("/api//trees", "/error", "/api/trees;x=1", "/api/" + UUID.randomUUID())) {
            Api.Answer answer = api.get(path);
            assertThat(answer.status()).as(path).isBetween(400, 404);
            assertThat(answer.raw().headers().firstValue("Content-Type").orElse(""))
                    .as(path)
                    .contains("problem+json");
        }
    }
}
