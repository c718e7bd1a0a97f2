package org.evenhand.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.SplittableRandom;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerBatch;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;

/** Ten thousand trees, each with its own mix of stages, under three real days of light and warmth. */
final class Orchard10k {
    static final int TREES = 10_000;
    static final int HOURS = 72;
    static final int STEPS_AN_HOUR = 6;
    /** Trees pushed forward together: their rows fit into the processor's second cache. */
    static final int BLOCK = 500;

    final CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();
    final FlowerClock clock = FlowerClock.of(sheet);
    final BloomConditions conditions;
    final double[] hours = new double[HOURS * STEPS_AN_HOUR + 1];
    final FlowerState[] trees = new FlowerState[TREES];

    Orchard10k() {
        Site coast = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
        Instant start = Instant.parse("2026-11-24T02:00:00Z");
        HourlyTemperatures air = new DailyTemperatures(14, 24).repeated(coast, start, HOURS + 1);
        conditions = BloomConditions.of(sheet, coast, air, start.plus(Duration.ofHours(HOURS)));
        for (int i = 0; i < hours.length; i++) {
            hours[i] = i / (double) STEPS_AN_HOUR;
        }
        SplittableRandom random = new SplittableRandom(20261124);
        for (int t = 0; t < TREES; t++) {
            trees[t] = clock.entering(random.nextInt(3), 1 + random.nextInt(40));
        }
    }

    /** Expected flowers that can take pollen, by tree and time: [sample][tree]. Only the sum is returned, to keep it alive. */
    double forecastAll() {
        double[] sum = new double[1];
        for (int from = 0; from < TREES; from += BLOCK) {
            FlowerBatch batch = FlowerBatch.empty(clock, BLOCK);
            for (int c = 0; c < BLOCK; c++) {
                batch.set(c, trees[from + c]);
            }
            double[] receptive = new double[BLOCK];
            clock.run(batch, conditions, 0, hours, i -> {
                java.util.Arrays.fill(receptive, 0);
                batch.addStage(1, receptive);
                batch.addStage(2, receptive);
                sum[0] += receptive[i % BLOCK];
            });
        }
        return sum[0];
    }
}
