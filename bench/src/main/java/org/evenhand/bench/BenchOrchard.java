package org.evenhand.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.UUID;

/** An orchard of its own in a running application, filled and asked over HTTP. */
final class BenchOrchard {
    /** A year of records comes in one file. */
    private static final Duration PATIENCE = Duration.ofHours(1);

    private final BenchUser owner;
    private final SplittableRandom random = new SplittableRandom(1);
    private long millis = System.currentTimeMillis();

    /** Makes the owner's account of an application that has none yet. */
    BenchOrchard(String address) throws IOException, InterruptedException {
        this.owner = new BenchUser(HttpClient.newHttpClient(), address, PATIENCE);
        get("/api/setup");
        send("POST", "/api/setup", """
                {"code":"BENCH","person":"Ada","email":"ada@bench.example","password":"seven slow measured snails","orchard":{"name":"Bench",
                "latitude":-35.3,"longitude":173.9,"zone":"Pacific/Auckland","typicalMinimumC":14,"typicalMaximumC":24,
                "units":"METRIC"}}""");
    }

    SplittableRandom random() {
        return random;
    }

    /** A new UUIDv7. */
    String id() {
        return new UUID((millis++ << 16) | 0x7000L, 0x8000000000000000L | random.nextLong() >>> 2).toString();
    }

    void put(String path, String body) throws IOException, InterruptedException {
        send("PUT", path, body);
    }

    String post(String path, String body) throws IOException, InterruptedException {
        return send("POST", path, body);
    }

    String get(String path) throws IOException, InterruptedException {
        return send("GET", path, null);
    }

    /** How long one answer takes, ms. */
    double millisFor(String path) throws IOException, InterruptedException {
        long began = System.nanoTime();
        get(path);
        return (System.nanoTime() - began) / 1e6;
    }

    /** The median of several, ms. */
    double medianMillisFor(String path, int calls) throws IOException, InterruptedException {
        double[] times = new double[calls];
        for (int i = 0; i < calls; i++) {
            times[i] = millisFor(path);
        }
        Arrays.sort(times);
        return times[calls / 2];
    }

    /** How long a CSV file takes to be brought in, seconds. */
    double secondsForCsv(String path, Path file) throws IOException, InterruptedException {
        long began = System.nanoTime();
        required("POST", path, owner.send("POST", path, "text/csv", HttpRequest.BodyPublishers.ofFile(file)));
        return (System.nanoTime() - began) / 1e9;
    }

    private String send(String method, String path, String body) throws IOException, InterruptedException {
        return required(method, path, owner.send(method, path, body));
    }

    private static String required(String method, String path, HttpResponse<String> answer) {
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(method + " " + path + ": " + answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }
}
