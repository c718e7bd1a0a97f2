package org.evenhand.records;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evenhand.kit.NotFoundException;
import org.springframework.beans.factory.config.YamlMapFactoryBean;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * All tables of records, in the order in which one needs another. What they are called outside stands in {@code records/tables.yaml};
 * types, keys and references are read off the database, which alone knows them.
 */
@Component
class RecordTables {
    /** Holds names of people, for whom an account of another machine means nothing. */
    static final String PEOPLE = "account";

    /** Numbers drawn from all that 64 bits hold. */
    private static final Set<String> LONG_NUMBERS = Set.of("comparison.seed");

    private static final Pattern SAID = Pattern.compile("(?:(\\w+) = )?(.+?)(?: \\[(.+)])?");

    private static final Pattern FILE = Pattern.compile("(\\w+) = (\\w+)/ID\\.(\\w+)");

    private final List<RecordTable> tables;
    private final Map<String, String> keptTables;
    private final Map<String, String> keptColumns;

    RecordTables(JdbcTemplate jdbc) {
        Map<String, Object> yaml = yaml();
        Map<String, String> common = texts(yaml.get("common"));
        Catalog catalog = new Catalog(jdbc);
        List<RecordTable> all = new ArrayList<>();
        entries(yaml.get("tables")).forEach((name, said) -> all.add(table(name, entries(said), common, catalog)));
        this.tables = List.copyOf(all);
        this.keptTables = texts(yaml.get("kept"));
        this.keptColumns = texts(yaml.get("kept_columns"));
    }

    List<RecordTable> all() {
        return tables;
    }

    /** @throws NotFoundException where there is none of that name */
    RecordTable require(String name) {
        return tables.stream()
                .filter(t -> t.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("table '" + name + "'"));
    }

    /** The table outside of a table of the database. */
    Optional<RecordTable> of(String databaseTable) {
        return tables.stream().filter(t -> t.table().equals(databaseTable)).findFirst();
    }

    /** Tables of the database that are not exported, each with the reason. */
    Map<String, String> keptTables() {
        return keptTables;
    }

    /** Columns of the database that are not exported, each with the reason. */
    Map<String, String> keptColumns() {
        return keptColumns;
    }

    private static Map<String, Object> yaml() {
        YamlMapFactoryBean reader = new YamlMapFactoryBean();
        reader.setResources(new ClassPathResource("records/tables.yaml"));
        Map<String, Object> read = reader.getObject();
        if (read == null) {
            throw new IllegalStateException("records/tables.yaml is empty");
        }
        return read;
    }

    private static Map<String, Object> entries(Object of) {
        Map<String, Object> entries = new LinkedHashMap<>();
        ((Map<?, ?>) of).forEach((key, value) -> entries.put(key.toString(), value));
        return entries;
    }

    private static Map<String, String> texts(Object of) {
        Map<String, String> texts = new LinkedHashMap<>();
        entries(of).forEach((key, value) -> texts.put(key, value.toString()));
        return texts;
    }

    private static RecordTable table(
            String name, Map<String, Object> said, Map<String, String> common, Catalog catalog) {
        String table = said.get("table").toString();
        Map<String, Catalog.Found> found = catalog.columns(table);
        Map<String, String> own = texts(said.get("columns"));
        List<RecordTable.Column> columns = new ArrayList<>();
        boolean record = found.containsKey("voided_at");
        if (record) {
            columns.add(column("id", common.get("id"), table, found, catalog));
        }
        own.forEach((column, text) -> columns.add(column(column, text, table, found, catalog)));
        if (record) {
            common.forEach((column, text) -> {
                if (!column.equals("id")) {
                    columns.add(column(column, text, table, found, catalog));
                }
            });
        }
        Optional<String> numbered = text(said, "number");
        List<String> key = columns.stream()
                .filter(c -> catalog.keys(table).contains(c.column()))
                .map(RecordTable.Column::name)
                .toList();
        return new RecordTable(
                name,
                table,
                said.get("about").toString(),
                List.copyOf(columns),
                key,
                text(said, "within"),
                text(said, "label"),
                numbered,
                text(said, "file").map(f -> file(f, found)),
                columns.stream()
                        .filter(c -> catalog.columns(table + "_history").containsKey(c.column()))
                        .toList());
    }

    /** {@code jpeg = photos/ID.jpg} */
    private static RecordTable.StoredFile file(String said, Map<String, Catalog.Found> found) {
        Matcher parts = FILE.matcher(said);
        if (!parts.matches()) {
            throw new IllegalStateException("records/tables.yaml: cannot read the file '" + said + "'");
        }
        return new RecordTable.StoredFile(
                parts.group(1),
                parts.group(2),
                parts.group(3),
                found.get(parts.group(1)).required());
    }

    private static Optional<String> text(Map<String, Object> said, String key) {
        return Optional.ofNullable(said.get(key)).map(Object::toString);
    }

    private static RecordTable.Column column(
            String name, String said, String table, Map<String, Catalog.Found> found, Catalog catalog) {
        Matcher parts = SAID.matcher(said);
        if (!parts.matches()) {
            throw new IllegalStateException("records/tables.yaml: cannot read " + table + "." + name + ": " + said);
        }
        String column = parts.group(1) == null ? name : parts.group(1);
        Catalog.Found there = found.get(column);
        if (there == null) {
            throw new IllegalStateException("records/tables.yaml: there is no column " + table + "." + column);
        }
        return new RecordTable.Column(
                name,
                column,
                parts.group(2),
                Optional.ofNullable(parts.group(3)),
                LONG_NUMBERS.contains(table + "." + column)
                        ? RecordTable.Type.LONG_NUMBER
                        : RecordTable.Type.of(there.type()),
                there.required(),
                Optional.ofNullable(catalog.references(table).get(column)));
    }

    /** What the database knows of its tables. */
    static final class Catalog {
        /** A column there. */
        record Found(String type, boolean required) {}

        private final Map<String, Map<String, Found>> columns = new LinkedHashMap<>();
        private final Map<String, Set<String>> keys = new LinkedHashMap<>();
        private final Map<String, Map<String, String>> references = new LinkedHashMap<>();

        Catalog(JdbcTemplate jdbc) {
            jdbc.query(
                    "select table_name, column_name, udt_name, is_nullable = 'NO' from information_schema.columns"
                            + " where table_schema = current_schema() order by table_name, ordinal_position",
                    row -> {
                        columns.computeIfAbsent(row.getString(1), t -> new LinkedHashMap<>())
                                .put(row.getString(2), new Found(row.getString(3), row.getBoolean(4)));
                    });
            jdbc.query(
                    "select i.indrelid::regclass::text, a.attname from pg_index i"
                            + " join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any (i.indkey) where i.indisprimary",
                    row -> {
                        keys.computeIfAbsent(row.getString(1), t -> new LinkedHashSet<>())
                                .add(row.getString(2));
                    });
            // The orchard stands in most references beside the id; it says nothing of which record is meant.
            jdbc.query(
                    "select c.conrelid::regclass::text, a.attname, c.confrelid::regclass::text from pg_constraint c"
                            + " cross join unnest(c.conkey, c.confkey) k (here, there)"
                            + " join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.here"
                            + " join pg_attribute b on b.attrelid = c.confrelid and b.attnum = k.there and b.attname = 'id'"
                            + " where c.contype = 'f' and a.attname <> 'orchard_id'",
                    row -> {
                        references
                                .computeIfAbsent(row.getString(1), t -> new LinkedHashMap<>())
                                .put(row.getString(2), row.getString(3));
                    });
        }

        Map<String, Found> columns(String table) {
            return columns.getOrDefault(table, Map.of());
        }

        Set<String> keys(String table) {
            return keys.getOrDefault(table, Set.of());
        }

        Map<String, String> references(String table) {
            return references.getOrDefault(table, Map.of());
        }
    }
}
