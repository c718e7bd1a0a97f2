package org.evenhand.fruitset;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.findings.Mean;
import org.evenhand.kit.Caller;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Sums over the fruit of a season. */
@Component
public class HarvestSums {
    /** A fruit's year is its season. */
    private static final String FRUIT =
            " from fruit f join tree t on t.id = f.tree_id join variety v on v.id = t.variety_id";

    private static final String OF_SEASON =
            " where f.orchard_id = ? and f.voided_at is null and v.crop = ? and f.year = ?";

    /** Looked up fruit by fruit, as there are far fewer fruits than flowers. */
    private static final String FLOWER = " left join lateral (select treatment, strokes, crossing_id from pollination"
            + " where id = f.pollination_id limit 1) q on true"
            + " left join lateral (select true as twice from pollination a where q.crossing_id is not null"
            + " and a.orchard_id = f.orchard_id and a.crossing_id = q.crossing_id and a.again and a.voided_at is null"
            + " limit 1) g on true";

    private final JdbcTemplate jdbc;

    HarvestSums(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Fruit of flowers treated alike, of which seeds were counted or the shape was seen.
     *
     * @param treatment empty where it is not known from which flower they came
     * @param strokes empty where it is not recorded
     * @param visits 1, or 2 where pollen was given twice
     * @param seedless fruit in which no seed was found; they grew without
     */
    public record Seeds(
            String treatment,
            String strokes,
            int visits,
            int fruits,
            Optional<Mean> seeds,
            int shaped,
            int whole,
            int seedless) {}

    public List<Seeds> seeds(Caller caller, int season, String crop) {
        return jdbc.query(
                "select coalesce(q.treatment, ''), coalesce(q.strokes, ''), case when g.twice then 2 else 1 end,"
                        + " count(*), count(f.seeds), avg(f.seeds), var_pop(f.seeds) * count(f.seeds), count(f.shape),"
                        + " count(*) filter (where f.shape = 'WHOLE'), count(*) filter (where f.seeds = 0)"
                        + FRUIT + FLOWER + OF_SEASON
                        + " and (f.seeds is not null or f.shape is not null) group by 1, 2, 3 order by 4 desc",
                (row, i) -> new Seeds(
                        row.getString(1),
                        row.getString(2),
                        row.getInt(3),
                        row.getInt(4),
                        mean(row, 5),
                        row.getInt(8),
                        row.getInt(9),
                        row.getInt(10)),
                caller.orchardId(),
                crop,
                season);
    }

    /** What was harvested of a variety. */
    public record Yield(String variety, int fruits, Optional<Mean> grams) {}

    public List<Yield> yield(Caller caller, int season, String crop) {
        return jdbc.query(
                "select v.name, count(*), count(f.weight_g), avg(f.weight_g), var_pop(f.weight_g) * count(f.weight_g)"
                        + FRUIT + OF_SEASON + " and f.ended = 'HARVESTED' group by 1 order by 2 desc",
                (row, i) -> new Yield(row.getString(1), row.getInt(2), mean(row, 3)),
                caller.orchardId(),
                crop,
                season);
    }

    /** Number, mean and sum of squares from three columns. */
    private static Optional<Mean> mean(ResultSet row, int first) throws SQLException {
        int n = row.getInt(first);
        return n == 0
                ? Optional.empty()
                : Optional.of(new Mean(n, row.getDouble(first + 1), Math.max(0, row.getDouble(first + 2))));
    }
}
