package org.evenhand.core.bloom;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.Phase;
import org.evenhand.core.crop.StageSheet;

/**
 * What the flowers of one tree will do, foreseen from its readings.
 *
 * <p>Before the first reading a steady supply of buds is run through the days before it, which gives the shape inside each
 * stage; every reading then sets each stage's total to the counted number and keeps the shape. Only flowers that were counted
 * are foreseen: buds too small to count are not. A tree read limb by limb is the sum of its limbs.
 */
public final class TreeForecast {
    private final BudSupply supply;
    private final List<Part> parts;

    private TreeForecast(BudSupply supply, List<Part> parts) {
        this.supply = supply;
        this.parts = List.copyOf(parts);
    }

    /** What was read together: the whole tree, or one limb. */
    private record Part(FlowerReading latest, double[] flowers, FlowerState afterLatest) {
        static Part of(BudSupply supply, List<FlowerReading> readings) {
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
                state = supply.advance(state, at, next).correctedBy(reading.asFlowers(supply.sheet()));
                at = next;
            }
            FlowerReading latest = ordered.get(ordered.size() - 1);
            return new Part(latest, latest.asFlowers(supply.sheet()), state);
        }

        /** One flower of each stage as it was counted, each a column. */
        FlowerBatch oneOfEach() {
            return FlowerBatch.of(java.util.stream.IntStream.range(0, flowers.length)
                    .mapToObj(afterLatest::oneFlowerOf)
                    .toList());
        }
    }

    /**
     * @param supply of the tree's crop, starting {@link BudSupply#warmUp} before the first reading
     * @param readings of one tree, at least one, in any order
     */
    public static TreeForecast of(BudSupply supply, List<FlowerReading> readings) {
        return ofLimbs(supply, List.of(readings));
    }

    /** @param limbs the readings of each limb, at least one each */
    public static TreeForecast ofLimbs(BudSupply supply, List<List<FlowerReading>> limbs) {
        if (limbs.isEmpty()) {
            throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
        }
        return new TreeForecast(
                supply, limbs.stream().map(l -> Part.of(supply, l)).toList());
    }

    public FlowerReading latestReading() {
        return parts.stream()
                .map(Part::latest)
                .max(Comparator.comparing(FlowerReading::at))
                .orElseThrow();
    }

    /**
     * The forecast at several moments.
     *
     * @param moments not before the latest reading, in rising order
     */
    public List<ForecastPoint> at(List<Instant> moments) {
        List<double[][]> taking = new ArrayList<>();
        List<double[][]> giving = new ArrayList<>();
        double[] hours = moments.stream().mapToDouble(supply::hoursTo).toArray();
        for (Part part : parts) {
            FlowerBatch batch = part.oneOfEach();
            double[][] take = new double[hours.length][];
            double[][] give = new double[hours.length][];
            supply.clock().run(batch, supply.conditions(), supply.hoursTo(part.latest.at()), hours, i -> {
                take[i] = probabilities(batch, part.flowers.length, Phase::takes);
                give[i] = probabilities(batch, part.flowers.length, Phase::gives);
            });
            taking.add(take);
            giving.add(give);
        }
        return points(moments, taking, giving);
    }

    /**
     * The forecast at the moments of chances computed for the whole crop.
     *
     * @param chances of this tree's supply, starting not before the latest reading
     */
    public List<ForecastPoint> at(PhaseChances chances) {
        if (chances.supply() != supply) {
            throw new InvalidInputException("chances", "belong to another supply.");
        }
        List<double[][]> taking = new ArrayList<>();
        List<double[][]> giving = new ArrayList<>();
        for (Part part : parts) {
            FlowerBatch batch = part.oneOfEach();
            supply.advance(batch, supply.hoursTo(part.latest.at()), supply.hoursTo(chances.from()));
            double[][] columns = new double[part.flowers.length][];
            Arrays.setAll(columns, c -> batch.state(c).compartments());
            int moments = chances.moments().size();
            double[][] take = new double[moments][];
            double[][] give = new double[moments][];
            Arrays.setAll(take, i -> chances.taking(i, columns));
            Arrays.setAll(give, i -> chances.giving(i, columns));
            taking.add(take);
            giving.add(give);
        }
        return points(chances.moments(), taking, giving);
    }

    private List<ForecastPoint> points(List<Instant> moments, List<double[][]> taking, List<double[][]> giving) {
        double[] flowers = joined(parts.stream().map(Part::flowers));
        double[] shares = joined(parts.stream().map(p -> {
            double[] share = new double[p.flowers.length];
            Arrays.fill(share, p.latest.share());
            return share;
        }));
        List<ForecastPoint> points = new ArrayList<>();
        for (int i = 0; i < moments.size(); i++) {
            int moment = i;
            points.add(new ForecastPoint(
                    moments.get(i),
                    FlowerCount.of(flowers, joined(taking.stream().map(t -> t[moment])), shares),
                    FlowerCount.of(flowers, joined(giving.stream().map(g -> g[moment])), shares)));
        }
        return points;
    }

    private static double[] joined(Stream<double[]> arrays) {
        return arrays.flatMapToDouble(Arrays::stream).toArray();
    }

    /** Expected flowers in each stage of the sheet at a moment not before the latest reading, and last those past them all. */
    public double[] stagesAt(Instant moment) {
        double to = supply.hoursTo(moment);
        double[] totals = new double[supply.sheet().stages().size() + 1];
        for (Part part : parts) {
            double[] stages = supply.clock()
                    .advance(part.afterLatest, supply.conditions(), supply.hoursTo(part.latest.at()), to)
                    .stageTotals();
            Arrays.setAll(totals, s -> totals[s] + stages[s]);
        }
        return totals;
    }

    /**
     * The chance that a flower which could take pollen at one moment still can at a later one. The flower is taken to be as far
     * along as the average flower of the steady supply in the female stages.
     */
    public double stillTaking(Instant then, Instant later) {
        double at = supply.hoursTo(then);
        FlowerState usual = supply.at(at);
        double[] totals = usual.stageTotals();
        double[] female = new double[supply.sheet().stages().size()];
        double sum = 0;
        for (int s = 0; s < female.length; s++) {
            female[s] = supply.sheet().stages().get(s).phase().takes() ? totals[s] : 0;
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

    BudSupply supply() {
        return supply;
    }

    /** Expected flowers in each compartment of the clock at a moment not before the latest reading, all limbs together. */
    double[] compartmentsAt(BudSupply wanted, Instant moment) {
        if (wanted != supply) {
            throw new InvalidInputException("openings", "belong to another supply.");
        }
        double[] all = new double[supply.clock().compartmentCount()];
        for (Part part : parts) {
            double[] own = supply.advance(part.afterLatest, supply.hoursTo(part.latest.at()), supply.hoursTo(moment))
                    .compartments();
            Arrays.setAll(all, i -> all[i] + own[i]);
        }
        return all;
    }

    private double[] probabilities(FlowerBatch oneOfEach, int columns, Predicate<Phase> wanted) {
        double[] sums = new double[columns];
        for (int s = 0; s < supply.sheet().stages().size(); s++) {
            if (wanted.test(supply.sheet().stages().get(s).phase())) {
                oneOfEach.addStage(s, sums);
            }
        }
        return sums;
    }

    private double sumOf(double[] totals, Predicate<Phase> wanted) {
        double sum = 0;
        List<StageSheet> stages = supply.sheet().stages();
        for (int s = 0; s < stages.size(); s++) {
            sum += wanted.test(stages.get(s).phase()) ? totals[s] : 0;
        }
        return sum;
    }
}
