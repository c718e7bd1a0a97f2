package org.evenhand.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
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
