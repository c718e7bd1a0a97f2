package org.evenhand.core.bloom.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleFunction;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * Foresees trees whose readings stand in hours after the start of their conditions, each from its own last reading: the way in for
 * reference cases and simulations. Trees of the orchard go by {@link CropForecasts}; both use the same estimator.
 */
public final class SimulatedTrees {
    private final DoubleFunction<FlowerModel> models;
    private final RatePrior rate;
    private final WeatherDoubt weather;

    /**
     * @param models for a factor on all durations, how the flowers walk
     * @param rate what is believed of that factor
     * @param weather how far the temperature after a tree's last reading may go from what the conditions say
     */
    public SimulatedTrees(DoubleFunction<FlowerModel> models, RatePrior rate, WeatherDoubt weather) {
        this.models = models;
        this.rate = rate;
        this.weather = weather;
    }

    /**
     * One reading.
     *
     * @param hour after the start
     * @param counts flowers counted in each stage, exactly; or the number expected there
     * @param share chance of each flower to be seen, more than 0, up to 1
     */
    public record Reading(double hour, List<Double> counts, double share) {
        public Reading {
            counts = List.copyOf(counts);
            Require.within("share", share, FlowerReading.LEAST_SHARE, 1);
            for (int s = 0; s < counts.size(); s++) {
                Require.within("counts[" + s + "]", counts.get(s), 0, FlowerReading.MOST_FLOWERS);
            }
        }
    }

    /**
     * One tree.
     *
     * @param variety trees of one variety share their course of bloom and their development rate
     * @param readings in rising order, at least one
     */
    public record Tree(String variety, List<Reading> readings) {
        double last() {
            return readings.get(readings.size() - 1).hour();
        }
    }

    /**
     * @param ahead hours after each tree's last reading, in rising order
     * @return for each tree, a point for each of these hours
     */
    public List<List<ForecastPoint>> foresee(List<Tree> trees, double[] ahead) {
        Instant start = models.apply(rate.factor()).conditions().temperatures().start();
        List<TreeForecast> forecasts = forecasts(trees, ahead[ahead.length - 1]);
        List<List<ForecastPoint>> points = new ArrayList<>();
        for (int t = 0; t < trees.size(); t++) {
            double last = trees.get(t).last();
            points.add(forecasts
                    .get(t)
                    .at(Arrays.stream(ahead)
                            .mapToObj(h -> after(start, last + h))
                            .toList()));
        }
        return points;
    }

    private static Instant after(Instant start, double hours) {
        return start.plus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    /**
     * Of the flowers on one tree at its last reading, how many are expected in each stage later; buds that come after it are left out.
     *
     * @param hours after the start, not before the last reading, in rising order
     * @return for each hour the flowers in each stage, and last those past them all
     */
    public List<double[]> stagesOfThoseThere(Tree tree, double[] hours) {
        Instant start = models.apply(rate.factor()).conditions().temperatures().start();
        TreeForecast forecast = forecasts(List.of(tree), 0).get(0);
        return Arrays.stream(hours)
                .mapToObj(h -> forecast.stagesOfThoseThere(after(start, h)))
                .toList();
    }

    private List<TreeForecast> forecasts(List<Tree> trees, double hoursAhead) {
        if (trees.isEmpty() || trees.stream().anyMatch(t -> t.readings().isEmpty())) {
            throw new InvalidInputException("trees", "each need a reading.");
        }
        double[] times = trees.stream()
                .flatMap(t -> t.readings().stream())
                .mapToDouble(Reading::hour)
                .sorted()
                .distinct()
                .toArray();
        int days = (int) Math.ceil(hoursAhead / CohortTable.HOURS_A_DAY) + 1;
        VarietyForecaster forecaster = new VarietyForecaster(models, times, 0, weather, days);
        Map<String, List<Integer>> varieties = new TreeMap<>();
        for (int t = 0; t < trees.size(); t++) {
            varieties
                    .computeIfAbsent(trees.get(t).variety(), v -> new ArrayList<>())
                    .add(t);
        }
        List<TreeForecast> forecasts = new ArrayList<>(Collections.nCopies(trees.size(), null));
        varieties.values().forEach(members -> {
            Map<Integer, VarietyForecaster.From> froms = new HashMap<>();
            members.forEach(t -> froms.put(
                    t,
                    new VarietyForecaster.From(trees.get(t).last(), trees.get(t).last())));
            List<CountedPart> counted =
                    members.stream().map(t -> part(t, trees.get(t))).toList();
            forecaster
                    .of(rate, counted, froms)
                    .trees()
                    .forEach((t, parts) -> forecasts.set(t, new TreeForecast(parts)));
        });
        return forecasts;
    }

    private static CountedPart part(int index, Tree tree) {
        return new CountedPart(
                index,
                tree.readings().stream().mapToDouble(Reading::hour).toArray(),
                tree.readings().stream()
                        .map(r -> r.counts().stream()
                                .mapToDouble(Double::doubleValue)
                                .toArray())
                        .toList(),
                tree.readings().stream().mapToDouble(Reading::share).toArray());
    }
}
