package org.evenhand.core.bloom.forecast;

import java.util.SplittableRandom;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.DevelopmentRate;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;

/**
 * Flowers thrown one by one in steps of three minutes, written without the clock's own mathematics: an oracle for it. Temperature
 * and gates are looked up, chances are drawn.
 */
final class ThrownFlowers {
    private static final double STEP = 0.05;

    private final CropSheet sheet;
    private final BloomConditions conditions;
    private final DevelopmentRate rate;
    private final double durations;
    private final SplittableRandom random;

    ThrownFlowers(CropSheet sheet, BloomConditions conditions, double durations, long seed) {
        this.sheet = sheet;
        this.conditions = conditions;
        this.durations = durations;
        this.rate = new DevelopmentRate(
                sheet.baseTemperatureC().value(),
                sheet.referenceTemperatureC().value(),
                sheet.capTemperatureC().value());
        this.random = new SplittableRandom(seed);
    }

    /** One flower: its stage, and how many sub-phases of it are done; all done means it waits at the gate. */
    static final class Flower {
        int stage;
        int done;

        Flower(int stage, int done) {
            this.stage = stage;
            this.done = done;
        }
    }

    /** Lets a flower walk from one hour to another. */
    void walk(Flower flower, double from, double to) {
        for (double at = from; at < to - 1e-9 && flower.stage < sheet.stages().size(); at += STEP) {
            step(flower, at, Math.min(STEP, to - at));
        }
    }

    private void step(Flower flower, double at, double step) {
        StageSheet stage = sheet.stages().get(flower.stage);
        int k = stage.subPhases();
        if (flower.done < k) {
            double perHour = k
                    / (stage.meanHours().value() * durations)
                    * rate.at(conditions.temperatures().celsiusAtHour(at + step / 2));
            boolean commits = stage.gate().map(g -> g.commits()).orElse(false);
            if (commits && conditions.gates().get(flower.stage).openAt(at + step / 2)) {
                double celsius = conditions.temperatures().celsiusAtHour(at + step / 2);
                perHour = Math.max(perHour, k / 0.5 * Math.min(1, rate.at(celsius) / 0.5));
            }
            if (random.nextDouble() < 1 - Math.exp(-perHour * step)) {
                flower.done++;
            }
            leaveUngated(flower, stage, k);
        } else if (conditions.gates().get(flower.stage).openAt(at + step / 2)) {
            double perHour =
                    Math.log(2) / (stage.gate().orElseThrow().halfTimeMinutes().value() / 60);
            if (random.nextDouble() < 1 - Math.exp(-perHour * step)) {
                flower.stage++;
                flower.done = 0;
            }
        }
    }

    private static void leaveUngated(Flower flower, StageSheet stage, int k) {
        if (flower.done == k && stage.gate().isEmpty()) {
            flower.stage++;
            flower.done = 0;
        }
    }
}
