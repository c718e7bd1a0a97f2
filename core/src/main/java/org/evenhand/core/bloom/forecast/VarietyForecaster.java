package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleFunction;
import org.evenhand.core.Require;

/**
 * Turns the counts of varieties into forecasts of their trees. Varieties that walk by the same clock share tables and starts; hours
 * count from the start of the models' conditions.
 */
final class VarietyForecaster {
    private final DoubleFunction<FlowerModel> models;
    private final double[] times;
    private final double countingError;
    private final WeatherDoubt weather;
    private final int daysAhead;
    private final Map<Long, CohortTable> tables = new HashMap<>();
    private final Map<String, ForecastStart> starts = new HashMap<>();

    /**
     * @param models for a factor on all durations, how the flowers walk
     * @param times all hours at which trees were read or from which they are foreseen, in rising order
     * @param countingError standard deviation of a count's own error as a share of the count
     * @param daysAhead days whose buds are foreseen, the running one included
     */
    VarietyForecaster(
            DoubleFunction<FlowerModel> models,
            double[] times,
            double countingError,
            WeatherDoubt weather,
            int daysAhead) {
        this.models = models;
        this.times = times.clone();
        this.countingError = countingError;
        this.weather = weather;
        this.daysAhead = daysAhead;
    }

    /**
     * From when a tree is foreseen.
     *
     * @param from hour, one of the times, not before the tree's last reading
     * @param weatherKnownUntil hour from which the weather is only foreseen
     */
    record From(double from, double weatherKnownUntil) {}

    /** A variety's development rate, and for each tree its forecast at each of the rates it may have. */
    record Result(DevelopmentRateEstimate rate, Map<Integer, List<TreeForecast.Part>> trees) {}

    /**
     * @param froms for each tree named in the counts
     */
    Result of(RatePrior rate, List<CountedPart> counted, Map<Integer, From> froms) {
        double last = counted.stream().mapToDouble(CountedPart::last).max().orElseThrow();
        double latestFrom =
                froms.values().stream().mapToDouble(From::from).max().orElseThrow();
        int days = Math.max(0, CohortTable.dayOf(latestFrom) - CohortTable.dayOf(last)) + daysAhead;
        VarietyEstimator.Estimate estimate =
                new VarietyEstimator(this::table, rate, countingError, days).estimate(counted);
        Map<Integer, List<TreeForecast.Part>> trees = new TreeMap<>();
        for (VarietyEstimator.AtRate at : estimate.rates()) {
            byTree(at.fit().parts(counted)).forEach((tree, parts) -> {
                From from = Require.present(froms, tree);
                TreeEstimate estimated =
                        TreeEstimate.of(at.fit(), parts, at.fit().table().indexOf(from.from()), daysAhead);
                trees.computeIfAbsent(tree, t -> new ArrayList<>())
                        .add(new TreeForecast.Part(at.weight(), start(at.factor(), from), estimated));
            });
        }
        int readings = counted.stream().mapToInt(CountedPart::readings).sum();
        return new Result(DevelopmentRateEstimate.of(estimate, readings), trees);
    }

    private static Map<Integer, List<PartSupply>> byTree(List<PartSupply> parts) {
        Map<Integer, List<PartSupply>> byTree = new TreeMap<>();
        parts.forEach(p ->
                byTree.computeIfAbsent(p.counted.tree(), t -> new ArrayList<>()).add(p));
        return byTree;
    }

    private CohortTable table(double factor) {
        return tables.computeIfAbsent(key(factor), f -> new CohortTable(models.apply(factor), times));
    }

    private ForecastStart start(double factor, From from) {
        return starts.computeIfAbsent(
                key(factor) + " " + from,
                k -> new ForecastStart(
                        models.apply(factor), from.from(), daysAhead, weather, from.weatherKnownUntil()));
    }

    private static long key(double factor) {
        return Math.round(factor * 1e6);
    }
}
