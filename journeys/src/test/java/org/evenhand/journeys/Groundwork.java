package org.evenhand.journeys;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;

/**
 * What every journey's application is started from, made once for all of them: the jar unpacked, its classes as the
 * first run left them (read at once instead of one by one), and a database with the demo orchard, of which each
 * journey has a copy of its own.
 */
final class Groundwork {
    private static Groundwork laid;

    private final Path jar;
    private final Path classes;
    private String demo;

    private Groundwork(Path folder) {
        this.jar = unpacked(folder);
        this.classes = folder.resolve("classes.jsa");
    }

    static synchronized Groundwork laid() {
        if (laid == null) {
            laid = new Groundwork(Path.of("target", "application-" + UUID.randomUUID()));
            laid.demo = Databases.empty();
            // It is stopped before it is copied: PostgreSQL copies a database nobody is connected to, and the classes
            // are written when it ends.
            Application.on(laid.demo, true, laid).close();
        }
        return laid;
    }

    /** A database of its own with the demo orchard as it was filled. */
    String demoOrchard() {
        return Databases.copyOf(demo);
    }

    /** How the application is started. */
    List<String> command() {
        return List.of(
                "java",
                // It lives for one journey: code compiled quickly serves it better than code compiled well.
                "-XX:TieredStopAtLevel=1",
                "-Xmx512m",
                Files.exists(classes) ? "-XX:SharedArchiveFile=" + classes : "-XX:ArchiveClassesAtExit=" + classes,
                "-Xlog:cds=off",
                "-Xlog:cds+dynamic=off",
                "-jar",
                jar.toString());
    }

    private static Path unpacked(Path folder) {
        Path jar = Path.of(System.getProperty("evenhand.application"));
        try {
            Process unpacking = new ProcessBuilder(
                            "java",
                            "-Djarmode=tools",
                            "-jar",
                            jar.toString(),
                            "extract",
                            "--destination",
                            folder.toString())
                    .inheritIO()
                    .start();
            if (unpacking.waitFor() != 0) {
                throw new IllegalStateException("The application could not be unpacked: " + jar);
            }
        } catch (IOException e) {
            throw new IllegalStateException("The application could not be unpacked", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Stopped while the application was unpacked", e);
        }
        return folder.resolve(jar.getFileName());
    }
}
