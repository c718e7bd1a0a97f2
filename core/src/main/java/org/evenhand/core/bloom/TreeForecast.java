package org.evenhand.core.bloom;

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
    private final BudSupply supply;
    private final CropSheet sheet;
    private final FlowerReading latest;
    private final double[] flowers;
    private final FlowerState afterLatest;

    private TreeForecast(BudSupply supply, FlowerReading latest, FlowerState afterLatest) {
        this.supply = supply;
        this.sheet = supply.sheet();
        this.latest = latest;
        this.flowers = latest.asFlowers(sheet);
        this.afterLatest = afterLatest;
    }

    /**
     * @param supply of the tree's crop, starting {@link BudSupply#WARM_UP} before the first reading
     * @param readings of one tree, at least one, in any order
     */
    public static TreeForecast of(BudSupply supply, List<FlowerReading> readings) {
        if (readings.isEmpty()) {
            throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
        }
        List<FlowerReading> ordered = readings.stream()
                .sorted(Comparator.comparing(FlowerReading::at))
                .toList();
        double at = supply.hoursTo(ordered.get(0).at());
        FlowerState state = supply.at(at);
        for (FlowerReading reading : ordered) {
            double next = supply.hoursTo(reading.at());
            state = supply.clock()
                    .advance(state, supply.conditions(), at, next)
                    .correctedBy(reading.asFlowers(supply.sheet()));
            at = next;
        }
        return new TreeForecast(supply, ordered.get(ordered.size() - 1), state);
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
        FlowerBatch oneOfEach = FlowerBatch.empty(supply.clock(), flowers.length);
        for (int s = 0; s < flowers.length; s++) {
            oneOfEach.set(s, afterLatest.oneFlowerOf(s));
        }
        double[] hours = moments.stream().mapToDouble(supply::hoursTo).toArray();
        List<ForecastPoint> points = new ArrayList<>();
        double from = supply.hoursTo(latest.at());
        supply.clock()
                .run(oneOfEach, supply.conditions(), from, hours, i -> points.add(point(moments.get(i), oneOfEach)));
        return points;
    }

    /** Expected flowers in each stage of the sheet at a moment not before the latest reading, and last those past them all. */
    public double[] stagesAt(Instant moment) {
        double from = supply.hoursTo(latest.at());
        double to = supply.hoursTo(moment);
        return supply.clock()
                .advance(afterLatest, supply.conditions(), from, to)
                .stageTotals();
    }

    /**
     * The chance that a flower which could take pollen at one moment still can at a later one. The flower is taken to be as far
     * along as the average flower of the steady supply in the female stages.
     */
    public double stillTaking(Instant then, Instant later) {
        double at = supply.hoursTo(then);
        FlowerState usual = supply.at(at);
        double[] totals = usual.stageTotals();
        double[] female = new double[flowers.length];
        double sum = 0;
        for (int s = 0; s < female.length; s++) {
            female[s] = sheet.stages().get(s).phase().takes() ? totals[s] : 0;
            sum += female[s];
        }
        if (!(sum > 0)) {
            return 0;
        }
        double[] after = supply.clock()
                .advance(usual.correctedBy(female), supply.conditions(), at, supply.hoursTo(later))
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
