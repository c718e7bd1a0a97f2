package org.evenhand.story;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/**
 * Whose story is asked for. Each that is given narrows it.
 *
 * @param block name of a block
 * @param person who wrote it down
 * @param kinds only records of these kinds; all where none is given
 * @param removed whether removed records are shown too
 * @param before only what happened before it
 */
record StoryAsked(
        UUID tree,
        UUID variety,
        String block,
        UUID lot,
        UUID cross,
        UUID person,
        List<String> kinds,
        boolean removed,
        Instant before) {

    /** Conditions on the view, with what stands for their question marks. */
    record Where(String sql, List<Object> values) {}

    Where where(UUID orchard) {
        StringBuilder sql = new StringBuilder("s.orchard_id = ?");
        List<Object> values = new ArrayList<>(List.of(orchard));
        narrow(sql, values, "s.tree_id = ?", tree);
        narrow(sql, values, "s.lot_id = ?", lot);
        narrow(sql, values, "s.cross_id = ?", cross);
        narrow(sql, values, "s.recorded_by = ?", person);
        narrow(sql, values, "t.block = ?", block);
        if (variety != null) {
            sql.append(" and (t.variety_id = ? or s.variety_id = ?)");
            values.addAll(List.of(variety, variety));
        }
        return new Where(sql.toString(), values);
    }

    private static void narrow(StringBuilder sql, List<Object> values, String condition, Object value) {
        if (value != null) {
            sql.append(" and ").append(condition);
            values.add(value);
        }
    }
}
