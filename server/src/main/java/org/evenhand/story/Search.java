package org.evenhand.story;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds trees, varieties, blocks, jars, crosses, seedlings, tags, fruits, people and notes by what is known of them. */
@Service
class Search {
    private static final int MOST_OF_A_KIND = 8;

    private static final String SEEDLING = "d.stem || '-' || case when d.serial < 10 then '0' else '' end || d.serial";

    /** What is looked through, in the order it is shown; {@code :q} is what is looked for. */
    private static final List<String> WHERE_TO_LOOK = List.of(
            "select 'tree', t.id, t.name, v.name || ', ' || t.block || ', row ' || t.row_number || ', place ' || t.position from tree t"
                    + " join variety v on v.id = t.variety_id where t.orchard_id = ? and t.voided_at is null and t.name ilike ?"
                    + " order by t.name",
            "select 'variety', v.id, v.name, v.crop from variety v where v.orchard_id = ? and v.voided_at is null and v.name ilike ?"
                    + " order by v.name",
            "select distinct 'block', null::uuid, t.block, 'block' from tree t where t.orchard_id = ? and t.voided_at is null"
                    + " and t.block ilike ? order by t.block",
            "select 'jar', l.id, l.code, coalesce(v.name, 'blend') || ', ' || l.doses_left || ' doses' from pollen_lot l"
                    + " left join variety v on v.id = l.variety_id where l.orchard_id = ? and l.voided_at is null and l.code ilike ?"
                    + " order by l.collected_at desc",
            "select 'cross', x.id, lpad((x.year % 100)::text, 2, '0') || '-' || x.number, t.name || ' with ' || v.name from controlled_cross x"
                    + " join tree t on t.id = x.tree_id join variety v on v.id = x.father_id where x.orchard_id = ? and x.voided_at is null"
                    + " and lpad((x.year % 100)::text, 2, '0') || '-' || x.number ilike ? order by x.year desc, x.number desc",
            "select 'seedling', d.id, " + SEEDLING + ", coalesce(v.name, 'seedling') from seedling d"
                    + " left join variety v on v.id = d.variety_id"
                    + " where d.orchard_id = ? and d.voided_at is null and " + SEEDLING
                    + " ilike ? order by d.stem, d.serial",
            "select 'tag', p.tree_id, p.tag, t.name || ', ' || p.flowers || ' flowers ' || p.tag_year from pollination p"
                    + " join tree t on t.id = p.tree_id where p.orchard_id = ? and p.voided_at is null and p.tag <> '' and p.tag ilike ?"
                    + " order by p.done_at desc",
            "select 'fruit', f.tree_id, f.year || ' fruit ' || f.number, t.name from fruit f join tree t on t.id = f.tree_id"
                    + " where f.orchard_id = ? and f.voided_at is null and f.number is not null and f.year || ' fruit ' || f.number ilike ?"
                    + " order by f.year desc, f.number",
            "select 'person', a.id, a.name, case when m.left_at is null then lower(m.role) else 'formerly' end from account a join membership m on m.account_id = a.id where m.orchard_id = ?"
                    + " and a.name ilike ? order by a.name",
            "select 'permit', p.id, p.number, p.authority from permit p where p.orchard_id = ? and p.voided_at is null"
                    + " and p.number ilike ? order by p.valid_from desc",
            "select case when s.tree_id is not null then 'note' when s.lot_id is not null then 'jar' when s.kind = 'permit' then 'permit'"
                    + " else 'note' end, coalesce(s.tree_id, s.lot_id),"
                    + " coalesce(t.name, s.what ->> 'jar', s.what ->> 'permit', 'note'), s.note"
                    + " from story_line s left join tree t on t.id = s.tree_id"
                    + " where s.orchard_id = ? and s.voided_at is null and s.note <> '' and s.note ilike ? order by s.at desc");

    private final JdbcTemplate jdbc;

    Search(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** What holds these letters, a few of each kind, names that begin with them first. */
    @Transactional(readOnly = true)
    List<StoryView.Hit> find(Caller caller, String asked) {
        String text = asked.strip().toLowerCase(Locale.ROOT);
        if (text.isEmpty()) {
            return List.of();
        }
        String like = "%" + text.replaceAll("([\\\\%_])", "\\\\$1") + "%";
        return WHERE_TO_LOOK.stream()
                .flatMap(sql -> look(caller, sql, like, text).stream())
                .toList();
    }

    private List<StoryView.Hit> look(Caller caller, String sql, String like, String text) {
        List<StoryView.Hit> found = jdbc.query(
                sql + " limit " + 4 * MOST_OF_A_KIND,
                (row, i) -> new StoryView.Hit(
                        row.getString(1), row.getObject(2, UUID.class), row.getString(3), row.getString(4)),
                caller.orchardId(),
                like);
        return found.stream()
                .sorted((a, b) -> Boolean.compare(begins(b, text), begins(a, text)))
                .limit(MOST_OF_A_KIND)
                .toList();
    }

    private static boolean begins(StoryView.Hit hit, String text) {
        return hit.title().toLowerCase(Locale.ROOT).startsWith(text);
    }
}
