package org.evenhand.records;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.time.Instant;
import java.time.InstantSource;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.PollenShelf;
import org.postgresql.PGConnection;
import org.springframework.core.io.ClassPathResource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.FileCopyUtils;

/**
 * Takes pollinations and looks from CSV files, a line a record. The file runs straight into a table of its own, is looked through there
 * as a whole, and goes in as a whole or not at all; the program holds a line of it at a time. A record has the reference that the file
 * gives it, so that a file sent twice is there once.
 */
@Service
class BulkImports {
    private static final int MOST_TOLD = 50;
    private static final int LONGEST_HEAD = 4_000;

    private final JdbcTemplate jdbc;
    private final Orchards orchards;
    private final Crosses crosses;
    private final PollenShelf shelf;
    private final InstantSource clock;

    BulkImports(JdbcTemplate jdbc, Orchards orchards, Crosses crosses, PollenShelf shelf, InstantSource clock) {
        this.crosses = crosses;
        this.shelf = shelf;
        this.jdbc = jdbc;
        this.orchards = orchards;
        this.clock = clock;
    }

    /** What can be brought, and the scripts that look it through and write it down. */
    enum Kind {
        POLLINATIONS(
                "pollinations",
                List.of("ref", "tree", "flowers", "done_at"),
                List.of(
                        "jar",
                        "father",
                        "collected_at",
                        "storage",
                        "mark",
                        "tag",
                        "treatment",
                        "stage",
                        "strokes",
                        "tool",
                        "limb",
                        "helper")),
        CHECKS(
                "looks",
                List.of("ref", "checked_at", "taken", "failed", "unknown"),
                List.of("dropped", "thinned", "lost", "note", "helper"));

        private final String script;
        private final List<String> needed;
        private final List<String> allowed;

        Kind(String script, List<String> needed, List<String> optional) {
            this.script = script;
            this.needed = needed;
            this.allowed = Stream.of(needed, optional).flatMap(List::stream).toList();
        }

        /** One SQL script of this kind. */
        String sql(String step) {
            try {
                return FileCopyUtils.copyToString(new InputStreamReader(
                        new ClassPathResource("records/" + script + "-" + step + ".sql").getInputStream(),
                        StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Takes a file as a whole. */
    @Transactional
    RecordsImported take(Caller caller, Kind kind, InputStream csv) {
        jdbc.execute("create temp table brought (line bigint generated always as identity (start with 2), "
                + kind.allowed.stream()
                        .map(c -> c + " text not null default ''")
                        .collect(Collectors.joining(", "))
                + ") on commit drop");
        jdbc.execute(
                "create temp table told (orchard uuid, account uuid, zone text, now timestamptz, noted timestamptz)"
                        + " on commit drop");
        jdbc.update(
                "insert into told values (?, ?, ?, ?, ?)",
                caller.orchardId(),
                caller.accountId(),
                orchards.details(caller).site().zone().getId(),
                utc(orchards.now(caller)),
                utc(clock.instant()));
        long rows = copy(kind, csv);
        if (rows == 0) {
            throw new InvalidInputException("csv", "has no line below its head. Nothing was imported.");
        }
        // Without their sizes the statements below would be planned for tables of another size.
        jdbc.execute("analyze brought, told, tree, variety, pollen_lot");
        try {
            refuseBad(kind);
            if (kind == Kind.POLLINATIONS) {
                refuseWhatDoesNotServe(caller, kind);
            }
            int written = write(kind);
            if (kind == Kind.POLLINATIONS) {
                jdbc.update(kind.sql("draw"));
            }
            return new RecordsImported(rows, written, rows - written);
        } catch (DataAccessException e) {
            throw CopyProblem.of(e);
        }
    }

    private static OffsetDateTime utc(Instant at) {
        return OffsetDateTime.ofInstant(at, ZoneOffset.UTC);
    }

    /** Lets the file run into the table; its head says which column is which. */
    private long copy(Kind kind, InputStream csv) {
        BufferedReader reader = new BufferedReader(new InputStreamReader(csv, strictly()), 1 << 16);
        List<String> columns = head(kind, reader);
        try {
            return jdbc.execute((ConnectionCallback<Long>)
                    connection -> copy(connection.unwrap(PGConnection.class), columns, reader));
        } catch (DataAccessException e) {
            throw CopyProblem.of(e);
        }
    }

    /** Refuses what is not UTF-8, rather than putting something else in its place. */
    private static CharsetDecoder strictly() {
        return StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
    }

    private static long copy(PGConnection connection, List<String> columns, Reader reader) throws SQLException {
        try {
            return connection
                    .getCopyAPI()
                    .copyIn(
                            "copy brought (" + String.join(", ", columns)
                                    + ") from stdin with (format csv, force_not_null (" + String.join(", ", columns)
                                    + "))",
                            new LinesOfFile(reader));
        } catch (LinesOfFile.LoneDot e) {
            throw new InvalidInputException(
                    "csv",
                    "was not imported: line " + e.line() + " is '\\.', which is no record. Remove it, or complete it.");
        } catch (CharacterCodingException e) {
            throw new InvalidInputException(
                    "csv", "was not imported: it is not UTF-8. Save it as CSV UTF-8, and choose it again.");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> head(Kind kind, BufferedReader reader) {
        String line = firstLine(reader);
        List<String> columns = Arrays.stream(line.split(","))
                .map(c -> c.strip().replace("\"", "").toLowerCase(Locale.ROOT))
                .toList();
        List<String> wrong = new ArrayList<>();
        kind.needed.stream()
                .filter(c -> !columns.contains(c))
                .forEach(c -> wrong.add("the column '" + c + "' is missing"));
        columns.stream()
                .filter(c -> !kind.allowed.contains(c))
                .forEach(c -> wrong.add("the column '" + c + "' is not known"));
        if (columns.stream().distinct().count() < columns.size()) {
            wrong.add("a column stands there twice");
        }
        if (!wrong.isEmpty()) {
            throw new InvalidInputException(
                    "csv",
                    "cannot be imported: " + String.join("; ", wrong) + ". Columns are "
                            + String.join(", ", kind.allowed) + ".");
        }
        return columns;
    }

    private static String firstLine(BufferedReader reader) {
        try {
            StringBuilder line = new StringBuilder();
            for (int c = reader.read(); c >= 0 && c != '\n'; c = reader.read()) {
                if (c != '\uFEFF' && c != '\r') {
                    line.append((char) c);
                }
                if (line.length() > LONGEST_HEAD) {
                    throw new InvalidInputException("csv", "has no head: its first line is too long to be one.");
                }
            }
            return line.toString();
        } catch (CharacterCodingException e) {
            throw new InvalidInputException(
                    "csv", "was not imported: it is not UTF-8. Save it as CSV UTF-8, and choose it again.");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void refuseBad(Kind kind) {
        List<String> bad = jdbc.query(
                kind.sql("problems") + " order by line limit " + MOST_TOLD,
                (row, i) -> "line " + row.getLong(1) + ": " + row.getString(2));
        if (!bad.isEmpty()) {
            throw new InvalidInputException(
                    "csv",
                    "was not imported, as it is wrong in "
                            + (bad.size() < MOST_TOLD ? Plural.of(bad.size(), "line") : "many lines") + ". "
                            + String.join("; ", bad) + ".");
        }
    }

    /** What a form refuses, a file refuses with the same words: pollen that cannot serve its mother. */
    private void refuseWhatDoesNotServe(Caller caller, Kind kind) {
        CrossBook book = crosses.book(caller);
        List<String> bad = new ArrayList<>();
        jdbc.query(kind.sql("pairs"), row -> {
            UUID mother = row.getObject(2, UUID.class);
            UUID lot = row.getObject(3, UUID.class);
            CrossCompatibility cross = lot == null
                    ? book.cross(mother, row.getObject(4, UUID.class))
                    : book.cross(mother, shelf.lot(caller, lot));
            if (!cross.serves()) {
                bad.add("line " + row.getLong(1) + ": " + row.getString(5) + " cannot serve " + row.getString(6) + ": "
                        + cross.why());
            }
        });
        if (!bad.isEmpty()) {
            throw new InvalidInputException("csv", "was not imported. " + String.join(" ", bad));
        }
    }

    /** Rows written by the last statement of the script; the ones before it prepare the ground. */
    private int write(Kind kind) {
        String[] statements = kind.sql("write").split(";\\s*\n");
        for (int i = 0; i < statements.length - 1; i++) {
            jdbc.execute(statements[i]);
        }
        return jdbc.update(statements[statements.length - 1]);
    }
}
