package org.evenhand.core.bloom.forecast;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;

/**
 * How often a forecast's interval holds what was really there, on trees thrown event by event in invented worlds.
 *
 * @param world which course the buds take
 * @param readings of each tree, a day apart
 * @param coverage share of the intervals that hold the truth, a truth on an end counting half, which takes out that whole numbers make an
 *     interval wider than asked for; left out are intervals so narrow that whole numbers cannot hold eight in ten
 * @param bias foreseen over true flowers
 * @param width mean width of the intervals over the mean truth
 */
public record Calibration(World world, int readings, double coverage, double bias, double width) {
    private static final Site PLACE = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant START = Instant.parse("2026-11-01T00:00:00Z");
    private static final DailyTemperatures MILD = new DailyTemperatures(14, 24);
    private static final int DAYS = 50;
    private static final int LEAST_WIDTH = 6;
    private static final double FIRST_READING = 26 * 24 + 8;
    private static final double[] AHEAD = {6, 20, 44, 68};

    /** A world to throw trees in. The last two break what the forecast takes for granted. */
    public enum World {
        STEADY,
        RISING,
        FALLING,
        FLUSH,
        UNKNOWN_RATE,
        WEATHER_GOES_WRONG,
        /** The variety walks a fifth slower, and the forecast is told that it walks as the sheet says. */
        WRONG_RATE_TAKEN_FOR_SURE,
        /** Every count is off by a fifth more or less, and the forecast is told that counts are exact. */
        MISCOUNTED
    }

    /**
     * How the flowers of a crop walk in these worlds, for a factor on all durations: 50 days of the same mild day, from
     * a day in spring.
     */
    public static DoubleFunction<FlowerModel> models(CropSheet sheet) {
        BloomConditions conditions = BloomConditions.of(
                sheet, PLACE, MILD.repeated(PLACE, START, 24 * DAYS), START.plus(Duration.ofDays(DAYS)));
        return factor -> FlowerModel.of(sheet, factor, conditions);
    }

    /**
     * @param trees of one variety, each with some hundred flowers
     */
    public static Calibration of(CropSheet sheet, World world, int readings, int trees, long seed) {
        DoubleFunction<FlowerModel> models = models(sheet);
        SplittableRandom random = new SplittableRandom(seed);
        double factor = switch (world) {
            case UNKNOWN_RATE -> Math.exp(0.15 * gaussian(random));
            case WRONG_RATE_TAKEN_FOR_SURE -> 1.2;
            default -> 1;
        };
        double last = FIRST_READING + 24.0 * (readings - 1);
        double weatherSd = world == World.WEATHER_GOES_WRONG ? 2.5 : 0;
        List<SimulatedTrees.Tree> read = new ArrayList<>();
        List<BloomSimulation.Tree> thrown = new ArrayList<>();
        FlowerModel model = models.apply(factor);
        for (int t = 0; t < trees; t++) {
            FlowerModel real =
                    weatherSd == 0 ? model : model.under(wandering(model.conditions(), last, weatherSd, random));
            BloomSimulation simulation = new BloomSimulation(real, last + 100, random.nextLong());
            double flowersADay = 40 * Math.pow(4, random.nextDouble());
            double shift = 24 * gaussian(random);
            DoubleUnaryOperator buds = h -> flowersADay / 24 * course(world, h - last - shift);
            BloomSimulation.Tree tree = simulation.tree(buds, last + 80);
            List<SimulatedTrees.Reading> looks = new ArrayList<>();
            for (int r = 0; r < readings; r++) {
                double hour = FIRST_READING + 24.0 * r;
                List<Double> counts = simulation.counted(tree, hour, 1);
                double off = world == World.MISCOUNTED ? 0.2 : 0;
                looks.add(new SimulatedTrees.Reading(
                        hour,
                        counts.stream()
                                .map(n -> (double) Math.max(0, Math.round(n * (1 + off * gaussian(random)))))
                                .toList(),
                        1));
            }
            read.add(new SimulatedTrees.Tree("variety", looks));
            thrown.add(tree);
        }
        RatePrior rate = world == World.UNKNOWN_RATE ? new RatePrior(1, 0.15) : RatePrior.sheet();
        List<List<ForecastPoint>> points =
                new SimulatedTrees(models, rate, WeatherDoubt.walking(weatherSd)).foresee(read, AHEAD);
        return judged(models.apply(1), world, readings, last, thrown, points);
    }

    private static Calibration judged(
            FlowerModel model,
            World world,
            int readings,
            double last,
            List<BloomSimulation.Tree> thrown,
            List<List<ForecastPoint>> points) {
        double held = 0;
        double foreseen = 0;
        double there = 0;
        double width = 0;
        int judged = 0;
        for (int t = 0; t < thrown.size(); t++) {
            for (int i = 0; i < AHEAD.length; i++) {
                int[] stages = thrown.get(t).stages(last + AHEAD[i]);
                int truth = 0;
                for (int s = 0; s < stages.length; s++) {
                    truth += model.receptive().get(s) ? stages[s] : 0;
                }
                FlowerCount count = points.get(t).get(i).receptive();
                if (count.high() - count.low() < LEAST_WIDTH) {
                    continue;
                }
                boolean onEnd = truth == count.low() || truth == count.high();
                held += truth < count.low() || truth > count.high() ? 0 : onEnd ? 0.5 : 1;
                foreseen += count.mean();
                there += truth;
                width += count.high() - count.low();
                judged++;
            }
        }
        return new Calibration(world, readings, held / judged, foreseen / there, width / there);
    }

    /** Buds against their usual rate, by hours since the last reading. */
    private static double course(World world, double hour) {
        return switch (world) {
            case RISING -> 1 / (1 + Math.exp(-(hour + 96) / 60));
            case FALLING -> 1 / (1 + Math.exp((hour + 150) / 60));
            case FLUSH -> 3 * Math.exp(-Math.pow((hour + 170) / 36, 2) / 2);
            default -> 1;
        };
    }

    private static BloomConditions wandering(
            BloomConditions conditions, double from, double sdAfter48h, SplittableRandom random) {
        double[] celsius = conditions.temperatures().toArray();
        double off = 0;
        List<Double> moved = new ArrayList<>();
        for (int h = 0; h < celsius.length; h++) {
            off += h > from ? sdAfter48h / Math.sqrt(48) * gaussian(random) : 0;
            moved.add(Math.max(-60, Math.min(60, celsius[h] + off)));
        }
        return new BloomConditions(
                org.evenhand.core.weather.HourlyTemperatures.of(
                        conditions.temperatures().start(), moved),
                conditions.gates());
    }

    private static double gaussian(SplittableRandom random) {
        double u = 1 - random.nextDouble();
        return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random.nextDouble());
    }

    @Override
    public String toString() {
        return String.format(
                java.util.Locale.ROOT,
                "%-26s %2d readings: held %.3f, foreseen/true %.3f, width/true %.3f",
                world,
                readings,
                coverage,
                bias,
                width);
    }
}
