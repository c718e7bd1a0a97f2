package org.evenhand.story;

import com.fasterxml.jackson.annotation.Nulls;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.kit.Caller;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.RecordKind;
import org.evenhand.kit.VoidRequest;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything that was recorded, read off the view {@code story_line} in which the database puts the records of all rooms together. What
 * mends a record is asked of the room that keeps it.
 */
@Service
class Stories {
    /** Records shown at once. */
    private static final int MOST_SHOWN = 100;

    private static final TypeReference<Map<String, Object>> WHAT = new TypeReference<>() {};
    private static final String FROM = " from story_line s left join tree t on t.id = s.tree_id"
            + " left join variety v on v.id = t.variety_id left join account a on a.id = s.recorded_by where ";

    private final JdbcTemplate jdbc;
    private final JsonMapper json;
    private final Map<String, RecordKind> kinds;

    Stories(JdbcTemplate jdbc, JsonMapper json, List<RecordKind> kinds) {
        this.jdbc = jdbc;
        // What the database says of a record has places with nothing in them, which nobody may send.
        this.json = json.rebuild()
                .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.DEFAULT))
                .build();
        this.kinds = kinds.stream().collect(Collectors.toMap(RecordKind::key, Function.identity()));
    }

    @Transactional(readOnly = true)
    StoryView story(Caller caller, StoryAsked asked) {
        StoryAsked.Where where = asked.where(caller.orchardId());
        Map<String, Integer> counts = new TreeMap<>();
        int[] removed = new int[1];
        jdbc.query(
                "select s.kind, s.voided_at is not null, count(distinct s.id)" + FROM + where.sql()
                        + " group by s.kind, s.voided_at is not null",
                row -> {
                    if (row.getBoolean(2)) {
                        removed[0] += row.getInt(3);
                    }
                    if (!row.getBoolean(2) || asked.removed()) {
                        counts.merge(row.getString(1), row.getInt(3), Integer::sum);
                    }
                },
                where.values().toArray());
        List<StoryView.Line> lines = lines(asked, where);
        boolean more = lines.size() >= MOST_SHOWN;
        return new StoryView(
                lines, counts, removed[0], more ? lines.get(lines.size() - 1).at() : null);
    }

    private List<StoryView.Line> lines(StoryAsked asked, StoryAsked.Where where) {
        StringBuilder sql =
                new StringBuilder("select s.kind, s.id, s.tree_id, t.name as tree, v.crop, s.lot_id, s.cross_id, s.at,"
                        + " a.name as by, s.recorded_at, s.voided_at, s.void_reason, s.version, s.note, s.what" + FROM
                        + where.sql());
        List<Object> values = new ArrayList<>(where.values());
        if (!asked.removed()) {
            sql.append(" and s.voided_at is null");
        }
        if (!asked.kinds().isEmpty()) {
            sql.append(" and s.kind = any(?)");
            values.add(asked.kinds().toArray(String[]::new));
        }
        if (asked.before() != null) {
            sql.append(" and s.at < ?");
            values.add(OffsetDateTime.ofInstant(asked.before(), ZoneOffset.UTC));
        }
        // Those of one moment stay together: the next page begins before it.
        sql.append(" order by s.at desc fetch first ").append(MOST_SHOWN).append(" rows with ties");
        return jdbc.query(
                "select * from (" + sql + ") l order by l.at desc, l.id desc, l.tree",
                (row, i) -> line(row),
                values.toArray());
    }

    private StoryView.Line line(ResultSet row) throws SQLException {
        return new StoryView.Line(
                row.getString("kind"),
                row.getObject("id", UUID.class),
                row.getObject("tree_id", UUID.class),
                row.getString("tree"),
                row.getString("crop"),
                row.getObject("lot_id", UUID.class),
                row.getObject("cross_id", UUID.class),
                instant(row, "at"),
                row.getString("by"),
                instant(row, "recorded_at"),
                instant(row, "voided_at"),
                row.getString("void_reason"),
                row.getLong("version"),
                row.getString("note"),
                said(row.getString("what")));
    }

    /** What a record says, without what it does not. */
    private Map<String, Object> said(String what) {
        Map<String, Object> said = json.readValue(what, WHAT);
        said.values().removeIf(value -> value == null || "".equals(value));
        return said;
    }

    private static Instant instant(ResultSet row, String column) throws SQLException {
        OffsetDateTime at = row.getObject(column, OffsetDateTime.class);
        return at == null ? null : at.toInstant();
    }

    RecordKind kind(String key, UUID id) {
        RecordKind kind = kinds.get(key);
        if (kind == null) {
            throw new NotFoundException("record", id);
        }
        return kind;
    }

    StoryView.Effects effects(Caller caller, String key, UUID id) {
        requireThere(caller, key, id);
        List<RecordKind.Effect> effects =
                new ArrayList<>(kind(key, id).effects().apply(caller, id));
        if (key.equals("pollination")) {
            effects.addAll(checksOf(caller, id));
        }
        return new StoryView.Effects(effects);
    }

    private List<RecordKind.Effect> checksOf(Caller caller, UUID pollination) {
        return jdbc.query(
                "select kind, count(*) from story_line where orchard_id = ? and kind = 'check' and voided_at is null"
                        + " and what ->> 'pollinationId' = ? group by kind",
                (row, i) -> new RecordKind.Effect(RecordKind.What.FIRST, row.getString(1), row.getInt(2)),
                caller.orchardId(),
                pollination.toString());
    }

    private void requireThere(Caller caller, String key, UUID id) {
        if (jdbc.queryForList(
                        "select 1 from story_line where orchard_id = ? and kind = ? and id = ?",
                        Integer.class,
                        caller.orchardId(),
                        key,
                        id)
                .isEmpty()) {
            throw new NotFoundException("record", id);
        }
    }

    void remove(Caller caller, String key, UUID id, VoidRequest request) {
        kind(key, id).remove().of(caller, id, request);
    }

    void restore(Caller caller, String key, UUID id, Long version) {
        kind(key, id).restore().of(caller, id, version);
    }
}
