package org.evenhand.fruitset;

import jakarta.annotation.PreDestroy;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.evenhand.availability.Strokes;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.findings.AdjustedOdds;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.cropload.TreeResults;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ChangedElsewhere;
import org.evenhand.kit.Job;
import org.evenhand.mating.CrossResults;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.evenhand.weather.WeatherChanged;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/**
 * What has become of the flowers of each pollination, kept ready with its sums. The database notes which are to be reckoned anew; whoever
 * asks has a few of them reckoned first, and where many wait the rest is done meanwhile.
 */
@Service
public class FlowerOutcomes implements Job {
    /** As many are reckoned before an answer; it takes well under a second. */
    private static final int AT_ONCE = 2_000;

    private static final int BATCH = 20_000;
    /** More waiting records are not counted to the last. */
    static final int MOST_COUNTED = 100_000;

    private static final Logger LOG = LoggerFactory.getLogger(FlowerOutcomes.class);

    private final OutcomeRows rows;
    private final JdbcTemplate jdbc;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;
    private final PollenShelf shelf;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "outcomes");
        thread.setDaemon(true);
        return thread;
    });
    private final Set<UUID> underWay = ConcurrentHashMap.newKeySet();
    /** Counts changes, so that others know when what they reckoned from outcomes is old. */
    private final Map<UUID, Long> changes = new ConcurrentHashMap<>();
    /** Times after which those of any orchard may be old. */
    private final AtomicLong anywhere = new AtomicLong();

    FlowerOutcomes(
            OutcomeRows rows,
            JdbcTemplate jdbc,
            Orchards orchards,
            CropCatalogue crops,
            Weather weather,
            PollenShelf shelf) {
        this.rows = rows;
        this.jdbc = jdbc;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
        this.shelf = shelf;
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }

    /** Brings them up to date, or begins to; how many records still wait, or {@link #MOST_COUNTED} where there are more. */
    public int refresh(Caller caller) {
        int waiting = waiting(caller);
        if (waiting == 0 || underWay.contains(caller.orchardId())) {
            return waiting;
        }
        calculate(caller, AT_ONCE);
        waiting = waiting(caller);
        if (waiting > 0 && underWay.add(caller.orchardId())) {
            worker.submit(() -> workOff(caller));
        }
        return waiting;
    }

    @Override
    public Kind kind() {
        return Kind.OUTCOMES;
    }

    /** Records whose flowers are worked out anew, or {@link #MOST_COUNTED} where there are more. */
    @Override
    public long waiting() {
        return jdbc.queryForObject(
                "select count(*) from (select 1 from flower_outcome_due limit " + MOST_COUNTED + ") w", Long.class);
    }

    private int waiting(Caller caller) {
        return jdbc.queryForObject(
                "select count(*) from (select 1 from flower_outcome_due where orchard_id = ? limit " + MOST_COUNTED
                        + ") w",
                Integer.class,
                caller.orchardId());
    }

    private void workOff(Caller caller) {
        try {
            while (!Thread.interrupted() && calculate(caller, BATCH) > 0) {
                LOG.debug("Outcomes of orchard {} worked out", caller.orchardId());
            }
        } catch (RuntimeException e) {
            LOG.warn("Outcomes of orchard {} could not be worked out; they stay waiting", caller.orchardId(), e);
        } finally {
            underWay.remove(caller.orchardId());
        }
    }

    private int calculate(Caller caller, int most) {
        int calculated = rows.transaction().execute(status -> {
            rows.lock(caller.orchardId());
            List<UUID> ids = rows.takeDue(caller.orchardId(), most);
            // Read after they are taken, so that a jar filled meanwhile is known to the flowers done with it.
            OutcomeAnalysis analysis = analysis(caller);
            Map<UUID, List<OutcomeRows.CheckRow>> checks = rows.checks(caller.orchardId(), ids);
            List<OutcomeRows.OutcomeRow> now = new ArrayList<>();
            rows.facts(ids).forEach(f -> now.add(analysis.of(f, checks.getOrDefault(f.id(), List.of()))));
            OutcomeSums sums = new OutcomeSums();
            rows.takeOut(ids).forEach(f -> sums.add(f, -1));
            now.forEach(f -> sums.add(f, 1));
            rows.putIn(now);
            rows.add(caller.orchardId(), sums);
            return ids.size();
        });
        if (calculated > 0) {
            changes.merge(caller.orchardId(), 1L, Long::sum);
        }
        return calculated;
    }

    /** Equal as long as no outcome of the orchard was worked out anew. */
    public long version(Caller caller) {
        return changes.getOrDefault(caller.orchardId(), 0L) + anywhere.get();
    }

    @EventListener
    void elsewhere(ChangedElsewhere change) {
        if (change.anything()) {
            anywhere.incrementAndGet();
        } else if (change.mayBeIn("flower_outcome")) {
            changes.merge(change.orchardId(), 1L, Long::sum);
        }
    }

    private OutcomeAnalysis analysis(Caller caller) {
        OrchardDetails orchard = orchards.details(caller);
        ZoneId zone = orchard.site().zone();
        Places places = weather.places(caller);
        Map<String, CropSheet> known = new HashMap<>();
        Function<String, CropSheet> sheets = crop -> known.computeIfAbsent(crop, c -> crops.of(caller, c));
        return new OutcomeAnalysis(
                caller.orchardId(),
                orchard.site(),
                sheets,
                new PollenUsed(
                        shelf.names(caller),
                        MatingPartners.of(orchards.varieties(caller), sheets),
                        shelf.courses(caller)),
                (block, day) -> weather.air(
                        caller,
                        places.of(block),
                        day.atStartOfDay(zone).toInstant(),
                        day.plusDays(1).atStartOfDay(zone).toInstant()));
    }

    @EventListener
    void recalculateWhereTheWeatherChanged(WeatherChanged event) {
        jdbc.update(
                "insert into flower_outcome_due select orchard_id, id from pollination where orchard_id = ? and done_at between ? and ?"
                        + " on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id",
                event.orchardId(),
                OutcomeRows.utc(event.from()),
                OutcomeRows.utc(event.until()));
    }

    /**
     * A season of a crop of which there are records.
     *
     * @param decided of its flowers those of which it is known whether they set
     */
    public record SeasonOfCrop(int season, String crop, long flowers, long decided) {}

    /** All there are, the latest season and the crop with most flowers first. */
    public List<SeasonOfCrop> seasons(Caller caller) {
        return jdbc.query(
                "select season, crop, sum(set_flowers + failed + dropped + undecided), sum(set_flowers + failed + dropped) from set_cell where orchard_id = ?"
                        + " and factor = 'TREATMENT' group by season, crop having sum(set_flowers + failed + dropped + undecided) > 0 order by 1 desc, 3 desc",
                (row, i) -> new SeasonOfCrop(row.getInt(1), row.getString(2), row.getLong(3), row.getLong(4)),
                caller.orchardId());
    }

    /**
     * Flowers of one class of a factor.
     *
     * @param took set and hold, or were thinned by hand
     * @param dropped had set and fell by themselves
     */
    public record Level(Factor factor, String level, int set, int failed, int dropped, int undecided) {
        /** Flowers that set, whatever came after. */
        public int set() {
            return set + dropped;
        }

        public int decided() {
            return set() + failed;
        }

        public int flowers() {
            return decided() + undecided;
        }

        /** The share that set; absent while none is decided. */
        public Optional<Proportion> share() {
            return decided() == 0 ? Optional.empty() : Optional.of(new Proportion(set(), decided()));
        }

        private Level plus(Level other) {
            return new Level(
                    factor,
                    level,
                    set + other.set,
                    failed + other.failed,
                    dropped + other.dropped,
                    undecided + other.undecided);
        }
    }

    /** Flowers of one class that can teach the same. */
    private record Cell(Evidence evidence, Level level) {}

    private static Cell cell(ResultSet row) throws SQLException {
        return new Cell(
                Evidence.valueOf(row.getString("evidence")),
                new Level(
                        Factor.valueOf(row.getString("factor")),
                        row.getString("level"),
                        row.getInt("set_flowers"),
                        row.getInt("failed"),
                        row.getInt("dropped"),
                        row.getInt("undecided")));
    }

    private static List<Level> levels(List<Cell> cells, Predicate<Cell> which) {
        record Class(Factor factor, String level) {}
        return List.copyOf(cells.stream()
                .filter(which)
                .collect(Collectors.toMap(
                        c -> new Class(c.level().factor(), c.level().level()),
                        Cell::level,
                        Level::plus,
                        LinkedHashMap::new))
                .values());
    }

    private List<Cell> cells(Caller caller, int season, String crop) {
        return jdbc.query(
                "select * from set_cell where orchard_id = ? and season = ? and crop = ?"
                        + " and set_flowers + failed + dropped + undecided > 0 order by factor, level, evidence",
                (row, i) -> cell(row),
                caller.orchardId(),
                season,
                crop);
    }

    /** The classes of every factor, of the flowers that it compares. */
    public List<Level> levels(Caller caller, int season, String crop) {
        return levels(
                cells(caller, season, crop),
                c -> c.evidence().comparedBy(c.level().factor()));
    }

    /** The classes of every factor, of all flowers. */
    public List<Level> everyLevel(Caller caller, int season, String crop) {
        return levels(cells(caller, season, crop), c -> true);
    }

    /** Flowers by hand of a season, by what they can teach. */
    public Map<Evidence, Level> byEvidence(Caller caller, int season, String crop) {
        return cells(caller, season, crop).stream()
                .filter(c -> c.level().factor() == Factor.TREATMENT
                        && c.level().level().equals(Treatment.HAND.name()))
                .collect(Collectors.toMap(
                        Cell::evidence, Cell::level, Level::plus, () -> new EnumMap<>(Evidence.class)));
    }

    /** What became of the flowers by hand of a crop in ordinary work, by season. */
    public Map<Integer, Level> byHand(Caller caller, String crop) {
        Map<Integer, Level> seasons = new HashMap<>();
        jdbc.query(
                "select * from set_cell where orchard_id = ? and crop = ? and factor = ? and level = ? and evidence = ?",
                row -> {
                    seasons.put(row.getInt("season"), cell(row).level());
                },
                caller.orchardId(),
                crop,
                Factor.TREATMENT.name(),
                Treatment.HAND.name(),
                Evidence.ORDINARY.name());
        return seasons;
    }

    /** What happened on which day to the flowers of each class of a factor. */
    public Map<String, List<KaplanMeier.At>> courses(Caller caller, int season, String crop, Factor factor) {
        Map<String, List<KaplanMeier.At>> courses = new HashMap<>();
        jdbc.query(
                "select level, day, lost, censored from loss_cell where orchard_id = ? and season = ? and crop = ? and factor = ?"
                        + " and lost + censored > 0 order by level, day",
                row -> {
                    courses.computeIfAbsent(row.getString(1), l -> new ArrayList<>())
                            .add(new KaplanMeier.At(row.getInt(2), row.getInt(3), row.getInt(4)));
                },
                caller.orchardId(),
                season,
                crop,
                factor.name());
        return courses;
    }

    /** Flowers alike in all causes, in the order of {@link Factor#CAUSES}. */
    public List<AdjustedOdds.Pattern> patterns(Caller caller, int season, String crop) {
        return jdbc.query(
                "select classes, set_flowers, failed from cause_cell where orchard_id = ? and season = ? and crop = ?"
                        + " and set_flowers + failed > 0 order by classes",
                (row, i) -> new AdjustedOdds.Pattern(
                        List.of(row.getString(1).split(OutcomeSums.BETWEEN, -1)), row.getInt(2), row.getInt(3)),
                caller.orchardId(),
                season,
                crop);
    }

    /** Those whose next check is due by a day, the most urgent first. */
    List<UUID> due(Caller caller, LocalDate by, int most) {
        return jdbc.queryForList(
                "select pollination_id from flower_outcome where orchard_id = ? and next_check <= ? order by next_check, pollination_id limit ?",
                UUID.class,
                caller.orchardId(),
                by,
                most);
    }

    int countDue(Caller caller, LocalDate by) {
        return jdbc.queryForObject(
                "select count(*) from flower_outcome where orchard_id = ? and next_check <= ?",
                Integer.class,
                caller.orchardId(),
                by);
    }

    /** Those of this season that want no check any more, the latest first. */
    List<UUID> looked(Caller caller, LocalDate since, int most) {
        return jdbc.queryForList(
                "select pollination_id from flower_outcome where orchard_id = ? and next_check is null and done_on >= ?"
                        + " order by done_on desc, pollination_id limit ?",
                UUID.class,
                caller.orchardId(),
                since,
                most);
    }

    /** What flowers by hand showed of each cross, over all seasons; those of trials and of dead pollen left out. */
    List<CrossResults.Result> crosses(Caller caller) {
        return jdbc.query(
                "select variety_id, father_id, sum(set_flowers + dropped + failed), sum(set_flowers + dropped) from flower_outcome"
                        + " where orchard_id = ? and father_id is not null and evidence in ('ORDINARY', 'PAIR_DOES_NOT_FIT')"
                        + " group by variety_id, father_id having sum(set_flowers + dropped + failed) > 0",
                (row, i) -> new CrossResults.Result(
                        OutcomeRows.uuid(row, 1), OutcomeRows.uuid(row, 2), row.getInt(3), row.getInt(4)),
                caller.orchardId());
    }

    /** What flowers by hand showed on each tree in a season, and of them what those of ordinary work teach. */
    List<TreeResults.Result> trees(Caller caller, int season) {
        return jdbc.query(
                "select level, sum(set_flowers), sum(undecided), coalesce(sum(set_flowers) filter (where evidence = 'ORDINARY'), 0),"
                        + " coalesce(sum(failed + dropped) filter (where evidence = 'ORDINARY'), 0) from set_cell"
                        + " where orchard_id = ? and season = ? and factor = 'TREE' group by level"
                        + " having sum(set_flowers + failed + dropped + undecided) > 0",
                (row, i) -> new TreeResults.Result(
                        UUID.fromString(row.getString(1)),
                        row.getInt(2),
                        row.getInt(3),
                        new SetBelief.Seen(row.getInt(4), row.getInt(5))),
                caller.orchardId(),
                season);
    }

    /** Flowers of a season that hold fruit, with how many, by pollination. */
    Map<UUID, Integer> holding(Caller caller, int season, int most) {
        Map<UUID, Integer> holding = new HashMap<>();
        jdbc.query(
                "select pollination_id, holding from flower_outcome where orchard_id = ? and season = ? and holding > 0"
                        + " order by done_on desc, pollination_id limit ?",
                row -> {
                    holding.put(OutcomeRows.uuid(row, 1), row.getInt(2));
                },
                caller.orchardId(),
                season,
                most);
        return holding;
    }

    /**
     * What is known of one pollination's flowers.
     *
     * @param set flowers that set, whatever came after
     * @param lookedAt whether anybody looked at them yet
     * @param lookWanted whether a further check is wanted
     */
    public record Known(int set, int failed, int undecided, boolean lookedAt, boolean lookWanted) {}

    public Map<UUID, Known> known(Caller caller, List<UUID> ids) {
        Map<UUID, Known> known = new HashMap<>();
        jdbc.query(
                "select f.pollination_id, f.set_flowers + f.dropped, f.failed, f.flowers - f.set_flowers - f.failed - f.dropped, f.next_check is not null,"
                        + " exists (select 1 from fruit_check c where c.orchard_id = f.orchard_id"
                        + " and c.pollination_id = f.pollination_id and c.voided_at is null)"
                        + " from flower_outcome f where f.orchard_id = ? and f.pollination_id = any(?)",
                row -> {
                    known.put(
                            OutcomeRows.uuid(row, 1),
                            new Known(
                                    row.getInt(2), row.getInt(3), row.getInt(4), row.getBoolean(6), row.getBoolean(5)));
                },
                caller.orchardId(),
                ids.toArray(UUID[]::new));
        return known;
    }

    /** What flowers by hand showed in ordinary work of each way of covering the stigma, and of each crop in all, over all seasons. */
    List<TreeResults.Technique> techniques(Caller caller) {
        return jdbc.query(
                "select crop, case when grouping(level) = 1 then null else level end, sum(set_flowers + dropped),"
                        + " sum(set_flowers + dropped + failed) from set_cell where orchard_id = ? and factor = 'STROKES'"
                        + " and evidence = 'ORDINARY' group by grouping sets ((crop, level), (crop))"
                        + " having sum(set_flowers + dropped + failed) > 0 and (grouping(level) = 1 or level <> '')",
                (row, i) -> new TreeResults.Technique(
                        row.getString(1),
                        row.getString(2) == null ? null : Strokes.valueOf(row.getString(2)),
                        row.getInt(3),
                        row.getInt(4)),
                caller.orchardId());
    }

    /** Flowers done by hand on some trees, day by day. */
    Map<UUID, NavigableMap<LocalDate, Integer>> flowersByDay(Caller caller, List<UUID> trees, LocalDate since) {
        Map<UUID, NavigableMap<LocalDate, Integer>> days = new HashMap<>();
        jdbc.query(
                "select tree_id, done_on, sum(flowers) from flower_outcome where orchard_id = ? and tree_id = any(?) and done_on >= ?"
                        + " and treatment = 'HAND' group by tree_id, done_on",
                row -> {
                    days.computeIfAbsent(OutcomeRows.uuid(row, 1), t -> new TreeMap<>())
                            .put(row.getObject(2, LocalDate.class), row.getInt(3));
                },
                caller.orchardId(),
                trees.toArray(UUID[]::new),
                since);
        return days;
    }
}
