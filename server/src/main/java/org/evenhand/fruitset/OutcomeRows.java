package org.evenhand.fruitset;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.statistics.KaplanMeier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The tables of outcomes, and what they are reckoned from. They are read and written by the thousand, so they are rows and no objects with
 * a life; over connections of their own, as an outcome is often reckoned while a request already holds one.
 */
@Component
class OutcomeRows {
    private static final int CONNECTIONS = 2;

    private final HikariDataSource pool;
    private final JdbcTemplate jdbc;
    private final TransactionTemplate transaction;

    OutcomeRows(DataSource main) {
        HikariConfig config = new HikariConfig();
        ((HikariDataSource) main).copyStateTo(config);
        config.setPoolName("outcomes");
        config.setMaximumPoolSize(CONNECTIONS);
        config.setMinimumIdle(1);
        this.pool = new HikariDataSource(config);
        this.jdbc = new JdbcTemplate(pool);
        this.transaction = new TransactionTemplate(new DataSourceTransactionManager(pool));
    }

    @PreDestroy
    void close() {
        pool.close();
    }

    TransactionTemplate transaction() {
        return transaction;
    }

    /** A pollination and what could have made a difference to it. */
    record Facts(
            UUID id,
            UUID treeId,
            UUID varietyId,
            String crop,
            UUID lotId,
            int flowers,
            String treatment,
            Instant doneAt,
            String stage,
            String strokes,
            String tool,
            String limb,
            UUID helper,
            Instant collectedAt,
            String storage,
            int visits,
            String block,
            boolean trial,
            int fullFruits,
            int emptyFruits,
            boolean standing) {}

    /** A check of the flowers of a pollination. */
    record CheckRow(UUID pollinationId, Instant at, CheckOutcome outcome) {}

    /** An outcome as it is kept: its sums are part of the cells. */
    record OutcomeRow(
            UUID id,
            UUID orchardId,
            int season,
            String crop,
            UUID treeId,
            UUID varietyId,
            UUID fatherId,
            String treatment,
            Evidence evidence,
            LocalDate doneOn,
            int flowers,
            int set,
            int failed,
            int dropped,
            int holding,
            LocalDate nextLook,
            String levels,
            List<KaplanMeier.At> course) {
        int undecided() {
            return flowers - set - failed - dropped;
        }
    }

    /** Nobody else reckons this orchard's outcomes until the transaction ends. */
    void lock(UUID orchard) {
        jdbc.query(
                "select pg_advisory_xact_lock(hashtextextended('fate', ?))",
                row -> {},
                orchard.getMostSignificantBits());
    }

    /** Takes so many out of those that wait, the earliest pollinations first; what is being changed at this moment stays. */
    List<UUID> takeDue(UUID orchard, int most) {
        List<UUID> ids = jdbc.queryForList(
                "select d.pollination_id from flower_outcome_due d join pollination p on p.id = d.pollination_id"
                        + " where d.orchard_id = ? order by p.done_at limit ? for update of d skip locked",
                UUID.class,
                orchard,
                most);
        jdbc.update(
                "delete from flower_outcome_due where orchard_id = ? and pollination_id = any(?)", orchard, array(ids));
        return ids;
    }

    /** Those that are neither voided nor second visits. */
    List<Facts> facts(Collection<UUID> ids) {
        return jdbc.query(
                """
                select p.id, p.tree_id, t.variety_id, v.crop, p.lot_id, p.flowers, p.treatment, p.done_at, p.stage, p.strokes,
                       p.tool, p.limb, p.recorded_by, case when l.collection_known is not false then l.collected_at end, coalesce(s.storage, l.storage),
                       1 + case when p.cross_id is null
                           then (select count(*) from pollination a where a.orchard_id = p.orchard_id
                               and a.again_of = p.id and a.voided_at is null)
                           else (select count(*) from pollination a where a.orchard_id = p.orchard_id
                               and a.cross_id = p.cross_id and a.again and a.voided_at is null) end,
                       t.block, p.comparison_id is not null, o.full_seeds, o.without,
                       t.stood_until is null
                from pollination p
                join tree t on t.id = p.tree_id
                join variety v on v.id = t.variety_id
                left join pollen_lot l on l.id = p.lot_id
                left join lateral (select s.storage from pollen_step s where s.orchard_id = p.orchard_id and s.lot_id = p.lot_id
                    and s.kind = 'STORED' and s.voided_at is null and s.done_at <= p.done_at
                    order by s.done_at desc, s.recorded_at desc limit 1) s on true
                cross join lateral (select count(*) filter (where f.seeds > coalesce(f.empty_seeds, 0)) as full_seeds,
                    count(*) filter (where f.seeds <= coalesce(f.empty_seeds, 0)) as without from fruit f
                    where f.orchard_id = p.orchard_id and f.pollination_id = p.id and f.voided_at is null) o
                where p.id = any(?) and p.voided_at is null and not p.again
                """,
                (row, i) -> new Facts(
                        uuid(row, 1),
                        uuid(row, 2),
                        uuid(row, 3),
                        row.getString(4),
                        uuid(row, 5),
                        row.getInt(6),
                        row.getString(7),
                        instant(row, 8),
                        row.getString(9),
                        row.getString(10),
                        row.getString(11),
                        row.getString(12),
                        uuid(row, 13),
                        instant(row, 14),
                        row.getString(15),
                        row.getInt(16),
                        row.getString(17),
                        row.getBoolean(18),
                        row.getInt(19),
                        row.getInt(20),
                        row.getBoolean(21)),
                array(ids));
    }

    /** The checks at each, in order. */
    Map<UUID, List<CheckRow>> checks(UUID orchard, Collection<UUID> ids) {
        return jdbc
                .query(
                        "select pollination_id, checked_at, flowers, taken, failed, dropped, unknown, thinned, lost from fruit_check"
                                + " where orchard_id = ? and pollination_id = any(?) and voided_at is null"
                                + " order by checked_at, recorded_at",
                        (row, i) -> new CheckRow(
                                uuid(row, 1),
                                instant(row, 2),
                                new CheckOutcome(
                                        row.getInt(3),
                                        row.getInt(4),
                                        row.getInt(5),
                                        row.getInt(6),
                                        row.getInt(7),
                                        row.getInt(8),
                                        row.getInt(9))),
                        orchard,
                        array(ids))
                .stream()
                .collect(Collectors.groupingBy(CheckRow::pollinationId));
    }

    /** What was kept of these, taken out. */
    List<OutcomeRow> takeOut(Collection<UUID> ids) {
        return jdbc.query(
                "delete from flower_outcome where pollination_id = any(?) returning pollination_id, orchard_id, season, crop, tree_id,"
                        + " variety_id, father_id, treatment, evidence, done_on, flowers, set_flowers, failed, dropped, holding, next_check,"
                        + " levels, course",
                (row, i) -> new OutcomeRow(
                        uuid(row, 1),
                        uuid(row, 2),
                        row.getInt(3),
                        row.getString(4),
                        uuid(row, 5),
                        uuid(row, 6),
                        uuid(row, 7),
                        row.getString(8),
                        Evidence.valueOf(row.getString(9)),
                        row.getObject(10, LocalDate.class),
                        row.getInt(11),
                        row.getInt(12),
                        row.getInt(13),
                        row.getInt(14),
                        row.getInt(15),
                        row.getObject(16, LocalDate.class),
                        row.getString(17),
                        LossColumn.read(row.getString(18))),
                array(ids));
    }

    void putIn(List<OutcomeRow> rows) {
        Columns<OutcomeRow> c = new Columns<>(rows);
        c.add("uuid", OutcomeRow::id);
        c.add("uuid", OutcomeRow::orchardId);
        c.add("int", OutcomeRow::season);
        c.add("text", OutcomeRow::crop);
        c.add("uuid", OutcomeRow::treeId);
        c.add("uuid", OutcomeRow::varietyId);
        c.add("uuid", OutcomeRow::fatherId);
        c.add("text", OutcomeRow::treatment);
        c.add("text", r -> r.evidence().name());
        c.add("date", OutcomeRow::doneOn);
        c.add("int", OutcomeRow::flowers);
        c.add("int", OutcomeRow::set);
        c.add("int", OutcomeRow::failed);
        c.add("int", OutcomeRow::dropped);
        c.add("int", OutcomeRow::holding);
        c.add("date", OutcomeRow::nextLook);
        c.add("text", OutcomeRow::levels);
        c.add("text", r -> LossColumn.say(r.course()));
        c.insert(
                "flower_outcome",
                "pollination_id, orchard_id, season, crop, tree_id, variety_id, father_id, treatment, evidence, done_on, flowers, set_flowers,"
                        + " failed, dropped, holding, next_check, levels, course",
                "");
    }

    void add(UUID orchard, OutcomeSums sums) {
        add(
                orchard,
                sums.set(),
                "set_cell",
                "orchard_id, season, crop, factor, level, evidence",
                List.of("set_flowers", "failed", "dropped", "undecided"));
        add(
                orchard,
                sums.loss(),
                "loss_cell",
                "orchard_id, season, crop, factor, level, day",
                List.of("lost", "censored"));
        add(orchard, sums.cause(), "cause_cell", "orchard_id, season, crop, classes", List.of("set_flowers", "failed"));
    }

    private void add(UUID orchard, Map<OutcomeSums.Cell, long[]> cells, String table, String key, List<String> values) {
        // In one order, so that two who add at once do not wait for each other.
        List<Map.Entry<OutcomeSums.Cell, long[]>> rows = cells.entrySet().stream()
                .filter(e -> Arrays.stream(e.getValue()).anyMatch(v -> v != 0))
                .sorted(Map.Entry.comparingByKey())
                .toList();
        Columns<Map.Entry<OutcomeSums.Cell, long[]>> c = new Columns<>(rows);
        c.add("uuid", e -> orchard);
        c.add("int", e -> e.getKey().season());
        c.add("text", e -> e.getKey().crop());
        if (key.contains("factor")) {
            c.add("text", e -> e.getKey().factor());
        }
        c.add("text", e -> e.getKey().level());
        if (key.contains("evidence")) {
            c.add("text", e -> e.getKey().evidence());
        }
        if (key.contains("day")) {
            c.add("int", e -> e.getKey().day());
        }
        for (int i = 0; i < values.size(); i++) {
            int at = i;
            c.add("bigint", e -> e.getValue()[at]);
        }
        String sum = values.stream()
                .map(v -> v + " = " + table + "." + v + " + excluded." + v)
                .collect(Collectors.joining(", "));
        c.insert(table, key + ", " + String.join(", ", values), " on conflict (" + key + ") do update set " + sum);
    }

    /** Rows as one array a column, so that any number of them is one statement. */
    private final class Columns<T> {
        private final List<T> rows;
        private final Map<Integer, String> types = new LinkedHashMap<>();
        private final List<Object[]> arrays = new ArrayList<>();

        Columns(List<T> rows) {
            this.rows = rows;
        }

        void add(String type, Function<T, Object> value) {
            types.put(arrays.size(), type);
            arrays.add(rows.stream().map(value).toArray());
        }

        void insert(String table, String columns, String onConflict) {
            if (rows.isEmpty()) {
                return;
            }
            String sources = types.values().stream().map(t -> "?::" + t + "[]").collect(Collectors.joining(", "));
            jdbc.update(
                    "insert into " + table + " (" + columns + ") select * from unnest(" + sources + ")" + onConflict,
                    statement -> {
                        for (int i = 0; i < arrays.size(); i++) {
                            statement.setArray(
                                    i + 1, statement.getConnection().createArrayOf(types.get(i), arrays.get(i)));
                        }
                    });
        }
    }

    /** As one parameter, not as so many. */
    private static Object array(Collection<UUID> ids) {
        return ids.toArray(UUID[]::new);
    }

    static UUID uuid(ResultSet row, int column) throws SQLException {
        return row.getObject(column, UUID.class);
    }

    static Instant instant(ResultSet row, int column) throws SQLException {
        OffsetDateTime at = row.getObject(column, OffsetDateTime.class);
        return at == null ? null : at.toInstant();
    }

    static OffsetDateTime utc(Instant at) {
        return OffsetDateTime.ofInstant(at, ZoneOffset.UTC);
    }
}
