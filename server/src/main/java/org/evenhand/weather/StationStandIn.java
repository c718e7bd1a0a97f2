package org.evenhand.weather;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import tools.jackson.databind.json.JsonMapper;

/**
 * A stand-in for a weather station: makes up plausible hours and posts them over HTTP as a real one would. Ships so that the way in
 * can be tried without a device; {@code ./even-hand station} runs it.
 */
public final class StationStandIn {
    private final SplittableRandom random;
    private final Site site;
    private final DailyTemperatures usual;

    /** @param seed the same seed makes the same weather */
    public StationStandIn(long seed, Site site, DailyTemperatures usual) {
        this.random = new SplittableRandom(seed);
        this.site = site;
        this.usual = usual;
    }

    /** Hours up to a moment, the earliest first: the usual day with slow swings of warmth, damp at night and dry at noon. */
    List<WeatherRequests.PostedHour> hours(Instant until, int count) {
        Instant first = until.truncatedTo(ChronoUnit.HOURS).minus(count - 1L, ChronoUnit.HOURS);
        double[] celsius = usual.repeated(site, first, count).toArray();
        List<WeatherRequests.PostedHour> hours = new ArrayList<>();
        double swing = 0;
        for (int h = 0; h < count; h++) {
            swing = 0.97 * swing + 0.35 * (random.nextDouble() - 0.5);
            double warm = (celsius[h] - usual.minimumC()) / Math.max(1, usual.maximumC() - usual.minimumC());
            double humidity = Math.min(100, Math.max(15, 92 - 38 * warm - 6 * swing));
            hours.add(new WeatherRequests.PostedHour(
                    first.plus(h, ChronoUnit.HOURS), Math.round((celsius[h] + swing) * 10) / 10.0, (double)
                            Math.round(humidity)));
        }
        return hours;
    }

    /**
     * Posts the last hours to a server.
     *
     * @return what came of it, in a sentence
     */
    public static String post(String address, String key, int count) throws IOException, InterruptedException {
        StationStandIn station = new StationStandIn(
                7, new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland")), new DailyTemperatures(14, 24));
        WeatherRequests.Post body = new WeatherRequests.Post(station.hours(Instant.now(), count));
        HttpRequest post = HttpRequest.newBuilder(URI.create(address + "/api/station/hours"))
                .header("Content-Type", "application/json")
                .header("X-Station-Key", key)
                .POST(HttpRequest.BodyPublishers.ofString(JsonMapper.shared().writeValueAsString(body)))
                .build();
        HttpResponse<String> answer = HttpClient.newHttpClient().send(post, HttpResponse.BodyHandlers.ofString());
        return answer.statusCode() == 204
                ? "The stand-in station posted " + count + " hours."
                : "The server refused: " + answer.body();
    }

    /** @param arguments address of the server, the station's key, number of hours */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (arguments.length != 3) {
            throw new IllegalArgumentException("Wanted: address, key of the station, number of hours.");
        }
        System.out.println(post(arguments[0], arguments[1], Integer.parseInt(arguments[2])));
    }
}
