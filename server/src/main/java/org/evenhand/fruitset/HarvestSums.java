package org.evenhand.fruitset;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.statistics.MeanInterval;
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
    private static final String FLOWER = " left join lateral (select treatment, strokes, cross_id from pollination"
            + " where id = f.pollination_id limit 1) q on true"
            + " left join lateral (select true as twice from pollination a where q.cross_id is not null"
            + " and a.orchard_id = f.orchard_id and a.cross_id = q.cross_id and a.again and a.voided_at is null"
            + " limit 1) g on true";

    /** An empty seed holds no embryo: it counts as none. */
    private static final String FULL = "f.seeds - coalesce(f.empty_seeds, 0)";

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
     * @param seeds full ones; empty seeds are none
     * @param seedless fruit in which no full seed was found; they grew without
     */
    public record Seeds(
            String treatment,
            String strokes,
            int visits,
            int fruits,
            Optional<MeanInterval> seeds,
            int shaped,
            int whole,
            int seedless) {}

    public List<Seeds> seeds(Caller caller, int season, String crop) {
        return jdbc.query(
                "select coalesce(q.treatment, ''), coalesce(q.strokes, ''), case when g.twice then 2 else 1 end,"
                        + " count(*), count(f.seeds), avg(" + FULL + "), var_pop(" + FULL
                        + ") * count(f.seeds), count(f.shape),"
                        + " count(*) filter (where f.shape = 'WHOLE'), count(*) filter (where " + FULL + " <= 0)"
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

    /**
     * What checks told of flowers by hand beyond whether they set, by how the stigma was covered.
     *
     * @param strokes empty where it is not recorded
     * @param taken flowers that took, of which anything more was told
     * @param resting of those where it was told, fruitlets that rest
     * @param restingOf flowers that took where it was told
     * @param fruits fruits of those whose fruits were counted
     * @param fruitsOf flowers that took where fruits were counted
     * @param misshapen one-sided or crooked fruits
     * @param shaped fruits whose shape was told
     */
    public record ByCover(
            String strokes,
            int taken,
            int resting,
            int restingOf,
            int fruits,
            int fruitsOf,
            int misshapen,
            int shaped) {}

    public List<ByCover> byCover(Caller caller, int season, String crop) {
        return jdbc.query(
                """
                select coalesce(p.strokes, ''), sum(c.taken),
                       coalesce(sum(c.resting), 0), coalesce(sum(c.taken) filter (where c.resting is not null), 0),
                       coalesce(sum(c.fruits), 0), coalesce(sum(c.taken) filter (where c.fruits is not null), 0),
                       coalesce(sum(coalesce(c.one_sided, 0) + coalesce(c.crooked, 0)), 0),
                       coalesce(sum(coalesce(c.whole, 0) + coalesce(c.one_sided, 0) + coalesce(c.crooked, 0)), 0)
                from (select distinct on (pollination_id) * from fruit_check
                      where orchard_id = ? and voided_at is null and (fruits is not null or resting is not null
                          or whole is not null or one_sided is not null or crooked is not null)
                      order by pollination_id, checked_at desc, recorded_at desc) c
                join flower_outcome f on f.pollination_id = c.pollination_id
                join pollination p on p.id = c.pollination_id
                where f.season = ? and f.crop = ? and f.treatment = 'HAND'
                group by 1 order by 2 desc, 1
                """,
                (row, i) -> new ByCover(
                        row.getString(1),
                        row.getInt(2),
                        row.getInt(3),
                        row.getInt(4),
                        row.getInt(5),
                        row.getInt(6),
                        row.getInt(7),
                        row.getInt(8)),
                caller.orchardId(),
                season,
                crop);
    }

    /** What was harvested of a variety. */
    public record Yield(String variety, int fruits, Optional<MeanInterval> grams) {}

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
    private static Optional<MeanInterval> mean(ResultSet row, int first) throws SQLException {
        int n = row.getInt(first);
        return n == 0
                ? Optional.empty()
                : Optional.of(new MeanInterval(n, row.getDouble(first + 1), Math.max(0, row.getDouble(first + 2))));
    }
}
