package org.evenhand.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The one command, as somebody types it, in a folder of its own for what it keeps. */
class CommandTest {
    private static final Path PROJECT = Path.of("..").toAbsolutePath().normalize();

    @TempDir
    Path folder;

    private int port;
    private int databasePort;

    private record Said(int exit, String text) {}

    @BeforeEach
    void chooseFreePorts() throws IOException {
        // Built already: the folder only lacks the mark that says so.
        Files.createFile(folder.resolve("built"));
        port = freePort();
        databasePort = freePort();
    }

    @AfterEach
    void stop() throws Exception {
        evenHand(Map.of(), "stop");
        removeClusterElsewhere();
    }

    /** As root the cluster lies outside this private folder, where the database's own user can reach it. */
    private void removeClusterElsewhere() throws IOException {
        Path link = folder.resolve("postgres");
        if (!Files.isSymbolicLink(link)) {
            return;
        }
        try (Stream<Path> all = Files.walk(link.toRealPath())) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(path);
            }
        }
    }

    @Test
    void demo_starts_says_where_and_can_be_called_again_and_stop_stops_both() throws Exception {
        Said demo = start("demo");
        assertThat(demo.exit()).as(demo.text()).isZero();
        assertThat(demo.text())
                .contains("http://127.0.0.1:" + port)
                .contains("ines@heron-bank.example")
                .contains("password");
        assertThat(get("/").body()).contains("<title>Even Hand</title>");
        assertThat(get("/api/setup").body()).contains("\"ownerNeeded\":false");

        Said again = start("demo");
        assertThat(again.exit()).isZero();
        assertThat(again.text()).contains("already running");
        assertThat(evenHand(Map.of(), "status").text())
                .contains("the application runs")
                .contains("the database runs on port " + databasePort);

        assertThat(evenHand(Map.of(), "stop").text()).contains("stopped");
        Said status = evenHand(Map.of(), "status");
        assertThat(status.text()).contains("the application does not run").contains("the database does not run");
        assertThat(evenHand(Map.of(), "stop").text()).contains("nothing was running");
    }

    @Test
    void start_begins_empty_comes_back_after_a_crash_and_is_saved_and_restored() throws Exception {
        Said started = start("start");
        assertThat(started.exit()).as(started.text()).isZero();
        assertThat(get("/api/setup").body()).contains("\"ownerNeeded\":true");
        String code = started.text().replaceAll("(?s).*#code=(\\S+).*", "$1");
        HttpClient ada =
                HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        assertThat(setUp(ada, "GUESSED")).isEqualTo(400);
        assertThat(setUp(ada, code)).isEqualTo(200);

        // As when the memory is full, or somebody pulls a plug: whoever watches it starts it again.
        long before = Long.parseLong(Files.readString(folder.resolve("app.pid")).strip());
        ProcessHandle.of(before).orElseThrow().destroyForcibly();
        waitUntilItAnswersAgain();
        assertThat(Files.readString(folder.resolve("app.pid")).strip()).isNotEqualTo(String.valueOf(before));
        assertThat(Files.readString(folder.resolve("app.log")))
                .as("the log of before is still there")
                .isNotBlank();

        assertThat(evenHand(Map.of(), "reset-password", "nobody@far-side.example")
                        .exit())
                .isEqualTo(1);
        assertThat(evenHand(Map.of(), "reset-password", "ADA@far-side.example").text())
                .contains("Ada chooses a new password")
                .contains("http://127.0.0.1:" + port + "/join#");

        Path file = folder.resolve("orchards.ehb");
        Said saved = evenHand(Map.of(), "backup", file.toString());
        assertThat(saved.exit()).as(saved.text()).isZero();
        assertThat(evenHand(Map.of(), "restore", file.toString()).text()).contains("first ./even-hand stop");
        evenHand(Map.of(), "stop");
        assertThat(restore(file).text()).contains("call it again with --yes");
        assertThat(restore(file, "--yes").text())
                .contains("kept aside as the database even_hand_before_")
                .contains("account=1 orchard=1");
        byte[] damaged = Files.readAllBytes(file);
        damaged[damaged.length / 2] ^= 1;
        assertThat(restore(Files.write(folder.resolve("damaged.ehb"), damaged), "--yes")
                        .text())
                .contains("is damaged");
        assertThat(restore(Files.writeString(folder.resolve("other.ehb"), "x"), "--yes")
                        .text())
                .contains("is no backup of Even Hand");
        Said again = start("start");
        assertThat(again.text()).as("somebody has an account").doesNotContain("#code=");
        assertThat(get("/api/setup").body()).contains("\"ownerNeeded\":false");
    }

    private Said restore(Path file, String... more) throws Exception {
        List<String> line = new java.util.ArrayList<>(
                List.of("restore", file.toString(), "--db-port", String.valueOf(databasePort)));
        line.addAll(List.of(more));
        return evenHand(Map.of(), line.toArray(String[]::new));
    }

    private int setUp(HttpClient client, String code) throws Exception {
        String address = "http://127.0.0.1:" + port;
        HttpResponse<String> first = client.send(
                HttpRequest.newBuilder(URI.create(address + "/api/setup")).build(),
                HttpResponse.BodyHandlers.ofString());
        String token =
                client.cookieHandler().map(c -> (CookieManager) c).orElseThrow().getCookieStore().getCookies().stream()
                        .filter(c -> c.getName().equals("XSRF-TOKEN"))
                        .map(HttpCookie::getValue)
                        .findFirst()
                        .orElseThrow();
        assertThat(first.statusCode()).isEqualTo(200);
        return client.send(
                        HttpRequest.newBuilder(URI.create(address + "/api/setup"))
                                .header("Content-Type", "application/json")
                                .header("X-XSRF-TOKEN", token)
                                .POST(HttpRequest.BodyPublishers.ofString("""
                                        {"code":"%s","person":"Ada","email":"ada@far-side.example","password":"seven slow measured snails",
                                        "orchard":{"name":"Far Side","latitude":-35.3,"longitude":173.9,"zone":"Pacific/Auckland",
                                        "typicalMinimumC":14,"typicalMaximumC":24,"units":"METRIC"}}""".formatted(code)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .statusCode();
    }

    private void waitUntilItAnswersAgain() throws Exception {
        Instant end = Instant.now().plusSeconds(240);
        while (Instant.now().isBefore(end)) {
            try {
                if (get("/api/setup").statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                // It is still starting.
            }
            Thread.sleep(500);
        }
        throw new AssertionError("It was not started again");
    }

    @Test
    void a_busy_port_gives_one_clear_line() throws Exception {
        try (ServerSocket taken = new ServerSocket(port, 5, InetAddress.getLoopbackAddress())) {
            assertThat(taken.isBound()).isTrue();
            Said said = start("start");

            assertThat(said.exit()).isEqualTo(1);
            assertThat(said.text().strip())
                    .isEqualTo(
                            "even-hand: port " + port + " is taken by another program; choose another with --port N");
        }
        try (ServerSocket taken = new ServerSocket(databasePort, 5, InetAddress.getLoopbackAddress())) {
            assertThat(taken.isBound()).isTrue();
            assertThat(start("start").text())
                    .contains("port " + databasePort + " is taken by another program; choose another with --db-port N");
        }
    }

    @Test
    void a_missing_jdk_and_a_wrong_word_give_one_clear_line() throws Exception {
        Path bare = Files.createDirectory(folder.resolve("bin"));
        for (String tool : List.of("bash", "env", "dirname", "sed", "cat", "mkdir", "id", "tr", "grep")) {
            Files.createSymbolicLink(bare.resolve(tool), which(tool));
        }
        Said said = evenHand(Map.of("PATH", bare.toString()), "start", "--port", String.valueOf(port));
        assertThat(said.exit()).isEqualTo(1);
        assertThat(said.text().strip())
                .isEqualTo("even-hand: a JDK 17 is missing; on Debian: apt-get install openjdk-17-jdk-headless");

        assertThat(evenHand(Map.of(), "strat").text())
                .contains("'strat' is not known")
                .contains("even-hand demo");
        assertThat(evenHand(Map.of(), "start", "--port", "eighty").text()).contains("ports are numbers");
        assertThat(evenHand(Map.of(), "start", "--fresh").text()).contains("your own orchard is never thrown away");
    }

    @Test
    void without_a_network_a_build_says_so() throws Exception {
        Files.delete(folder.resolve("built"));
        Path bare = Files.createDirectory(folder.resolve("bin"));
        Path maven = bare.resolve("mvn");
        Files.writeString(maven, "#!/bin/sh\necho '[ERROR] Could not transfer artifact x:y:1: Unknown host'\nexit 1\n");
        assertThat(maven.toFile().setExecutable(true)).isTrue();

        Said said =
                evenHand(Map.of("PATH", bare + ":" + System.getenv("PATH")), "start", "--port", String.valueOf(port));

        assertThat(said.exit()).isEqualTo(1);
        assertThat(said.text()).contains("the registries cannot be reached; is there a network?");
    }

    @Test
    void verify_runs_a_file_and_tells_a_broken_one() throws Exception {
        Path checks = PROJECT.resolve("verify/src/test/resources/checks");
        Said good = evenHand(
                Map.of(),
                "verify",
                checks.resolve("sun.json").toString(),
                checks.resolve("flower-clock.json").toString());
        assertThat(good.text()).contains("sun: 14 passed, 0 failed").contains("flower-clock: 4 passed, 0 failed");
        assertThat(good.exit()).isZero();

        Path broken = Files.writeString(folder.resolve("broken.json"), "{\"topic\": ");
        Said bad = evenHand(Map.of(), "verify", broken.toString());
        assertThat(bad.text()).contains("broken.json: is not JSON");
        assertThat(bad.exit()).isEqualTo(2);
    }

    private Said start(String command) throws Exception {
        return evenHand(Map.of(), command, "--port", String.valueOf(port), "--db-port", String.valueOf(databasePort));
    }

    private Said evenHand(Map<String, String> environment, String... arguments) throws Exception {
        java.util.ArrayList<String> line =
                new java.util.ArrayList<>(List.of(PROJECT.resolve("even-hand").toString()));
        line.addAll(List.of(arguments));
        Path output = folder.resolve("said.txt");
        ProcessBuilder builder =
                new ProcessBuilder(line).redirectErrorStream(true).redirectOutput(output.toFile());
        Map<String, String> ours = new HashMap<>(environment);
        ours.put("EVEN_HAND_RUN", folder.toString());
        builder.environment().putAll(ours);
        Process process = builder.start();
        assertThat(process.waitFor(300, TimeUnit.SECONDS))
                .as("even-hand %s ends", line)
                .isTrue();
        return new Said(process.exitValue(), Files.readString(output));
    }

    private HttpResponse<String> get(String path) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }

    private static Path which(String tool) {
        return Stream.of(System.getenv("PATH").split(":"))
                .map(directory -> Path.of(directory, tool))
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow();
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}
