package org.evenhand.operation;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryUsage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.kit.Job;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.PublicAddress;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/** Looks after the machine: what runs on it, and what an owner should know. */
@Service
class Machine {
    private static final String BACKUPS = ".ehb";

    private final JdbcTemplate jdbc;
    private final PublicAddress address;
    private final List<Job> jobs;
    private final String backups;
    private final String certificate;

    Machine(
            JdbcTemplate jdbc,
            PublicAddress address,
            List<Job> jobs,
            @Value("${even-hand.backups:}") String backups,
            @Value("${even-hand.certificate:}") String certificate) {
        this.jdbc = jdbc;
        this.address = address;
        this.jobs = jobs;
        this.backups = backups;
        this.certificate = certificate;
    }

    MachineView.Phones phones() {
        Optional<X509Certificate> known = certificate.isBlank() ? Optional.empty() : Optional.of(read());
        return new MachineView.Phones(
                address.given().orElse(null),
                known.map(Machine::fingerprint).orElse(null),
                known.map(c -> c.getNotAfter().toInstant()).orElse(null));
    }

    /** The certificate that phones are to trust, as they read it. */
    byte[] certificate() {
        if (certificate.isBlank()) {
            throw new NotFoundException("certificate");
        }
        try {
            return read().getEncoded();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    private X509Certificate read() {
        try (InputStream in = Files.newInputStream(Path.of(certificate))) {
            return (X509Certificate) CertificateFactory.getInstance("X.509").generateCertificate(in);
        } catch (IOException | GeneralSecurityException e) {
            throw new IllegalStateException("The certificate " + certificate + " cannot be read", e);
        }
    }

    private static String fingerprint(X509Certificate of) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(of.getEncoded());
            return HexFormat.ofDelimiter(":").withUpperCase().formatHex(digest);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    MachineView.Status status() {
        MemoryUsage heap = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage();
        return new MachineView.Status(
                // Only what was packed knows it.
                Optional.ofNullable(Machine.class.getPackage().getImplementationVersion())
                        .orElse("in development"),
                Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime()),
                jdbc.queryForObject("show server_version", String.class),
                jdbc.queryForObject(
                        "select version from flyway_schema_history where success and version is not null order by installed_rank desc limit 1",
                        String.class),
                jdbc.queryForObject("select pg_database_size(current_database())", Long.class),
                new MachineView.Amount(heap.getUsed(), heap.getMax()),
                disk(),
                jobs.stream()
                        .map(j -> new MachineView.JobView(j.kind(), j.waiting()))
                        .sorted(Comparator.comparing(MachineView.JobView::kind))
                        .toList(),
                backups.isBlank() ? null : backup(Path.of(backups)));
    }

    private MachineView.Amount disk() {
        Path place = backups.isBlank() || !Files.isDirectory(Path.of(backups)) ? Path.of(".") : Path.of(backups);
        try {
            var store = Files.getFileStore(place.toAbsolutePath());
            return new MachineView.Amount(store.getTotalSpace() - store.getUsableSpace(), store.getTotalSpace());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static MachineView.Backup backup(Path folder) {
        List<Path> all = saved(folder);
        Optional<Path> last = all.stream().max(Comparator.comparing(Machine::savedAt));
        Path failed = folder.resolve("failed");
        try {
            return new MachineView.Backup(
                    folder.toString(),
                    all.size(),
                    last.map(Machine::savedAt).orElse(null),
                    last.isPresent() ? Files.size(last.get()) : null,
                    Files.exists(failed) ? Files.readString(failed).strip() : null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Path> saved(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(p -> p.toString().endsWith(BACKUPS)).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Instant savedAt(Path file) {
        try {
            return Files.getLastModifiedTime(file).toInstant();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
