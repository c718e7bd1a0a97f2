package org.evenhand.bench;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The command {@code even-hand bench load}: a hundred people on an orchard of 500 trees, each looking, reading, pollinating and thinking one
 * to four seconds in between.
 */
public final class UsersLoad {
    private static final int USERS = 100;
    private static final int TREES = 500;
    private static final Duration LASTS = Duration.ofMinutes(5);
    /** Whoever waits longer has gone. */
    private static final Duration GONE = Duration.ofSeconds(60);

    private static final int THINKS_LEAST_MS = 1_000;
    private static final int THINKS_MOST_MS = 4_000;

    /** What they do, and how often of a hundred times. */
    private static final Map<String, Integer> DONE = new TreeMap<>(Map.of(
            "today's plan", 15,
            "bloom board", 15,
            "fruit set", 10,
            "pollen shelf", 12,
            "one tree", 13,
            "the orchard", 5,
            "a reading", 20,
            "a pollination", 10));

    private record Answered(String what, double millis, int status, String body) {}

    private final String address;
    private final BenchOrchard orchard;
    private final LargeOrchard trees;
    private final List<String> jars = new ArrayList<>();
    private final Queue<Answered> answers = new ConcurrentLinkedQueue<>();
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(20))
            .build();

    private UsersLoad(String address) throws IOException, InterruptedException {
        this.address = address;
        this.orchard = new BenchOrchard(address);
        this.trees = new LargeOrchard(orchard);
    }

    public static void main(String[] arguments) throws Exception {
        Duration lasts = arguments.length > 3 ? Duration.ofSeconds(Long.parseLong(arguments[3])) : LASTS;
        new UsersLoad(arguments[0]).run(Path.of(arguments[2]), lasts);
    }

    private void run(Path folder, Duration lasts) throws Exception {
        trees.grow(TREES);
        for (int jar = 0; jar < 5; jar++) {
            jars.add(orchard.id());
            orchard.put(
                    "/api/lots/" + jars.get(jar),
                    "{\"sources\":[{\"treeId\":\"%s\",\"flowers\":5000}],\"collectedAt\":\"%s\",\"storage\":\"ROOM\",\"doses\":20000}"
                            .formatted(trees.trees().get(jar), Instant.now().minus(Duration.ofHours(3))));
        }
        List<BenchUser> users = new ArrayList<>();
        for (int u = 0; u < USERS; u++) {
            users.add(join(u));
        }
        lookOnce(users.get(0));
        System.out.printf("%d people on %d trees for %d s%n", USERS, TREES, lasts.toSeconds());
        Instant end = Instant.now().plus(lasts);
        ExecutorService threads = Executors.newFixedThreadPool(USERS);
        List<Future<?>> all = new ArrayList<>();
        for (int u = 0; u < USERS; u++) {
            int seed = u;
            all.add(threads.submit(() -> work(users.get(seed), new SplittableRandom(seed), end)));
        }
        for (Future<?> one : all) {
            one.get();
        }
        threads.shutdown();
        report(lasts);
        System.out.println("resident memory afterwards: " + resident(folder));
    }

    /** An orchard at work has a plan and a board: nobody's first look is measured. */
    private void lookOnce(BenchUser user) throws IOException, InterruptedException {
        SplittableRandom random = new SplittableRandom(0);
        for (String what : DONE.keySet()) {
            long began = System.nanoTime();
            int length = act(user, what, random).body().length();
            System.out.printf(
                    Locale.ROOT,
                    "first: %-14s %7.0f ms %7d kB%n",
                    what,
                    (System.nanoTime() - began) / 1e6,
                    length / 1000);
        }
    }

    private BenchUser join(int n) throws IOException, InterruptedException {
        String link = orchard.post("/api/people/invitations", "{\"role\":\"WORKER\",\"note\":\"bench\"}");
        Matcher key = Pattern.compile("join#([^\"]+)\"").matcher(link);
        if (!key.find()) {
            throw new IllegalStateException("no link in " + link);
        }
        BenchUser user = new BenchUser(http, address, GONE);
        user.send("GET", "/api/setup", null);
        HttpResponse<String> joined = user.send(
                "POST",
                "/api/join",
                "{\"key\":\"%s\",\"person\":\"P%d\",\"email\":\"p%d@bench.example\",\"password\":\"seven slow measured snails\"}"
                        .formatted(key.group(1), n, n));
        if (joined.statusCode() >= 300) {
            throw new IllegalStateException(joined.body());
        }
        return user;
    }

    private Void work(BenchUser user, SplittableRandom random, Instant end) throws InterruptedException {
        while (true) {
            Thread.sleep(random.nextInt(THINKS_LEAST_MS, THINKS_MOST_MS));
            if (Instant.now().isAfter(end)) {
                return null;
            }
            String what = chosen(random.nextInt(100));
            long began = System.nanoTime();
            int status;
            String body = "";
            try {
                HttpResponse<String> answer = act(user, what, random);
                status = answer.statusCode();
                body = status < 400 ? "" : answer.body();
            } catch (IOException e) {
                status = 0;
                body = e.toString();
            }
            answers.add(new Answered(what, (System.nanoTime() - began) / 1e6, status, body));
        }
    }

    private static String chosen(int of) {
        int left = of;
        for (Map.Entry<String, Integer> d : DONE.entrySet()) {
            left -= d.getValue();
            if (left < 0) {
                return d.getKey();
            }
        }
        throw new IllegalStateException("what they do is not a hundred");
    }

    private HttpResponse<String> act(BenchUser user, String what, SplittableRandom random)
            throws IOException, InterruptedException {
        int tree = random.nextInt(TREES);
        String id = new UUID(
                        System.currentTimeMillis() << 16 | 0x7000L | random.nextInt(0x1000),
                        0x8000000000000000L | random.nextLong() >>> 2)
                .toString();
        return switch (what) {
            case "today's plan" -> user.send("GET", "/api/plan", null);
            case "bloom board" -> user.send("GET", "/api/bloom?hours=72", null);
            case "fruit set" -> user.send("GET", "/api/fruit-set", null);
            case "pollen shelf" -> user.send("GET", "/api/lots", null);
            case "one tree" ->
                user.send("GET", "/api/story?tree=" + trees.trees().get(tree), null);
            case "the orchard" -> user.send("GET", "/api/trees", null);
            case "a reading" -> user.send("PUT", "/api/readings/" + id, trees.reading(tree, Instant.now(), random));
            default -> user.send("PUT", "/api/pollinations/" + id, pollination(random));
        };
    }

    /** Of a jar on a tree of another variety of its crop. */
    private String pollination(SplittableRandom random) {
        int jar = random.nextInt(jars.size());
        // Trees of a crop come every fifth, those of a variety every twentieth.
        int tree = jar + 20 * random.nextInt(TREES / 20) + 5 * (1 + random.nextInt(3));
        return "{\"treeId\":\"%s\",\"lotId\":\"%s\",\"flowers\":%d,\"doneAt\":\"%s\"}"
                .formatted(trees.trees().get(tree), jars.get(jar), 1 + random.nextInt(3), Instant.now());
    }

    private void report(Duration lasts) {
        List<Answered> failed = answers.stream()
                .filter(a -> a.status() == 0 || a.status() >= 400)
                .toList();
        System.out.printf(
                Locale.ROOT,
                "%d requests, %.0f a second; %d were not answered as wished%n",
                answers.size(),
                (double) answers.size() / lasts.toSeconds(),
                failed.size());
        failed.stream()
                .collect(Collectors.groupingBy(a -> a.status() + " " + a.what(), TreeMap::new, Collectors.toList()))
                .forEach((what, all) -> System.out.printf(
                        "  %d × %s: %s%n", all.size(), what, all.get(0).body()));
        for (String what : DONE.keySet()) {
            line(what, answers.stream().filter(a -> a.what().equals(what)).toList());
        }
        line("all", List.copyOf(answers));
    }

    private static void line(String what, List<Answered> of) {
        double[] times = of.stream().mapToDouble(Answered::millis).sorted().toArray();
        System.out.printf(
                Locale.ROOT,
                "%-16s %6d   median %6.0f ms   p95 %6.0f ms   p99 %6.0f ms   most %6.0f ms%n",
                what,
                times.length,
                at(times, 0.5),
                at(times, 0.95),
                at(times, 0.99),
                at(times, 1));
    }

    private static double at(double[] sorted, double share) {
        return sorted.length == 0
                ? Double.NaN
                : sorted[(int) Math.min(sorted.length - 1L, (long) (share * sorted.length))];
    }

    private static String resident(Path folder) throws IOException {
        String pid = Files.readString(folder.resolve("app.pid")).strip();
        return Arrays.stream(Files.readString(Path.of("/proc", pid, "status")).split("\n"))
                .filter(l -> l.startsWith("VmRSS") || l.startsWith("VmHWM"))
                .map(l -> l.replaceAll("\\s+", " "))
                .toList()
                .toString();
    }
}
