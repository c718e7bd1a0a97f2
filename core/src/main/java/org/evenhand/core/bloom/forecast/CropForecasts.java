package org.evenhand.core.bloom.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;

/**
 * Foresees the flowers of a crop's trees at one place: the way in. Varieties handed over together share what is computed of the clock.
 */
public final class CropForecasts {
    /** Of readings of one part within this time the last one counts: the others were corrected by it. Our convention. */
    private static final Duration CORRECTED_WITHIN = Duration.ofHours(1);

    /** Readings are taken to have been made on multiples of this. */
    private static final double FINEST_HOURS = 1 / 6.0;

    /** More moments than this are put on a coarser grid. */
    private static final int MOST_TIMES = 120;

    private final CropSheet sheet;
    private final BloomConditions conditions;
    private final ForecastDoubt doubt;
    private final Duration ahead;

    /**
     * @param conditions starting {@link BudSupply#warmUp} or more before the first reading
     * @param ahead how far after {@code from} trees will be foreseen
     */
    public CropForecasts(CropSheet sheet, BloomConditions conditions, ForecastDoubt doubt, Duration ahead) {
        this.sheet = sheet;
        this.conditions = conditions;
        this.doubt = doubt;
        this.ahead = ahead;
    }

    /**
     * The readings of one variety.
     *
     * @param rate what is believed of its development rate beforehand
     * @param trees for each tree the readings of its parts: the whole crown, or limbs; at least one each
     */
    public record Variety<T>(RatePrior rate, Map<T, List<List<FlowerReading>>> trees) {}

    /**
     * A variety, foreseen.
     *
     * @param rate its development rate
     * @param trees the forecast of each of its trees
     */
    public record Foreseen<T>(DevelopmentRateEstimate rate, Map<T, TreeForecast> trees) {}

    /** One tree alone, at its sheet's rate give or take what varieties differ. */
    public TreeForecast tree(List<List<FlowerReading>> parts, Instant from) {
        Map<String, Foreseen<String>> foreseen =
                of(Map.of("variety", new Variety<>(RatePrior.usual(), Map.of("tree", parts))), from);
        return Require.present(Require.present(foreseen, "variety").trees(), "tree");
    }

    /**
     * @param from moment from which trees are foreseen; a variety read later is foreseen from its last reading
     */
    public <V, T> Map<V, Foreseen<T>> of(Map<V, Variety<T>> varieties, Instant from) {
        Grid grid = new Grid(varieties, from);
        int days = (int) Math.ceil(ahead.toMinutes() / 60.0 / CohortTable.HOURS_A_DAY) + 1;
        VarietyForecaster forecaster = new VarietyForecaster(
                rate -> FlowerModel.of(sheet, rate, conditions),
                grid.times,
                doubt.countingError(),
                doubt.weather(),
                days);
        Map<V, Foreseen<T>> foreseen = new LinkedHashMap<>();
        varieties.forEach((key, variety) -> foreseen.put(key, new OneVariety<>(variety, grid).foreseen(forecaster)));
        return foreseen;
    }

    /** The moments of readings on a grid that is fine enough and has not too many of them. */
    private final class Grid {
        private final double from;
        private double step = FINEST_HOURS;
        private double[] times;

        <V, T> Grid(Map<V, Variety<T>> varieties, Instant from) {
            this.from = hours(from);
            List<Double> all = new ArrayList<>();
            varieties
                    .values()
                    .forEach(v -> v.trees()
                            .values()
                            .forEach(parts -> parts.forEach(looks -> looks.forEach(r -> all.add(hours(r.at()))))));
            if (all.isEmpty()) {
                throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
            }
            all.add(this.from);
            do {
                TreeSet<Double> distinct = new TreeSet<>();
                all.forEach(h -> distinct.add(on(h)));
                times = distinct.stream().mapToDouble(Double::doubleValue).toArray();
                step *= 2;
            } while (times.length > MOST_TIMES && step < 6);
            step /= 2;
        }

        double on(double hour) {
            return Math.max(0, Math.round(hour / step) * step);
        }
    }

    private double hours(Instant at) {
        return conditions.temperatures().hoursTo(at);
    }

    private final class OneVariety<T> {
        private final Variety<T> variety;
        private final Grid grid;
        private final List<T> trees;
        private final List<CountedPart> counted = new ArrayList<>();
        private final double from;

        OneVariety(Variety<T> variety, Grid grid) {
            this.variety = variety;
            this.grid = grid;
            this.trees = List.copyOf(variety.trees().keySet());
            for (int t = 0; t < trees.size(); t++) {
                for (List<FlowerReading> part : Require.present(variety.trees(), trees.get(t))) {
                    counted.add(counted(t, part));
                }
            }
            double last = counted.stream().mapToDouble(CountedPart::last).max().orElseThrow();
            this.from = Math.max(last, grid.on(grid.from));
        }

        private CountedPart counted(int tree, List<FlowerReading> part) {
            if (part.isEmpty()) {
                throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
            }
            List<FlowerReading> ordered = part.stream()
                    .sorted(Comparator.comparing(FlowerReading::at))
                    .toList();
            List<FlowerReading> kept = new ArrayList<>();
            for (int r = 0; r < ordered.size(); r++) {
                FlowerReading reading = ordered.get(r);
                boolean corrected = r + 1 < ordered.size()
                        && Duration.between(reading.at(), ordered.get(r + 1).at())
                                        .compareTo(CORRECTED_WITHIN)
                                < 0;
                boolean sameMoment = r + 1 < ordered.size()
                        && grid.on(hours(reading.at()))
                                == grid.on(hours(ordered.get(r + 1).at()));
                if (!corrected && !sameMoment) {
                    kept.add(reading);
                }
            }
            return new CountedPart(
                    tree,
                    kept.stream().mapToDouble(r -> grid.on(hours(r.at()))).toArray(),
                    kept.stream().map(r -> r.checked(sheet)).toList(),
                    kept.stream().mapToDouble(FlowerReading::share).toArray());
        }

        Foreseen<T> foreseen(VarietyForecaster forecaster) {
            VarietyForecaster.From start = new VarietyForecaster.From(from, hours(doubt.weatherKnownUntil()));
            Map<Integer, VarietyForecaster.From> froms = new HashMap<>();
            for (int t = 0; t < trees.size(); t++) {
                froms.put(t, start);
            }
            VarietyForecaster.Result result = forecaster.of(variety.rate(), counted, froms);
            Map<T, TreeForecast> forecasts = new LinkedHashMap<>();
            result.trees().forEach((t, parts) -> forecasts.put(trees.get(t), new TreeForecast(parts)));
            return new Foreseen<>(result.rate(), forecasts);
        }
    }
}
