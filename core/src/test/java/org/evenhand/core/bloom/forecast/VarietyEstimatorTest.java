package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class VarietyEstimatorTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant START = Instant.parse("2026-11-01T00:00:00Z");
    private static final CropSheet SHEET =
            CropSheets.shipped().find("sugar-apple").orElseThrow();
    private static final BloomConditions CONDITIONS = BloomConditions.of(
            SHEET,
            COAST,
            new DailyTemperatures(14, 24).repeated(COAST, START, 40 * 24),
            START.plus(Duration.ofDays(39)));

    /** Whatever was counted, far from any model too: the rates that are mixed have the mean and the spread that were found. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#fewSeeds")
    void the_rates_that_are_mixed_have_the_mean_and_the_spread_that_were_found(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] times = {24 * 20, 24 * 21, 24 * 22.5};
        List<CountedPart> parts = new ArrayList<>();
        for (int tree = 0; tree < 1 + random.nextInt(4); tree++) {
            int most = 1 + random.nextInt(40);
            parts.add(new CountedPart(
                    tree,
                    times,
                    IntStream.range(0, times.length)
                            .mapToObj(t -> random.ints(SHEET.stages().size(), 0, most + 1)
                                    .asDoubleStream()
                                    .toArray())
                            .toList(),
                    new double[] {1, 1, 1}));
        }
        VarietyEstimator.Estimate estimate = new VarietyEstimator(
                        rate -> new CohortTable(FlowerModel.of(SHEET, rate, CONDITIONS), times),
                        RatePrior.usual(),
                        0.1,
                        3)
                .estimate(parts);

        double mean = 0;
        double square = 0;
        for (VarietyEstimator.AtRate at : estimate.rates()) {
            assertThat(at.weight()).isBetween(0.0, 1.0);
            mean += at.weight() * Math.log(at.factor());
            square += at.weight() * Math.pow(Math.log(at.factor()), 2);
        }
        double weights = estimate.rates().stream()
                .mapToDouble(VarietyEstimator.AtRate::weight)
                .sum();
        assertThat(weights).isCloseTo(1, within(1e-9));
        // One alone stands on the grid of rates.
        boolean one = estimate.rates().size() == 1;
        assertThat(mean).isCloseTo(estimate.logRate(), within(one ? 0.005 : 1e-9));
        assertThat(Math.sqrt(Math.max(0, square - mean * mean)))
                .isCloseTo(one ? 0 : estimate.logRateSd(), within(1e-6));
    }
}
