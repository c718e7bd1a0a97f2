package org.evenhand.journeys;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;

/**
 * What every journey's application is started from, made once for all of them: the jar unpacked, its classes as the
 * first run left them (read at once instead of one by one), and a database with the demo orchard, of which each
 * journey has a copy of its own.
 */
final class Groundwork {
    private static Groundwork laid;

    private final Path jar;
    private final Path classes;
    private final String demo;

    private Groundwork(Path folder, String demo) {
        this.jar = folder.resolve(packed().getFileName());
        this.classes = folder.resolve("classes.jsa");
        this.demo = demo;
    }

    private static Path packed() {
        return Path.of(System.getProperty("evenhand.application"));
    }

    /** The groundwork of this run, laid by whichever of its processes comes first; the others wait for it. */
    static synchronized Groundwork laid() {
        if (laid == null) {
            Path shared = Path.of("target", "groundwork-" + System.getProperty("evenhand.run"));
            try {
                Files.createDirectories(shared);
                try (FileChannel channel = FileChannel.open(
                                shared.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                        FileLock alone = channel.lock()) {
                    laid = found(shared, shared.resolve("demo"));
                }
            } catch (IOException e) {
                throw new UncheckedIOException("The groundwork of the journeys could not be laid in " + shared, e);
            }
        }
        return laid;
    }

    private static Groundwork found(Path shared, Path demo) throws IOException {
        Path application = shared.resolve("application");
        if (Files.exists(demo)) {
            return new Groundwork(application, Files.readString(demo));
        }
        Groundwork groundwork = new Groundwork(unpacked(application), Databases.empty());
        // It is stopped before it is copied: PostgreSQL copies a database nobody is connected to, and the classes are
        // written when it ends.
        Application.on(groundwork.demo, true, groundwork).close();
        Files.writeString(demo, groundwork.demo);
        return groundwork;
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
        Path jar = packed();
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
        return folder;
    }
}
