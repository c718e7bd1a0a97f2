package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;

class RecordTablesTest {
    private final RecordTables tables = TestServer.get().bean(RecordTables.class);

    /** Whoever adds a table or column says what it is called outside, or why it stays. */
    @Test
    void every_table_and_column_of_the_database_is_exported_or_stays_for_a_reason() {
        Set<String> told = new HashSet<>();
        tables.all().forEach(t -> t.columns().forEach(c -> told.add(t.table() + "." + c.column())));
        Set<String> whole = tables.all().stream().map(RecordTable::table).collect(Collectors.toSet());
        Set<String> forgotten = new TreeSet<>();
        Set<String> there = new HashSet<>();
        TestServer.get()
                .database()
                .query(
                        "select c.table_name, c.column_name from information_schema.columns c"
                                + " join information_schema.tables t using (table_schema, table_name)"
                                + " where c.table_schema = current_schema() and t.table_type = 'BASE TABLE'",
                        row -> {
                            String table = row.getString(1);
                            String column = row.getString(2);
                            there.add(table);
                            there.add(column);
                            String of = table.replaceAll("(?<!flyway_schema)_history$", "");
                            boolean known = !of.equals(table) && whole.contains(of)
                                    || tables.keptTables().containsKey(of)
                                    || tables.keptColumns().containsKey(column)
                                    || told.contains(table + "." + column);
                            if (!known
                                    && !(table.equals("orchard")
                                            && Set.of("id", "version").contains(column))) {
                                forgotten.add(table + "." + column);
                            }
                        });
        assertThat(forgotten).isEmpty();
        assertThat(there)
                .containsAll(tables.keptTables().keySet())
                .containsAll(tables.keptColumns().keySet());
    }

    /** What names two records must hold both to one orchard: parts of one record, as the hours of a file, are of its orchard anyway. */
    @Test
    void whatever_names_records_does_so_within_an_orchard() {
        List<String> single = TestServer.get()
                .database()
                .queryForList(
                        "select conrelid::regclass || ' ' || pg_get_constraintdef(oid) from pg_constraint where contype = 'f'"
                                + " and confrelid in (select table_name::regclass from information_schema.columns"
                                + "   where table_schema = current_schema() and column_name = 'orchard_id')"
                                + " and pg_get_constraintdef(oid) not like '%orchard_id%'",
                        String.class);

        assertThat(single)
                .map(c -> c.substring(0, c.indexOf(' ')) + c.substring(c.indexOf('('), c.indexOf(')') + 1))
                .containsExactlyInAnyOrder(
                        "reading_count(reading_id)",
                        "weather_hour(record_id)",
                        "weather_day(record_id)",
                        "pollen_entry(undoes)",
                        // Beside the pair: flowers of a check are those of its pollination.
                        "fruit_check(pollination_id, flowers)");
    }

    @Test
    void tables_stand_in_the_order_in_which_one_needs_another() {
        Set<String> before = new HashSet<>(Set.of(RecordTables.PEOPLE));
        tables.all().forEach(t -> {
            before.add(t.table());
            t.columns()
                    .forEach(c -> assertThat(before)
                            .as("%s.%s", t.name(), c.name())
                            .containsAll(c.to().stream().toList()));
        });
    }
}
