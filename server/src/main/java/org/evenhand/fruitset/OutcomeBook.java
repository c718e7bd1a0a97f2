package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.kit.Caller;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Looks outcomes up by tree, jar or day, and those to hold against them. */
@Component
public class OutcomeBook {
    private static final int MOST_ROWS = 400;

    private final JdbcTemplate jdbc;

    OutcomeBook(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** What is asked about. */
    public enum Kind {
        TREE,
        JAR,
        DAY
    }

    /**
     * The flowers of a tree, a jar or a day, in a season of a crop.
     *
     * @param key id of tree or jar, or the date
     */
    public record Asked(int season, String crop, Kind kind, String key) {
        private String where() {
            return switch (kind) {
                case TREE -> "f.tree_id = '" + UUID.fromString(key) + "'";
                case JAR -> "p.lot_id = '" + UUID.fromString(key) + "'";
                case DAY -> "f.done_on = '" + LocalDate.parse(key) + "'";
            };
        }
    }

    /** Flowers of one pollination by hand, as far as causes of failure go. */
    public record Row(
            UUID treeId,
            UUID varietyId,
            UUID lotId,
            Instant doneAt,
            String stage,
            String strokes,
            int set,
            int failed,
            int undecided,
            List<KaplanMeier.At> course,
            int whole,
            int misshapen) {}

    private static final String FROM = " from flower_outcome f join pollination p on p.id = f.pollination_id"
            + " where f.orchard_id = ? and f.season = ? and f.crop = ? and f.treatment = 'HAND' and ";

    /** The flowers that are asked about, the latest first. */
    public List<Row> rows(Caller caller, Asked asked) {
        return jdbc.query(
                "select f.tree_id, f.variety_id, p.lot_id, p.done_at, coalesce(p.stage, ''), coalesce(p.strokes, ''), f.set_flowers + f.dropped,"
                        + " f.failed, f.flowers - f.set_flowers - f.failed - f.dropped, f.course, coalesce(s.whole, 0), coalesce(s.misshapen, 0)"
                        + FROM.replace(
                                " where",
                                " left join lateral (select count(*) filter (where shape = 'WHOLE') as whole,"
                                        + " count(*) filter (where shape <> 'WHOLE') as misshapen from fruit u"
                                        + " where u.orchard_id = f.orchard_id and u.pollination_id = f.pollination_id"
                                        + " and u.voided_at is null) s on true where")
                        + asked.where() + " order by p.done_at desc limit " + MOST_ROWS,
                (row, i) -> new Row(
                        OutcomeRows.uuid(row, 1),
                        OutcomeRows.uuid(row, 2),
                        OutcomeRows.uuid(row, 3),
                        OutcomeRows.instant(row, 4),
                        row.getString(5),
                        row.getString(6),
                        row.getInt(7),
                        row.getInt(8),
                        row.getInt(9),
                        LossColumn.read(row.getString(10)),
                        row.getInt(11),
                        row.getInt(12)),
                caller.orchardId(),
                asked.season(),
                asked.crop());
    }

    /**
     * Others that have something in common with those asked about.
     *
     * @param what by which they are alike; not the kind that is asked about
     */
    public Optional<Proportion> alike(Caller caller, Asked asked, Kind what) {
        String column = switch (what) {
            case TREE -> "f.tree_id";
            case JAR -> "p.lot_id";
            case DAY -> "f.done_on";
        };
        String same = column + " in (select " + column.replace("f.", "g.").replace("p.", "q.")
                + " from flower_outcome g join pollination q on q.id = g.pollination_id where g.orchard_id = f.orchard_id"
                + " and g.season = f.season and g.crop = f.crop and g.treatment = 'HAND' and "
                + asked.where().replace("f.", "g.").replace("p.", "q.") + ")";
        return asked.kind() == what
                ? Optional.empty()
                : share(caller, asked, same + " and not coalesce(" + asked.where() + ", false)");
    }

    private Optional<Proportion> share(Caller caller, Asked asked, String where) {
        return jdbc.queryForObject(
                "select coalesce(sum(f.set_flowers + f.dropped), 0), coalesce(sum(f.failed), 0)" + FROM + where,
                (row, i) -> row.getInt(1) + row.getInt(2) == 0
                        ? Optional.empty()
                        : Optional.of(new Proportion(row.getInt(1), row.getInt(1) + row.getInt(2))),
                caller.orchardId(),
                asked.season(),
                asked.crop());
    }
}
