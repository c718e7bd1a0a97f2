package org.evenhand.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.UUID;

/** The command {@code even-hand bench board}: how long the bloom board of a large orchard takes over HTTP. */
public final class BoardLoad {
    private static final String[] CROPS = {"cherimoya", "atemoya", "sugar-apple", "feijoa", "apple"};
    private static final String[][] STAGES = {
        {"closed", "parted", "half-open", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"bud", "pink", "yellow", "dry"},
        {"cluster", "balloon", "open-plump", "open-dust"},
    };
    private static final int FEW = 50;
    private static final int MANY = 500;
    private static final int CALLS = 40;

    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final SplittableRandom random = new SplittableRandom(1);
    private final String[] varieties = new String[20];
    private int trees;
    private long millis = System.currentTimeMillis();

    private BoardLoad(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        new BoardLoad(arguments[0]).run();
    }

    private void run() throws IOException, InterruptedException {
        send("GET", "/api/setup", null);
        send("POST", "/api/setup", """
                {"person":"Ada","email":"ada@bench.example","password":"seven slow measured snails","orchard":{"name":"Bench",
                "latitude":-35.3,"longitude":173.9,"zone":"Pacific/Auckland","usualMinimumC":14,"usualMaximumC":24,
                "units":"METRIC"}}""");
        for (int v = 0; v < varieties.length; v++) {
            varieties[v] = id();
            String crop = CROPS[v % CROPS.length];
            put("/api/varieties/" + varieties[v], "{\"crop\":\"%s\",\"name\":\"V%d\"}".formatted(crop, v));
        }
        grow(FEW);
        board();
        double few = median();
        grow(MANY);
        double cold = board();
        double many = median();
        read(trees - 1, Instant.now());
        double afterOne = board();
        int bytes = send("GET", "/api/bloom?hours=72", null).body().length();
        System.out.printf(
                Locale.ROOT,
                "%nbloom board over HTTP, 72 h, %d trees: %.0f ms at the median of %d calls (%d trees: %.0f ms, %.1f times less);"
                        + " %.0f kB%n",
                MANY,
                many,
                CALLS,
                FEW,
                few,
                many / few,
                bytes / 1000.0);
        System.out.printf(
                Locale.ROOT,
                "the first call, with %d trees new: %.0f ms; after one more reading: %.0f ms%n",
                MANY - FEW,
                cold,
                afterOne);
    }

    private final String[] treeIds = new String[MANY];

    private void grow(int wanted) throws IOException, InterruptedException {
        for (; trees < wanted; trees++) {
            treeIds[trees] = id();
            put(
                    "/api/trees/" + treeIds[trees],
                    "{\"varietyId\":\"%s\",\"name\":\"T%d\",\"block\":\"B%d\",\"row\":%d,\"position\":%d}"
                            .formatted(varieties[trees % 20], trees, trees / 100, trees / 20, trees % 20));
            read(trees, Instant.now().minus(Duration.ofHours(22)));
            read(trees, Instant.now().minus(Duration.ofMinutes(40)));
        }
    }

    private void read(int tree, Instant at) throws IOException, InterruptedException {
        String[] stages = STAGES[tree % 20 % CROPS.length];
        StringBuilder counts = new StringBuilder();
        for (String stage : stages) {
            counts.append(counts.isEmpty() ? "" : ",").append("\"%s\":%d".formatted(stage, 3 + random.nextInt(12)));
        }
        put(
                "/api/readings/" + id(),
                "{\"treeId\":\"%s\",\"takenAt\":\"%s\",\"counts\":{%s}}".formatted(treeIds[tree], at, counts));
    }

    private double board() throws IOException, InterruptedException {
        long began = System.nanoTime();
        send("GET", "/api/bloom?hours=72", null);
        return (System.nanoTime() - began) / 1e6;
    }

    private double median() throws IOException, InterruptedException {
        double[] times = new double[CALLS];
        for (int i = 0; i < CALLS; i++) {
            times[i] = board();
        }
        Arrays.sort(times);
        return times[CALLS / 2];
    }

    private String id() {
        return new UUID((millis++ << 16) | 0x7000L, 0x8000000000000000L | random.nextLong() >>> 2).toString();
    }

    private void put(String path, String body) throws IOException, InterruptedException {
        send("PUT", path, body);
    }

    private HttpResponse<String> send(String method, String path, String body)
            throws IOException, InterruptedException {
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
        HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token)
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body))
                .build();
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(method + " " + path + ": " + answer.statusCode() + " " + answer.body());
        }
        return answer;
    }
}
