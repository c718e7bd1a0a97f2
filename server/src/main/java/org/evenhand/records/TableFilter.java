package org.evenhand.records;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;

/**
 * Which lines of a table are wanted.
 *
 * @param tree of this tree only; null for all, as with the others
 * @param variety of this variety only
 * @param jar of this jar only
 * @param cross of this cross only
 * @param block of this block only
 * @param from local day from which on
 * @param until last local day
 * @param removed whether removed lines are wanted too
 */
record TableFilter(
        UUID tree, UUID variety, UUID jar, UUID cross, String block, LocalDate from, LocalDate until, boolean removed) {
    /** All lines, removed ones too. */
    static final TableFilter ALL = new TableFilter(null, null, null, null, null, null, null, true);

    /** Columns by which lines belong to a tree, jar or cross, where they do not name it themselves. */
    private static final List<String> LEADING =
            List.of("tree_id", "pollination_id", "reading_id", "cross_id", "jar_id", "visit_id");

    /** A condition and its values, in their order. */
    record Condition(String sql, List<Object> values) {}

    /**
     * The condition on the lines of a table, which is {@code t} in it.
     *
     * @param zone by whose clocks days begin
     * @throws InvalidInputException where its lines have nothing to do with what is asked for
     */
    Condition on(RecordTable table, RecordTables tables, ZoneId zone) {
        List<String> sql = new ArrayList<>();
        List<Object> values = new ArrayList<>();
        by(table, tables, "tree", tree, sql, values);
        by(table, tables, "variety", variety, sql, values);
        by(table, tables, "jar", jar, sql, values);
        by(table, tables, "cross", cross, sql, values);
        if (block != null) {
            sql.add(path(table, tables, "block", "t")
                    .orElseThrow(
                            () -> new InvalidInputException("block", "does not fit: " + table.name() + " have none."))
                    .formatted("?"));
            values.add(block);
        }
        times(table, zone, sql, values);
        if (!removed) {
            standing(table, tables).ifPresent(sql::add);
        }
        return new Condition(String.join(" and ", sql), values);
    }

    /** That a line was not removed, nor the record that it is a part of. */
    private static Optional<String> standing(RecordTable table, RecordTables tables) {
        if (canBeRemoved(table)) {
            return Optional.of("t.voided_at is null");
        }
        return table.within()
                .flatMap(within -> table.columns().stream()
                        .filter(c -> c.column().equals(within))
                        .findFirst()
                        .flatMap(RecordTable.Column::to)
                        .flatMap(tables::of)
                        .filter(TableFilter::canBeRemoved)
                        .map(whole -> "exists (select 1 from " + whole.table() + " w where w.id = t." + within
                                + " and w.voided_at is null)"));
    }

    private static boolean canBeRemoved(RecordTable table) {
        return table.columns().stream().anyMatch(c -> c.column().equals("voided_at"));
    }

    private static void by(
            RecordTable table, RecordTables tables, String what, UUID id, List<String> sql, List<Object> values) {
        if (id == null) {
            return;
        }
        boolean itself = tables.of(databaseTable(what)).filter(table::equals).isPresent();
        sql.add((itself ? Optional.of("t.id = %s") : path(table, tables, what + "_id", "t"))
                .orElseThrow(() -> new InvalidInputException(
                        what, "does not fit: " + table.name() + " do not name a " + what + "."))
                .formatted("?::uuid"));
        values.add(id.toString());
    }

    private static String databaseTable(String what) {
        return switch (what) {
            case "jar" -> "pollen_lot";
            case "cross" -> "controlled_cross";
            default -> what;
        };
    }

    /** How a line leads to a column, over the records it belongs to; {@code %s} stands for the value. */
    private static Optional<String> path(RecordTable table, RecordTables tables, String column, String alias) {
        Optional<RecordTable.Column> own =
                table.columns().stream().filter(c -> c.name().equals(column)).findFirst();
        if (own.isPresent()) {
            return Optional.of(alias + "." + own.get().column() + " = %s");
        }
        for (String leading : LEADING) {
            Optional<String> found = table.columns().stream()
                    .filter(c -> c.name().equals(leading) && !c.name().equals(column))
                    .findFirst()
                    .flatMap(c -> c.to().flatMap(tables::of)
                            .flatMap(next -> path(next, tables, column, alias + "x")
                                    .map(rest -> "exists (select 1 from " + next.table() + " " + alias + "x where "
                                            + alias + "x.id = " + alias + "." + c.column() + " and " + rest + ")")));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private void times(RecordTable table, ZoneId zone, List<String> sql, List<Object> values) {
        if (from == null && until == null) {
            return;
        }
        RecordTable.Column time = table.columns().stream()
                .filter(c -> c.type() == RecordTable.Type.MOMENT || c.type() == RecordTable.Type.DATE)
                .findFirst()
                .orElseThrow(
                        () -> new InvalidInputException("from", "does not fit: " + table.name() + " have no time."));
        String day = time.type() == RecordTable.Type.DATE
                ? "t." + time.column()
                : "(t." + time.column() + " at time zone '" + zone.getId() + "')::date";
        if (from != null) {
            sql.add(day + " >= ?::date");
            values.add(from.toString());
        }
        if (until != null) {
            sql.add(day + " <= ?::date");
            values.add(until.toString());
        }
    }
}
