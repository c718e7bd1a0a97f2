package org.evenhand.core.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Phase;
import org.evenhand.core.crop.StageSheet;

/**
 * What the flowers of one tree will do, foreseen from its readings.
 *
 * <p>Before the first reading a steady supply of buds is run through the days before it, which gives the shape inside each
 * stage; every reading then sets each stage's total to the counted number and keeps the shape. Only flowers that were counted
 * are foreseen: buds too small to count are not.
 */
public final class TreeForecast {
    /** How long the steady supply runs before the first reading. */
    public static final Duration SUPPLY = Duration.ofDays(20);

    private final CropSheet sheet;
    private final FlowerClock clock;
    private final BloomConditions conditions;
    private final FlowerReading latest;
    private final double[] flowers;
    private final FlowerState afterLatest;

    private TreeForecast(
            CropSheet sheet,
            FlowerClock clock,
            BloomConditions conditions,
            FlowerReading latest,
            FlowerState afterLatest) {
        this.sheet = sheet;
        this.clock = clock;
        this.conditions = conditions;
        this.latest = latest;
        this.flowers = latest.asFlowers(sheet);
        this.afterLatest = afterLatest;
    }

    /**
     * @param conditions reaching {@link #SUPPLY} back before the first reading
     * @param readings of one tree, at least one, in any order
     */
    public static TreeForecast of(CropSheet sheet, BloomConditions conditions, List<FlowerReading> readings) {
        if (readings.isEmpty()) {
            throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
        }
        List<FlowerReading> ordered = readings.stream()
                .sorted(Comparator.comparing(FlowerReading::at))
                .toList();
        FlowerClock clock = FlowerClock.of(sheet);
        double at = conditions.temperatures().hoursTo(ordered.get(0).at());
        FlowerState state = clock.steadySupply(conditions, at - SUPPLY.toHours(), at);
        for (FlowerReading reading : ordered) {
            double next = conditions.temperatures().hoursTo(reading.at());
            state = clock.advance(state, conditions, at, next).correctedBy(reading.asFlowers(sheet));
            at = next;
        }
        return new TreeForecast(sheet, clock, conditions, ordered.get(ordered.size() - 1), state);
    }

    public FlowerReading latestReading() {
        return latest;
    }

    /**
     * The forecast at several moments.
     *
     * @param moments not before the latest reading, in rising order
     */
    public List<ForecastPoint> at(List<Instant> moments) {
        FlowerBatch oneOfEach = FlowerBatch.empty(clock, flowers.length);
        for (int s = 0; s < flowers.length; s++) {
            oneOfEach.set(s, afterLatest.oneFlowerOf(s));
        }
        double[] hours = moments.stream()
                .mapToDouble(m -> conditions.temperatures().hoursTo(m))
                .toArray();
        List<ForecastPoint> points = new ArrayList<>();
        double from = conditions.temperatures().hoursTo(latest.at());
        clock.run(oneOfEach, conditions, from, hours, i -> points.add(point(moments.get(i), oneOfEach)));
        return points;
    }

    /** Expected flowers in each stage of the sheet at a moment not before the latest reading, and last those past them all. */
    public double[] stagesAt(Instant moment) {
        double from = conditions.temperatures().hoursTo(latest.at());
        double to = conditions.temperatures().hoursTo(moment);
        return clock.advance(afterLatest, conditions, from, to).stageTotals();
    }

    /**
     * The chance that a flower which could take pollen at one moment still can at a later one. The flower is taken to be as far
     * along as the average flower of the steady supply in the female stages.
     */
    public double stillTaking(Instant then, Instant later) {
        double at = conditions.temperatures().hoursTo(then);
        FlowerState supply = clock.steadySupply(conditions, at - SUPPLY.toHours(), at);
        double[] totals = supply.stageTotals();
        double[] female = new double[flowers.length];
        double sum = 0;
        for (int s = 0; s < female.length; s++) {
            female[s] = sheet.stages().get(s).phase().takes() ? totals[s] : 0;
            sum += female[s];
        }
        if (!(sum > 0)) {
            return 0;
        }
        double[] after = clock.advance(
                        supply.correctedBy(female),
                        conditions,
                        at,
                        conditions.temperatures().hoursTo(later))
                .stageTotals();
        return sumOf(after, Phase::takes) / sum;
    }

    private ForecastPoint point(Instant at, FlowerBatch oneOfEach) {
        return new ForecastPoint(
                at,
                FlowerCount.of(flowers, probabilities(oneOfEach, Phase::takes)),
                FlowerCount.of(flowers, probabilities(oneOfEach, Phase::gives)));
    }

    private double[] probabilities(FlowerBatch oneOfEach, Predicate<Phase> wanted) {
        double[] sums = new double[flowers.length];
        for (int s = 0; s < sheet.stages().size(); s++) {
            if (wanted.test(sheet.stages().get(s).phase())) {
                oneOfEach.addStage(s, sums);
            }
        }
        return sums;
    }

    private double sumOf(double[] totals, Predicate<Phase> wanted) {
        double sum = 0;
        List<StageSheet> stages = sheet.stages();
        for (int s = 0; s < stages.size(); s++) {
            sum += wanted.test(stages.get(s).phase()) ? totals[s] : 0;
        }
        return sum;
    }
}
