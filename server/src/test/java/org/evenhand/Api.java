package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicLong;
import javax.imageio.ImageIO;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Talks to the server as a browser does: cookies, CSRF token, JSON. */
public final class Api {
    private static final AtomicLong MILLIS = new AtomicLong(System.currentTimeMillis());

    private final String address;
    private final CookieManager cookies;
    private final HttpClient http;
    private final String orchard;

    public Api(String address) {
        this(address, new CookieManager(), null);
    }

    private Api(String address, CookieManager cookies, String orchard) {
        this.address = address;
        this.cookies = cookies;
        this.orchard = orchard;
        this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
    }

    /** The same caller, on a page of another orchard. */
    public Api meantFor(String orchard) {
        return new Api(address, cookies, orchard);
    }

    /** The same caller, asking another instance. */
    public Api at(String other) {
        return new Api(other, cookies, orchard);
    }

    /** What the server answered. */
    public record Answer(int status, JsonNode body, HttpResponse<String> raw) {
        public Answer expect(int wanted) {
            assertThat(status).as("%s", raw.body()).isEqualTo(wanted);
            return this;
        }

        /** The message that stands beside a field. */
        public String errorAt(String field) {
            for (JsonNode error : body.path("errors")) {
                if (error.path("field").asString().equals(field)) {
                    return error.path("message").asString();
                }
            }
            return null;
        }

        public String id() {
            return body.path("id").asString();
        }
    }

    /** A UUID of version 7, as a client makes it. */
    public static String newId() {
        long high = (MILLIS.getAndIncrement() << 16)
                | 0x7000L
                | ThreadLocalRandom.current().nextLong(0x1000);
        return new UUID(high, 0x8000000000000000L | (ThreadLocalRandom.current().nextLong() >>> 2)).toString();
    }

    public void signIn(String email, String password) {
        get("/api/setup").expect(200);
        post("/api/session", Map.of("email", email, "password", password)).expect(200);
    }

    public Answer get(String path) {
        return send(request(path).GET().build());
    }

    /** What is no JSON: a PDF. */
    public byte[] bytes(String path) {
        try {
            HttpResponse<byte[]> answer =
                    http.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).isEqualTo(200);
            return answer.body();
        } catch (java.io.IOException | InterruptedException e) {
            throw new IllegalStateException(path, e);
        }
    }

    public Answer put(String path, Object body) {
        return send(request(path).PUT(json(body)).build());
    }

    public Answer post(String path, Object body) {
        return send(request(path).POST(json(body)).build());
    }

    public Answer delete(String path) {
        return send(request(path).DELETE().build());
    }

    /** Sends a change without the CSRF token. */
    public Answer putWithoutToken(String path, Object body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .PUT(json(body))
                .build());
    }

    public Answer putText(String path, String body) {
        return send(request(path).PUT(HttpRequest.BodyPublishers.ofString(body)).build());
    }

    public Answer postText(String path, String body) {
        return send(
                request(path).POST(HttpRequest.BodyPublishers.ofString(body)).build());
    }

    /** Sends a CSV file. */
    public Answer postCsv(String path, String csv) {
        return send(csv(path, HttpRequest.BodyPublishers.ofString(csv)));
    }

    /** Sends a ZIP file. */
    public Answer postZip(String path, byte[] zip) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/zip")
                .header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"))
                .POST(HttpRequest.BodyPublishers.ofByteArray(zip))
                .build());
    }

    /** Begins to send a CSV file of so many bytes, and hangs up after a part of it. */
    public void hangUp(String path, String part, int bytes) {
        HttpRequest.BodyPublisher broken =
                HttpRequest.BodyPublishers.fromPublisher(HttpRequest.BodyPublishers.ofString(part), bytes);
        assertThatThrownBy(() -> send(csv(path, broken))).isInstanceOf(UncheckedIOException.class);
    }

    private HttpRequest csv(String path, HttpRequest.BodyPublisher body) {
        return HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "text/csv")
                .header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"))
                .POST(body)
                .build();
    }

    public String cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals(name))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"));
        return orchard == null ? request : request.header("X-Orchard", orchard);
    }

    private static HttpRequest.BodyPublisher json(Object body) {
        return HttpRequest.BodyPublishers.ofString(JsonMapper.shared().writeValueAsString(body));
    }

    private Answer send(HttpRequest request) {
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            boolean json =
                    response.headers().firstValue("Content-Type").orElse("").contains("json");
            JsonNode body = json
                    ? JsonMapper.shared().readTree(response.body())
                    : JsonMapper.shared().createObjectNode();
            return new Answer(response.statusCode(), body, response);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    // --- the grower's records, in short ---

    /** An orchard on the southern coast, as a form sends it. */
    public static Map<String, Object> place(String name) {
        return new HashMap<>(Map.of(
                "name",
                name,
                "latitude",
                -35.4,
                "longitude",
                173.9,
                "zone",
                "Pacific/Auckland",
                "typicalMinimumC",
                12,
                "typicalMaximumC",
                25,
                "units",
                "METRIC"));
    }

    /** A file to import. */
    /** Imports a file in which nothing is wrong and nothing has to be asked. */
    public void importFile(String kind, String csv) {
        assertThat(put("/api/imports/" + newId(), file(kind, csv))
                        .expect(200)
                        .body()
                        .required("imported")
                        .asBoolean())
                .isTrue();
    }

    public static Map<String, Object> file(String kind, String csv) {
        return file(kind, csv.getBytes(StandardCharsets.UTF_8));
    }

    public static Map<String, Object> file(String kind, byte[] csv) {
        return new HashMap<>(Map.of(
                "kind",
                kind,
                "fileName",
                kind + ".csv",
                "data",
                Base64.getEncoder().encodeToString(csv)));
    }

    public String variety(String name) {
        return variety("cherimoya", name);
    }

    public String variety(String crop, String name) {
        return put("/api/varieties/" + newId(), Map.of("crop", crop, "name", name))
                .expect(200)
                .id();
    }

    public String tree(String variety, String name) {
        Map<String, Object> tree = Map.of(
                "varietyId",
                variety,
                "name",
                name,
                "block",
                "North",
                "row",
                1,
                "position",
                1,
                "plantedOn",
                "2019-08-01");
        return put("/api/trees/" + newId(), tree).expect(200).id();
    }

    public Answer read(String tree, Instant at, Map<String, ?> counts) {
        return put("/api/readings/" + newId(), reading(tree, at, counts));
    }

    public static Map<String, Object> reading(String tree, Instant at, Map<String, ?> counts) {
        return Map.of("treeId", tree, "takenAt", at.toString(), "counts", counts);
    }

    /** A lot with a number of doses, recorded without being asked back. */
    public Answer lot(String tree, Instant at, int doses) {
        return put("/api/lots/" + newId(), lotBody(tree, at, doses));
    }

    public static Map<String, Object> lotBody(String tree, Instant at, int doses) {
        return Map.of(
                "sources", List.of(Map.of("treeId", tree, "flowers", 3)),
                "collectedAt", at.toString(),
                "storage", "FRIDGE_DESICCANT",
                "doses", doses,
                "confirmed", List.of("no-male-flowers"));
    }

    public Answer pollinate(String tree, String lot, int flowers, Instant at) {
        return put("/api/pollinations/" + newId(), pollination(tree, lot, flowers, at));
    }

    public static Map<String, Object> pollination(String tree, String lot, int flowers, Instant at) {
        return Map.of("treeId", tree, "lotId", lot, "flowers", flowers, "doneAt", at.toString());
    }

    public Answer check(String pollination, Instant at, int taken, int failed, int unknown) {
        return put("/api/checks/" + newId(), checkBody(pollination, at, taken, failed, unknown));
    }

    public static Map<String, Object> checkBody(String pollination, Instant at, int taken, int failed, int unknown) {
        return Map.of(
                "pollinationId",
                pollination,
                "checkedAt",
                at.toString(),
                "taken",
                taken,
                "failed",
                failed,
                "unknown",
                unknown);
    }

    public int dosesLeft(String lot) {
        return get("/api/lots/" + lot).expect(200).body().path("dosesLeft").asInt();
    }

    public static Map<String, Object> voiding(long version) {
        return Map.of("version", version, "reason", "a slip of the finger");
    }

    /** Hours and habits as they are sent, with changes. */
    @SafeVarargs
    public static Map<String, Object> settings(Map<String, Object>... changes) {
        Map<String, Object> all = new HashMap<>(Map.of(
                "pollenAge",
                "STORED",
                "strokes",
                "AS_SHEET",
                "flowersPerHour",
                40,
                "everyDay",
                List.of(Map.of("from", "16:00", "until", "19:00")),
                "singleDays",
                List.of(),
                "away",
                List.of()));
        for (Map<String, Object> change : changes) {
            all.putAll(change);
        }
        return all;
    }

    /** A picture of that size in base64, with a place written into it as cameras do. */
    public static String picture(int width, int height) {
        try {
            BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
            ImageIO.write(image, "jpg", jpeg);
            byte[] plain = jpeg.toByteArray();
            byte[] words = "Exif\0\0GPS 35.3 S 173.9 E".getBytes(StandardCharsets.US_ASCII);
            ByteArrayOutputStream placed = new ByteArrayOutputStream();
            placed.write(plain, 0, 2);
            placed.write(new byte[] {(byte) 0xff, (byte) 0xe1, 0, (byte) (words.length + 2)});
            placed.write(words);
            placed.write(plain, 2, plain.length - 2);
            return Base64.getEncoder().encodeToString(placed.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** An orchard's place as it is sent; it is warm and metric. */
    public static Map<String, Object> place(String name, double latitude, double longitude, String zone) {
        return new HashMap<>(Map.of(
                "name",
                name,
                "latitude",
                latitude,
                "longitude",
                longitude,
                "zone",
                zone,
                "typicalMinimumC",
                18,
                "typicalMaximumC",
                24,
                "units",
                "METRIC",
                "version",
                0));
    }
}
