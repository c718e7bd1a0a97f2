package org.evenhand.records;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.RecordsArrived;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a whole package into an empty orchard: all records as they were, with their keys and earlier versions, or none. The tables run
 * into tables of texts first, and from there into their own, whose rules hold for them as for any record.
 */
@Service
class PackageImport {
    private static final Logger LOG = LoggerFactory.getLogger(PackageImport.class);
    private static final String CHANGES = "changes";
    private static final String PEOPLE = "people";
    private static final String BROUGHT = "brought_";

    private final JdbcTemplate jdbc;
    private final RecordTables tables;
    private final TableExport export;
    private final CropCatalogue crops;
    private final ApplicationEventPublisher events;
    private final JsonMapper json;

    PackageImport(
            JdbcTemplate jdbc,
            RecordTables tables,
            TableExport export,
            CropCatalogue crops,
            ApplicationEventPublisher events,
            JsonMapper json) {
        this.jdbc = jdbc;
        this.tables = tables;
        this.export = export;
        this.crops = crops;
        this.events = events;
        this.json = json;
    }

    /**
     * Reads a package.
     *
     * @return how many lines each table has
     * @throws InvalidInputException where it is no package, was changed, needs a crop sheet that is not here, or the orchard has records
     */
    @Transactional
    public Map<String, Long> read(Caller caller, Path file) {
        try (PackageFile in = new PackageFile(file, json)) {
            requireEmpty(caller.orchardId());
            in.requireWhole();
            Map<String, Long> lines = new LinkedHashMap<>();
            stage(in, PEOPLE, PackageSchemas.people());
            stage(in, CHANGES, PackageSchemas.changes());
            for (RecordTable t : tables.all()) {
                lines.put(t.name(), stage(in, t.name(), PackageSchemas.of(t, export.written(t), tables)));
            }
            requireSheets(caller);
            write(caller, in);
            events.publishEvent(new RecordsArrived(caller.orchardId()));
            return lines;
        } catch (DuplicateKeyException e) {
            LOG.info("A package was refused: {}", e.getMostSpecificCause().getMessage());
            throw PackageFile.refused(
                    "holds records that are on this machine already, in this orchard or another; they cannot be here twice.");
        } catch (DataAccessException e) {
            LOG.info("A package was refused: {}", e.getMostSpecificCause().getMessage());
            throw PackageFile.refused("holds records that do not fit together. Export the orchard again.");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void requireEmpty(UUID orchard) {
        List<String> there = tables.all().stream()
                .filter(t -> t.within().isEmpty() && !t.table().equals("orchard"))
                .filter(t -> Boolean.TRUE.equals(jdbc.queryForObject(
                        "select exists (select 1 from " + t.table() + " where orchard_id = ?)",
                        Boolean.class,
                        orchard)))
                .map(RecordTable::name)
                .toList();
        if (!there.isEmpty()) {
            throw PackageFile.refused("can only be read into an empty orchard, and this one has records already ("
                    + String.join(", ", there) + ").");
        }
    }

    /** Lets a table of the package run into one of texts; columns that only repeat names are left there. */
    private long stage(PackageFile in, String name, PackageDescription.Schema known) throws IOException {
        PackageDescription.Resource r = in.table(name);
        List<String> columns =
                r.schema().fields().stream().map(PackageDescription.Field::name).toList();
        List<String> expected =
                known.fields().stream().map(PackageDescription.Field::name).toList();
        if (!expected.containsAll(columns)) {
            throw PackageFile.refused("has a column in " + r.path() + " that is not known here.");
        }
        String table = staging(name);
        jdbc.execute("create temp table " + table + " ("
                + expected.stream().map(c -> "\"" + c + "\" text").collect(Collectors.joining(", "))
                + ") on commit drop");
        try (BufferedReader reader =
                new BufferedReader(new InputStreamReader(in.open(r), StandardCharsets.UTF_8), 1 << 16)) {
            return jdbc.execute((ConnectionCallback<Long>) c -> copy(
                    c.unwrap(PGConnection.class),
                    "copy " + table + " ("
                            + columns.stream().map(n -> "\"" + n + "\"").collect(Collectors.joining(", "))
                            + ") from stdin with (format csv, header match)",
                    reader));
        }
    }

    private static long copy(PGConnection connection, String sql, BufferedReader reader) throws SQLException {
        try {
            return connection.getCopyAPI().copyIn(sql, reader);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String staging(String name) {
        return BROUGHT + name.replace('-', '_');
    }

    private void requireSheets(Caller caller) {
        List<String> here = crops.all(caller).stream().map(s -> s.key()).toList();
        List<String> missing = jdbc.queryForList("select distinct crop from brought_varieties", String.class).stream()
                .filter(c -> !here.contains(c))
                .toList();
        if (!missing.isEmpty()) {
            throw PackageFile.refused("has varieties of " + String.join(", ", missing)
                    + ", of which there is no crop sheet on this machine. Put the package's crop-sheets there first.");
        }
    }

    private void write(Caller caller, PackageFile in) throws IOException {
        writePeople(caller);
        number(CHANGES, "number", "revision_seq");
        for (RecordTable t : tables.all()) {
            // The database names the sequence of an identity after its table and column.
            t.numbered().ifPresent(column -> number(t.name(), numberName(t), t.table() + "_" + column + "_seq"));
        }
        jdbc.update("insert into revision (id, at, account_id) select n.id, b.at::timestamptz, b.person_id::uuid"
                + " from brought_changes b join numbers_changes n on n.number = b.number::bigint");
        for (RecordTable t : tables.all()) {
            if (t.table().equals("orchard")) {
                describe(caller, t);
            } else {
                insert(caller, t, in);
            }
        }
        for (RecordTable t : tables.all()) {
            if (!t.historyColumns().isEmpty()) {
                stage(in, t.name() + "-history", PackageSchemas.history(export.writtenHistory(t)));
                insertHistory(caller, t);
            }
        }
        // What is only held at the end is held now, while it can still be refused in words.
        jdbc.execute("set constraints all immediate");
        requireReferences(caller);
        requireLedger();
    }

    /** Those who wrote something down elsewhere are known here by their names; they cannot sign in. */
    private void writePeople(Caller caller) {
        jdbc.update("insert into account (id, name, created_at) select id::uuid, " + unguarded("name")
                + ", now() from brought_people on conflict (id) do nothing");
        jdbc.update(
                "insert into membership (account_id, orchard_id, role, left_at) select id::uuid, ?, 'WORKER', now()"
                        + " from brought_people on conflict (account_id, orchard_id) do nothing",
                caller.orchardId());
    }

    private static String numberName(RecordTable t) {
        return t.columns().stream()
                .filter(c -> t.numbered().filter(c.column()::equals).isPresent())
                .findFirst()
                .orElseThrow()
                .name();
    }

    /** Gives numbers of this machine in place of those of the package, in their order. */
    private void number(String name, String column, String sequence) {
        String numbers = "numbers_" + name.replace('-', '_');
        jdbc.execute("create temp table " + numbers + " on commit drop as select number, nextval('" + sequence
                + "') as id from (select " + column + "::bigint as number from " + staging(name) + " order by 1) b");
        jdbc.execute("create unique index on " + numbers + " (number)");
    }

    /** The orchard is the package's from now on, with its history in place of the empty one's. */
    private void describe(Caller caller, RecordTable t) {
        jdbc.update("delete from orchard_history where id = ?", caller.orchardId());
        String columns =
                t.columns().stream().map(c -> c.column() + " = " + value(t, c)).collect(Collectors.joining(", "));
        jdbc.update(
                "update orchard o set version = o.version + 1, " + columns + " from " + staging(t.name())
                        + " b where o.id = ?",
                caller.orchardId());
    }

    private void insert(Caller caller, RecordTable t, PackageFile in) throws IOException {
        List<String> columns = new ArrayList<>();
        List<String> values = new ArrayList<>();
        t.columns().forEach(c -> {
            columns.add(c.column());
            values.add(value(t, c));
        });
        String from = staging(t.name()) + " b";
        if (t.file().isPresent()) {
            stageStoredFiles(t, t.file().get(), in);
            columns.add(t.file().get().column());
            values.add("f.bytes");
            from += " join brought_files f on f.id = b.id";
        }
        insert(
                caller,
                t.table(),
                t.within().isEmpty(),
                columns,
                values,
                from,
                t.numbered().isPresent());
    }

    private void stageStoredFiles(RecordTable t, RecordTable.StoredFile file, PackageFile in) throws IOException {
        jdbc.execute("drop table if exists brought_files");
        jdbc.execute("create temp table brought_files (id text primary key, bytes bytea) on commit drop");
        for (String id : jdbc.queryForList("select id from " + staging(t.name()), String.class)) {
            jdbc.update(
                    "insert into brought_files values (?, ?)",
                    id,
                    in.storedFile(file, UUID.fromString(id).toString()));
        }
    }

    private void insertHistory(Caller caller, RecordTable t) {
        List<String> columns = new ArrayList<>(List.of("revision", "revision_kind"));
        List<String> values = new ArrayList<>(List.of(
                "(select n.id from numbers_changes n where n.number = b.change_number::bigint)",
                "case b.change when 'ADDED' then 0 when 'CHANGED' then 1 when 'DELETED' then 2 end"));
        t.historyColumns().forEach(c -> {
            columns.add(c.column());
            values.add(value(t, c));
        });
        boolean orchard = t.table().equals("orchard");
        if (orchard) {
            columns.add("id");
            values.add("'" + caller.orchardId() + "'::uuid");
        }
        insert(
                caller,
                t.historyTable(),
                t.within().isEmpty() && !orchard,
                columns,
                values,
                staging(t.name() + "-history") + " b",
                false);
    }

    private void insert(
            Caller caller,
            String table,
            boolean withOrchard,
            List<String> columns,
            List<String> values,
            String from,
            boolean ownNumbers) {
        List<String> into = new ArrayList<>(columns);
        List<String> what = new ArrayList<>(values);
        if (withOrchard) {
            into.add("orchard_id");
            what.add("'" + caller.orchardId() + "'::uuid");
        }
        jdbc.update("insert into " + table + " (" + String.join(", ", into) + ")"
                + (ownNumbers ? " overriding system value" : "") + " select " + String.join(", ", what) + " from "
                + from);
    }

    /** The value of a column, out of its text. */
    private String value(RecordTable table, RecordTable.Column c) {
        String text = "b.\"" + c.name() + "\"";
        Optional<String> numbers = table.numbered().filter(c.column()::equals).isPresent()
                ? Optional.of(table.name())
                : c.to().flatMap(tables::of)
                        .filter(t -> t.numbered().isPresent())
                        .map(RecordTable::name);
        if (numbers.isPresent()) {
            return "(select n.id from numbers_" + numbers.get().replace('-', '_') + " n where n.number = " + text
                    + "::bigint)";
        }
        if (c.type() == RecordTable.Type.LONG_NUMBER) {
            return "(" + unguarded(text) + ")::bigint";
        }
        if (c.type() != RecordTable.Type.TEXT) {
            return text + "::" + c.type().sql();
        }
        String plain = unguarded(text);
        return c.required() ? "coalesce(" + plain + ", '')" : plain;
    }

    /** A text without the mark that kept a spreadsheet from taking it for a formula. */
    private static String unguarded(String text) {
        return "case when " + text + " ~ '^''" + TableExport.FORMULA.substring(1) + "' then substr(" + text
                + ", 2) else " + text + " end";
    }

    /** What a record names is in the same orchard. */
    private void requireReferences(Caller caller) {
        for (RecordTable t : tables.all()) {
            for (RecordTable.Column c : t.columns()) {
                Optional<RecordTable> to =
                        c.to().flatMap(tables::of).filter(r -> r.within().isEmpty());
                if (to.isPresent() && elsewhere(caller, t, c, to.get())) {
                    throw PackageFile.refused(
                            "names a record in " + t.path() + ", under " + c.name() + ", that is not in it.");
                }
            }
        }
    }

    private boolean elsewhere(Caller caller, RecordTable t, RecordTable.Column c, RecordTable to) {
        return Boolean.TRUE.equals(jdbc.queryForObject(
                "select exists (select 1 from " + staging(t.name()) + " b join " + to.table() + " r on r.id = b.\""
                        + c.name() + "\"::uuid where r.orchard_id <> ?)",
                Boolean.class,
                caller.orchardId()));
    }

    /** Jars hold what their ledger comes to. */
    private void requireLedger() {
        List<String> wrong = jdbc.queryForList(
                "select l.code from brought_jars b join pollen_lot l on l.id = b.id::uuid where l.doses_left <> b.doses_left::int"
                        + " order by 1 limit 5",
                String.class);
        if (!wrong.isEmpty()) {
            throw PackageFile.refused(
                    "has jars whose ledger does not come to the doses left: " + String.join(", ", wrong) + ".");
        }
    }
}
