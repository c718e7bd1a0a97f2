package org.evenhand.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.bloom.forecast.CropForecasts;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.bloom.forecast.ForecastDoubt;
import org.evenhand.core.bloom.forecast.RatePrior;
import org.evenhand.core.bloom.forecast.TreeForecast;
import org.evenhand.core.bloom.forecast.WeatherDoubt;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;

/** Ten thousand trees of twenty varieties of four crops, read eight times each: estimated, and foreseen hour by hour for three days. */
public final class EstimateLoad {
    private static final Site PLACE = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant NOW = Instant.parse("2026-11-24T07:00:00Z");
    private static final List<String> CROPS = List.of("cherimoya", "sugar-apple", "apple", "avocado-a");
    private static final int VARIETIES_A_CROP = 5;
    private static final int TREES = 500;
    private static final int READINGS = 8;

    private EstimateLoad() {}

    public static void main(String[] arguments) {
        // The first run compiles; the second is told.
        for (int run = 0; run < 3; run++) {
            measure(run > 0);
        }
    }

    private static void measure(boolean tell) {
        List<CropForecasts> crops = new ArrayList<>();
        List<Map<Integer, CropForecasts.Variety<Integer>>> read = new ArrayList<>();
        for (String crop : CROPS) {
            CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();
            Instant start = NOW.minus(Duration.ofDays(10)).minus(BudSupply.warmUp(sheet));
            int hours = (int) Duration.between(start, NOW).toHours() + 24 * 13;
            BloomConditions conditions = BloomConditions.of(
                    sheet,
                    PLACE,
                    new DailyTemperatures(13, 23).repeated(PLACE, start, hours),
                    NOW.plus(Duration.ofDays(12)));
            crops.add(new CropForecasts(
                    sheet,
                    conditions,
                    new ForecastDoubt(ForecastDoubt.USUAL_COUNTING_ERROR, WeatherDoubt.walking(2.5), NOW),
                    Duration.ofDays(12)));
            read.add(readings(sheet, conditions));
        }
        long began = System.nanoTime();
        List<TreeForecast> forecasts = new ArrayList<>();
        for (int c = 0; c < crops.size(); c++) {
            crops.get(c)
                    .of(read.get(c), NOW)
                    .values()
                    .forEach(v -> forecasts.addAll(v.trees().values()));
        }
        long estimated = System.nanoTime();
        List<Instant> moments = IntStream.rangeClosed(0, 72)
                .mapToObj(h -> NOW.plus(Duration.ofHours(h)))
                .toList();
        double sum = 0;
        for (TreeForecast forecast : forecasts) {
            sum += forecast.at(moments).get(24).receptive().mean();
        }
        long foreseen = System.nanoTime();
        Map<Integer, CropForecasts.Variety<Integer>> one = Map.of(0, read.get(0).get(0));
        crops.get(0).of(one, NOW);
        long again = System.nanoTime();
        if (tell) {
            System.out.printf(
                    Locale.ROOT,
                    "%d trees estimated in %.2f s, foreseen hour by hour for 72 h in %.2f s (%.0f receptive flowers in a day);"
                            + " one variety of %d trees estimated anew in %.2f s%n",
                    forecasts.size(),
                    (estimated - began) / 1e9,
                    (foreseen - estimated) / 1e9,
                    sum,
                    TREES,
                    (again - foreseen) / 1e9);
        }
    }

    /** Trees of all sizes under a steady supply, read in the late afternoon of each day. */
    private static Map<Integer, CropForecasts.Variety<Integer>> readings(CropSheet sheet, BloomConditions conditions) {
        SplittableRandom random = new SplittableRandom(20261124);
        BudSupply supply = BudSupply.of(sheet, conditions, NOW);
        Map<Integer, CropForecasts.Variety<Integer>> varieties = new LinkedHashMap<>();
        for (int v = 0; v < VARIETIES_A_CROP; v++) {
            Map<Integer, List<List<FlowerReading>>> trees = new LinkedHashMap<>();
            for (int t = 0; t < TREES; t++) {
                double flowers = 10 * Math.pow(40, random.nextDouble());
                List<FlowerReading> looks = new ArrayList<>();
                for (int r = 0; r < READINGS; r++) {
                    Instant at = NOW.minus(Duration.ofDays(READINGS - 1L - r)).minus(Duration.ofMinutes(t * 3 / 10));
                    double[] shares = supply.usualShares(at);
                    looks.add(new FlowerReading(
                            at,
                            IntStream.range(0, shares.length)
                                    .mapToObj(s -> poisson(flowers * shares[s], random))
                                    .toList()));
                }
                trees.put(t, List.of(looks));
            }
            varieties.put(v, new CropForecasts.Variety<>(RatePrior.usual(), trees));
        }
        return varieties;
    }

    /** Knuth's way, which is quick enough for what a tree carries. */
    private static int poisson(double mean, SplittableRandom random) {
        double limit = Math.exp(-mean);
        int count = -1;
        for (double product = 1; product > limit; product *= random.nextDouble()) {
            count++;
        }
        return count;
    }
}
