package org.evenhand.verify;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.forecast.FlowerCount;
import org.evenhand.core.bloom.forecast.FlowerModel;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.RatePrior;
import org.evenhand.core.bloom.forecast.SimulatedTrees;
import org.evenhand.core.bloom.forecast.WeatherDoubt;
import tools.jackson.databind.JsonNode;

/** Whether a forecast's interval keeps its promise on simulated trees: coverage, bias and interval score within bounds. */
final class ForecastCoverageTopic implements Topic {
    /** Standard deviation of the logarithm of a variety's pace, as the topic defines it. */
    private static final double PACE_SPREAD = 0.15;

    @Override
    public String name() {
        return "forecast-coverage";
    }

    /** How well one phase was foreseen at one horizon over all trees. */
    private record Figures(double coverage, double bias, double score) {}

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        double[] ahead = horizons(in);
        List<SimulatedTrees.Tree> trees =
                in.children("trees").stream().map(ForecastCoverageTopic::tree).toList();
        List<List<ForecastPoint>> points = simulated(in).foresee(trees, ahead);
        Map<String, Object> answer = new HashMap<>();
        for (int i = 0; i < ahead.length; i++) {
            for (String phase : List.of("receptive", "shedding")) {
                answer.put(key(ahead[i], phase), figures(in, points, i, phase));
            }
        }
        return Optional.of(answer);
    }

    private static double[] horizons(Inputs in) {
        TreeSet<Double> hours = new TreeSet<>();
        for (Inputs tree : in.children("trees")) {
            tree.children("truth").forEach(t -> hours.add(t.number("hoursAfterLastReading")));
        }
        if (hours.isEmpty()) {
            throw in.wrong("trees", "have no truth to hold a forecast against");
        }
        for (Inputs tree : in.children("trees")) {
            if (tree.children("truth").size() != hours.size()) {
                throw in.wrong("trees", "have truths of different hours; give each tree the same");
            }
        }
        return hours.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static SimulatedTrees simulated(Inputs in) {
        int hours = in.numbers("hourlyTemperatureC").size();
        BloomConditions conditions = FlowerClockTopic.conditions(in, new double[] {hours});
        List<Boolean> receptive =
                in.children("stages").stream().map(s -> s.flag("receptive")).toList();
        List<Boolean> shedding =
                in.children("stages").stream().map(s -> s.flag("shedding")).toList();
        return new SimulatedTrees(
                pace -> new FlowerModel(
                        FlowerClock.of(
                                FlowerClockTopic.rate(in),
                                in.children("stages").stream()
                                        .map(s -> FlowerClockTopic.stage(s, pace))
                                        .toList()),
                        conditions,
                        receptive,
                        shedding),
                new RatePrior(1, in.flag("varietyPaceUnknown") ? PACE_SPREAD : 0),
                WeatherDoubt.walking(in.number("forecastErrorSdAfter48hC")));
    }

    private static SimulatedTrees.Tree tree(Inputs tree) {
        List<SimulatedTrees.Reading> readings = new ArrayList<>();
        for (Inputs r : tree.children("readings")) {
            readings.add(new SimulatedTrees.Reading(
                    r.number("hour"),
                    r.wholes("counts").stream().map(Integer::doubleValue).toList(),
                    r.number("share")));
        }
        return new SimulatedTrees.Tree(tree.text("variety"), readings);
    }

    private static Figures figures(Inputs in, List<List<ForecastPoint>> points, int horizon, String phase) {
        double inside = 0;
        double foreseen = 0;
        double there = 0;
        double score = 0;
        List<Inputs> trees = in.children("trees");
        for (int t = 0; t < trees.size(); t++) {
            int truth = trees.get(t).children("truth").get(horizon).whole(phase);
            ForecastPoint point = points.get(t).get(horizon);
            FlowerCount count = phase.equals("receptive") ? point.receptive() : point.shedding();
            inside += truth >= count.low() && truth <= count.high() ? 1 : 0;
            foreseen += count.mean();
            there += truth;
            score += count.high()
                    - count.low()
                    + 10.0 * Math.max(0, count.low() - truth)
                    + 10.0 * Math.max(0, truth - count.high());
        }
        return new Figures(inside / trees.size(), foreseen / there, score / trees.size());
    }

    private static String key(double hours, String phase) {
        return hours + " h " + phase;
    }

    /** What was foreseen of one entry, and what an ideal forecaster got on the same trees. */
    private record Entry(JsonNode bounds, String name, Figures got, double ideal) {}

    private static List<Entry> entries(JsonNode expected, Map<String, Object> answer) {
        List<Entry> entries = new ArrayList<>();
        for (JsonNode bounds : expected.path("horizons")) {
            String name = key(
                    bounds.path("hoursAfterLastReading").doubleValue(),
                    bounds.path("phase").asString());
            if (!(answer.get(name) instanceof Figures got)) {
                throw new BrokenCaseException("expected.horizons names " + name + ", of which no tree has the truth.");
            }
            entries.add(new Entry(
                    bounds, name, got, bounds.path("ideal_mean_interval_score").doubleValue()));
        }
        if (entries.isEmpty()) {
            throw new BrokenCaseException("expected.horizons is missing.");
        }
        return entries;
    }

    private static double meanCoverage(List<Entry> entries) {
        return entries.stream().mapToDouble(e -> e.got.coverage).average().orElseThrow();
    }

    private static double scoreRatio(List<Entry> entries) {
        return entries.stream().mapToDouble(e -> e.got.score).sum()
                / entries.stream().mapToDouble(Entry::ideal).sum();
    }

    @Override
    public List<String> judge(JsonNode expected, Map<String, Object> answer, JsonNode tolerance) {
        List<String> misses = new ArrayList<>();
        List<Entry> entries = entries(expected, answer);
        for (Entry e : entries) {
            Bounds judge = new Bounds(e.name + ", ", misses);
            within(judge, "coverage", e.got.coverage, e.bounds);
            within(judge, "bias_ratio", e.got.bias, e.bounds);
            judge.within(
                    "interval_score_ratio",
                    e.got.score / e.ideal,
                    0,
                    e.bounds.path("interval_score_ratio").path("max").doubleValue());
        }
        Bounds overall = new Bounds("overall, ", misses);
        within(overall, "coverage", meanCoverage(entries), expected.path("overall"));
        overall.within(
                "interval_score_ratio",
                scoreRatio(entries),
                0,
                expected.path("overall")
                        .path("interval_score_ratio")
                        .path("max")
                        .doubleValue());
        return misses;
    }

    private static void within(Bounds judge, String figure, double got, JsonNode bounds) {
        judge.within(
                figure,
                got,
                bounds.path(figure).path("min").doubleValue(),
                bounds.path(figure).path("max").doubleValue());
    }

    @Override
    public List<String> report(JsonNode expected, Map<String, Object> answer) {
        List<Entry> entries = entries(expected, answer);
        List<String> lines = new ArrayList<>();
        for (Entry e : entries) {
            lines.add(String.format(
                    Locale.ROOT,
                    "%s: coverage %.3f, bias_ratio %.3f, interval_score_ratio %.3f",
                    e.name,
                    e.got.coverage,
                    e.got.bias,
                    e.got.score / e.ideal));
        }
        lines.add(String.format(
                Locale.ROOT,
                "overall: coverage %.3f, interval_score_ratio %.3f",
                meanCoverage(entries),
                scoreRatio(entries)));
        return lines;
    }
}
