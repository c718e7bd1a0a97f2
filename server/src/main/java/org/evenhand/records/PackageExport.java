package org.evenhand.records;

import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.text.Normalizer;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ExportedFile;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes all records of an orchard into one file that can be read without the application: a ZIP with a table for each kind of record,
 * their earlier versions, pictures, what rooms add, and {@code datapackage.json}, which tells what is what.
 */
@Service
class PackageExport {
    private static final String CSV = "text/csv";

    /** Earlier than this a ZIP cannot say; the same for every file, so that the same records make the same bytes. */
    private static final Instant NO_TIME = Instant.parse("1980-01-02T00:00:00Z");

    private final TableExport export;
    private final RecordTables tables;
    private final List<ExportedFile.Of> rooms;
    private final Orchards orchards;
    private final JdbcTemplate jdbc;
    private final JsonMapper json;
    private final TransactionTemplate snapshot;

    PackageExport(
            TableExport export,
            RecordTables tables,
            List<ExportedFile.Of> rooms,
            Orchards orchards,
            JdbcTemplate jdbc,
            JsonMapper json,
            PlatformTransactionManager transactions) {
        this.export = export;
        this.tables = tables;
        this.rooms = rooms;
        this.orchards = orchards;
        this.jdbc = jdbc;
        this.json = json;
        this.snapshot = new TransactionTemplate(transactions);
        this.snapshot.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    }

    /** Writes one table, as far as it is wanted, into a file. */
    Path table(Caller caller, String name, TableFilter filter) {
        RecordTable table = tables.require(name);
        Site site = orchards.details(caller).site();
        return atOneMoment(() -> {
            if (table.numbered().isPresent()) {
                export.numberLines(caller.orchardId());
            }
            return intoFile(to -> export.write(table, caller.orchardId(), filter, site.zone(), to));
        });
    }

    /** Writes everything into a file: the tables as they are at one moment, and what the rooms make of them just before. */
    Path everything(Caller caller) {
        OrchardDetails orchard = orchards.details(caller);
        Instant now = orchards.now(caller).truncatedTo(ChronoUnit.SECONDS);
        // A plan may have to be worked out for them: no transaction is held meanwhile.
        List<ExportedFile> more =
                rooms.stream().flatMap(r -> r.files(caller).stream()).toList();
        return atOneMoment(() -> {
            export.numberLines(caller.orchardId());
            export.numberChanges(caller.orchardId());
            return intoFile(to -> write(caller.orchardId(), orchard, now, more, to));
        });
    }

    private void write(UUID orchardId, OrchardDetails orchard, Instant now, List<ExportedFile> more, OutputStream to)
            throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            List<PackageDescription.Resource> resources = new ArrayList<>();
            writeTables(orchardId, zip, resources, orchard);
            writeStoredFiles(orchardId, zip);
            for (ExportedFile file : more) {
                resources.add(writeFile(file, zip));
            }
            writeDescription(orchard, now, resources, zip);
        }
    }

    /** What others write meanwhile is not seen. */
    private Path atOneMoment(Supplier<Path> write) {
        return snapshot.execute(status -> write.get());
    }

    private void writeTables(
            UUID orchard, ZipOutputStream zip, List<PackageDescription.Resource> resources, OrchardDetails details)
            throws IOException {
        resources.add(entry(zip, "people.csv", to -> export.writePeople(orchard, to))
                .table("people", "Those who wrote something down.", PackageSchemas.people()));
        for (RecordTable t : tables.all()) {
            resources.add(entry(
                            zip,
                            t.path(),
                            to -> export.write(
                                    t, orchard, TableFilter.ALL, details.site().zone(), to))
                    .table(t.name(), t.about(), PackageSchemas.of(t, export.written(t), tables)));
        }
        resources.add(entry(zip, "changes.csv", export::writeChanges)
                .table("changes", "When records were changed, and by whom.", PackageSchemas.changes()));
        for (RecordTable t : tables.all()) {
            if (!t.historyColumns().isEmpty()) {
                resources.add(entry(zip, t.historyPath(), to -> export.writeHistory(t, orchard, to))
                        .table(
                                t.name() + "-history",
                                "Lines of " + t.path() + " as each change left them.",
                                PackageSchemas.history(export.writtenHistory(t))));
            }
        }
    }

    private void writeStoredFiles(UUID orchard, ZipOutputStream zip) {
        for (RecordTable t : tables.all()) {
            t.file().ifPresent(file -> writeStoredFiles(orchard, zip, t.table(), file));
        }
    }

    private void writeStoredFiles(UUID orchard, ZipOutputStream zip, String table, RecordTable.StoredFile file) {
        jdbc.query(
                "select id, " + file.column() + " from " + table + " where orchard_id = ? and " + file.column()
                        + " is not null order by id",
                row -> {
                    try {
                        byte[] bytes = row.getBytes(2);
                        entry(zip, file.path(row.getString(1)), to -> to.write(bytes));
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                },
                orchard);
    }

    private static PackageDescription.Resource writeFile(ExportedFile file, ZipOutputStream zip) throws IOException {
        String name = file.path().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9._-]", "-");
        return entry(zip, file.path(), to -> to.write(file.bytes()))
                .resource(name, null, file.about(), file.mediaType(), null);
    }

    private void writeDescription(
            OrchardDetails orchard, Instant now, List<PackageDescription.Resource> resources, ZipOutputStream zip)
            throws IOException {
        PackageDescription description = new PackageDescription(
                PackageDescription.PROFILE,
                PackageDescription.NAME,
                PackageDescription.VERSION,
                orchard.name(),
                "All records of an orchard that is pollinated by hand. Moments are in UTC; a line is a record; columns that repeat the"
                        + " name of what an id means are for people.",
                now.toString(),
                resources);
        byte[] bytes = json.writerWithDefaultPrettyPrinter().writeValueAsBytes(description);
        entry(zip, PackageDescription.FILE, to -> to.write(bytes));
    }

    /** Something that writes a file. */
    @FunctionalInterface
    private interface Writer {
        void to(OutputStream to) throws IOException;
    }

    /** A file that was written into the package. */
    private record Entry(String path, long bytes, String hash) {
        PackageDescription.Resource table(String name, String about, PackageDescription.Schema schema) {
            return resource(name, "tabular-data-resource", about, CSV, schema);
        }

        PackageDescription.Resource resource(
                String name, String profile, String about, String mediaType, PackageDescription.Schema schema) {
            return new PackageDescription.Resource(name, path, profile, about, mediaType, "utf-8", bytes, hash, schema);
        }
    }

    private static Entry entry(ZipOutputStream zip, String path, Writer writer) throws IOException {
        ZipEntry entry = new ZipEntry(path);
        entry.setLastModifiedTime(FileTime.from(NO_TIME));
        zip.putNextEntry(entry);
        Counted counted = new Counted(zip);
        DigestOutputStream summed = new DigestOutputStream(counted, sha256());
        writer.to(summed);
        summed.flush();
        zip.closeEntry();
        return new Entry(
                path,
                counted.bytes,
                "sha256:" + HexFormat.of().formatHex(summed.getMessageDigest().digest()));
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Counts what is written, and leaves the package open when a file of it ends. */
    private static final class Counted extends FilterOutputStream {
        private long bytes;

        Counted(OutputStream out) {
            super(out);
        }

        @Override
        public void write(int b) throws IOException {
            out.write(b);
            bytes++;
        }

        @Override
        public void write(byte[] b, int off, int len) throws IOException {
            out.write(b, off, len);
            bytes += len;
        }

        @Override
        public void close() throws IOException {
            flush();
        }
    }

    /** A file of its own, so that nobody far away holds a transaction open by reading slowly; the caller deletes it. */
    private static Path intoFile(Writer writer) {
        try {
            Path file = Files.createTempFile("even-hand-export", "");
            try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
                writer.to(to);
                return file;
            } catch (IOException | RuntimeException e) {
                Files.deleteIfExists(file);
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The name that a browser saves an orchard's file by. */
    static String fileName(String orchard, String what, LocalDate day, String ending) {
        String plain = Normalizer.normalize(orchard, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return (plain.isEmpty() ? "orchard" : plain) + (what.isEmpty() ? "" : "-" + what) + "-" + day + ending;
    }
}
