package org.evenhand.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Somebody at a browser: cookies of their own, over connections that all share. */
final class BenchUser {
    private final HttpClient http;
    private final String address;
    private final Duration patience;
    private final Map<String, String> cookies = new TreeMap<>();

    /** @param patience whoever waits longer has gone */
    BenchUser(HttpClient http, String address, Duration patience) {
        this.http = http;
        this.address = address;
        this.patience = patience;
    }

    /** @param body null for none */
    HttpResponse<String> send(String method, String path, String body) throws IOException, InterruptedException {
        return send(
                method,
                path,
                "application/json",
                body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
    }

    HttpResponse<String> send(String method, String path, String type, HttpRequest.BodyPublisher body)
            throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                .timeout(patience)
                .header("Content-Type", type)
                .header("X-XSRF-TOKEN", cookies.getOrDefault("XSRF-TOKEN", ""))
                .header(
                        "Cookie",
                        cookies.entrySet().stream()
                                .map(c -> c.getKey() + "=" + c.getValue())
                                .collect(Collectors.joining("; ")))
                .method(method, body)
                .build();
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        for (String set : answer.headers().allValues("Set-Cookie")) {
            String[] cookie = set.split(";", 2)[0].split("=", 2);
            cookies.put(cookie[0], cookie[1]);
        }
        return answer;
    }
}
