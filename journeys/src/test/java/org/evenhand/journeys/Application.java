package org.evenhand.journeys;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;

/** The application as it ships, started from its jar with a database of its own. */
final class Application implements AutoCloseable {
    /** The demo's moment in the journeys, so that what they see is the same every day. */
    static final String DEMO_MOMENT = "2026-11-24T15:40";

    /** What whoever started it was shown. */
    static final String SETUP_CODE = "WALL-2345";

    private static final Duration START_LIMIT = Duration.ofSeconds(300);

    private final ProcessBuilder builder;
    private final String address;
    private final File log;
    private Process process;

    private Application(ProcessBuilder builder, String address, File log) throws IOException {
        this.builder = builder;
        this.address = address;
        this.log = log;
        this.process = builder.start();
        waitUntilReady(log);
    }

    /** Ends it as a power cut would. */
    void kill() {
        process.destroyForcibly();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Starts it again at the same address with the same database. */
    void startAgain() {
        try {
            process = builder.start();
            waitUntilReady(log);
        } catch (IOException e) {
            throw new IllegalStateException("The application could not be started again", e);
        }
    }

    static Application withDemoOrchard() {
        Groundwork groundwork = Groundwork.laid();
        return on(groundwork.demoOrchard(), true, groundwork);
    }

    static Application withEmptyDatabase() {
        return on(Databases.empty(), false, Groundwork.laid());
    }

    String address() {
        return address;
    }

    static Application on(String database, boolean demo, Groundwork groundwork) {
        try {
            int port = freePort();
            File log = Files.createDirectories(Path.of("target"))
                    .resolve("application-" + port + ".log")
                    .toFile();
            ProcessBuilder builder = new ProcessBuilder(groundwork.command())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(log));
            builder.environment().put("EVEN_HAND_PORT", String.valueOf(port));
            builder.environment().put("EVEN_HAND_DB_URL", Databases.url(database));
            builder.environment().put("EVEN_HAND_DB_PASSWORD", Databases.password());
            builder.environment().put("EVEN_HAND_SETUP_CODE", SETUP_CODE);
            builder.environment().put("EVEN_HAND_DEMO", String.valueOf(demo));
            builder.environment().put("EVEN_HAND_DEMO_MOMENT", DEMO_MOMENT);
            // A machine that runs browsers beside it plans slowly; that the plan from before is shown meanwhile is
            // tested elsewhere.
            builder.environment().put("EVEN_HAND_WAITS_FOR_NEW", "1m");
            return new Application(builder, "http://127.0.0.1:" + port, log);
        } catch (IOException e) {
            throw new IllegalStateException("The application could not be started", e);
        }
    }

    private void waitUntilReady(File log) throws IOException {
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest health = HttpRequest.newBuilder(URI.create(address + "/actuator/health/readiness"))
                .build();
        Instant limit = Instant.now().plus(START_LIMIT);
        while (Instant.now().isBefore(limit) && process.isAlive()) {
            try {
                if (http.send(health, HttpResponse.BodyHandlers.ofString()).statusCode() == 200) {
                    return;
                }
                Thread.sleep(200);
            } catch (IOException notYet) {
                pause();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
        }
        close();
        throw new IllegalStateException("The application did not come up:\n" + Files.readString(log.toPath()));
    }

    private static void pause() {
        try {
            Thread.sleep(300);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @Override
    public void close() {
        process.destroy();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
