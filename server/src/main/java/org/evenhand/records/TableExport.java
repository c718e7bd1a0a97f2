package org.evenhand.records;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.postgresql.PGConnection;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Writes tables of records as CSV (RFC 4180, UTF-8, a head): moments in UTC as ISO 8601 has them, numbers with a point, texts so that no
 * spreadsheet takes them for a formula. The lines run from the database straight into the file.
 */
@Component
class TableExport {
    /** What a spreadsheet would take for the start of a formula; the mark itself too, so that it can be taken off again. */
    static final String FORMULA = "^[=+@''\\t\\r-]";

    private final JdbcTemplate jdbc;
    private final RecordTables tables;

    TableExport(JdbcTemplate jdbc, RecordTables tables) {
        this.jdbc = jdbc;
        this.tables = tables;
    }

    /**
     * Gives lines numbers that begin at 1 in every orchard, in place of those of the database; in the caller's transaction, before
     * tables are written that have such lines.
     */
    void numberLines(UUID orchard) {
        tables.all()
                .forEach(t -> t.numbered()
                        .ifPresent(column -> numbered(
                                t.table(),
                                "select t." + column + " as id from " + t.table() + " t where "
                                        + ofOrchard(t, orchard))));
    }

    /** The same for changes, before histories are written. */
    void numberChanges(UUID orchard) {
        numbered(
                "revision",
                tables.all().stream()
                        .filter(t -> !t.historyColumns().isEmpty())
                        .map(t -> "select t.revision as id from " + t.historyTable() + " t where "
                                + ofOrchard(t, orchard))
                        .collect(Collectors.joining(" union ")));
    }

    private void numbered(String table, String ids) {
        jdbc.execute("create temp table numbered_" + table
                + " on commit drop as select id, row_number() over (order by id) as number from (" + ids + ") i");
        jdbc.execute("create unique index on numbered_" + table + " (id)");
    }

    /** Columns as they are written, with the names of records beside their ids. */
    List<Written> written(RecordTable table) {
        return table.columns().stream()
                .flatMap(c -> Stream.concat(
                        Stream.of(new Written(c.name(), c, expression(table, c), false)), label(c).stream()))
                .toList();
    }

    /** Columns of earlier versions. */
    List<Written> writtenHistory(RecordTable table) {
        return Stream.concat(
                        Stream.of(
                                new Written("change_number", null, number("revision", "t.revision"), false),
                                new Written(
                                        "change",
                                        null,
                                        "case t.revision_kind when 0 then 'ADDED' when 1 then 'CHANGED' when 2 then 'DELETED' end",
                                        false)),
                        table.historyColumns().stream().map(c -> new Written(c.name(), c, expression(table, c), false)))
                .toList();
    }

    /**
     * A column of a file.
     *
     * @param of the column it tells; null where it stands for none
     * @param sql what is written
     * @param label whether it only repeats the name of a record for people
     */
    record Written(String name, RecordTable.Column of, String sql, boolean label) {}

    private Optional<Written> label(RecordTable.Column c) {
        return c.to().flatMap(to -> {
            Optional<String> label = to.equals(RecordTables.PEOPLE)
                    ? Optional.of("name")
                    : tables.of(to).flatMap(RecordTable::label);
            return label.map(l -> new Written(
                    c.labelName(),
                    c,
                    "(select " + guarded(l) + " from " + to + " where id = t." + c.column() + ")",
                    true));
        });
    }

    private String expression(RecordTable table, RecordTable.Column c) {
        String column = "t." + c.column();
        if (table.numbered().filter(c.column()::equals).isPresent()) {
            return number(table.table(), column);
        }
        Optional<String> numbered =
                c.to().flatMap(tables::of).filter(t -> t.numbered().isPresent()).map(RecordTable::table);
        if (numbered.isPresent()) {
            return number(numbered.get(), column);
        }
        return switch (c.type()) {
            case TEXT -> guarded(column);
            case LONG_NUMBER -> guarded(column + "::text");
            case MOMENT ->
                "rtrim(rtrim(to_char(" + column
                        + " at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US'), '0'), '.') || 'Z'";
            case BOOLEAN, JSON -> column + "::text";
            default -> column;
        };
    }

    private static String guarded(String text) {
        return "case when " + text + " ~ '" + FORMULA + "' then '''' || " + text + " else " + text + " end";
    }

    /** Writes the lines of an orchard that are wanted. */
    void write(RecordTable table, UUID orchard, TableFilter filter, ZoneId zone, OutputStream to) {
        TableFilter.Condition wanted = filter.on(table, tables, zone);
        String where = ofOrchard(table, orchard) + (wanted.sql().isEmpty() ? "" : " and " + wanted.sql());
        copy(select(written(table), table.table(), where, order(table)), wanted.values(), to);
    }

    private static String number(String table, String id) {
        return "(select n.number from numbered_" + table + " n where n.id = " + id + ")";
    }

    private static String order(RecordTable table) {
        return table.columns().stream()
                .filter(c -> table.key().contains(c.name()))
                .map(c -> "t." + c.column())
                .collect(Collectors.joining(", "));
    }

    /** Writes the earlier versions of an orchard's lines; needs {@link #numberChanges}. */
    void writeHistory(RecordTable table, UUID orchard, OutputStream to) {
        String order = Stream.concat(
                        Stream.of("t.revision"),
                        table.historyColumns().stream()
                                .filter(c -> table.key().contains(c.name())
                                        || table.within().isPresent())
                                .map(c -> "t." + c.column()))
                .collect(Collectors.joining(", "));
        copy(select(writtenHistory(table), table.historyTable(), ofOrchard(table, orchard), order), List.of(), to);
    }

    /** Writes when records changed and by whom; needs {@link #numberChanges}. */
    void writeChanges(OutputStream to) {
        copy(
                "select n.number as number, rtrim(rtrim(to_char(r.at at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US'), '0'), '.') || 'Z' as at,"
                        + " r.account_id as person_id, (select " + guarded("name")
                        + " from account where id = r.account_id) as person"
                        + " from numbered_revision n join revision r on r.id = n.id order by n.number",
                List.of(),
                to);
    }

    /** Writes the names of those who wrote something down; needs {@link #numberChanges}. */
    void writePeople(UUID orchard, OutputStream to) {
        List<String> who = new ArrayList<>();
        tables.all()
                .forEach(t -> t.columns().stream()
                        .filter(c -> c.to().filter(RecordTables.PEOPLE::equals).isPresent())
                        .forEach(c -> who.add("select t." + c.column() + " from " + t.table() + " t where "
                                + ofOrchard(t, orchard))));
        who.add("select r.account_id from numbered_revision n join revision r on r.id = n.id");
        copy(
                "select id, " + guarded("name") + " as name from account where id in (" + String.join(" union ", who)
                        + ") order by id",
                List.of(),
                to);
    }

    private static String select(List<Written> columns, String table, String where, String order) {
        return "select "
                + columns.stream().map(w -> w.sql() + " as " + w.name()).collect(Collectors.joining(", "))
                + " from " + table + " t where " + where + (order.isEmpty() ? "" : " order by " + order);
    }

    /** The lines of an orchard, as a condition on {@code t}. */
    private String ofOrchard(RecordTable table, UUID orchard) {
        String is = " = '" + orchard + "'";
        if (table.table().equals("orchard")) {
            return "t.id" + is;
        }
        return table.within()
                .map(column -> "exists (select 1 from " + parent(table, column) + " o where o.id = t." + column
                        + " and o.orchard_id" + is + ")")
                .orElse("t.orchard_id" + is);
    }

    private static String parent(RecordTable table, String column) {
        return table.columns().stream()
                .filter(c -> c.column().equals(column))
                .findFirst()
                .flatMap(RecordTable.Column::to)
                .orElseThrow(() -> new IllegalStateException(table.table() + "." + column + " leads nowhere"));
    }

    /** COPY takes no values: the condition is worked out by a statement of its own that does, into lines of their own. */
    private void copy(String select, List<Object> values, OutputStream to) {
        String from = "(" + select + ")";
        if (!values.isEmpty()) {
            jdbc.update("create temp table wanted on commit drop as " + select, values.toArray());
            from = "wanted";
        }
        String sql = "copy " + from + " to stdout with (format csv, header)";
        jdbc.execute((ConnectionCallback<Long>) connection -> {
            try {
                return connection.unwrap(PGConnection.class).getCopyAPI().copyOut(sql, to);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }
}
