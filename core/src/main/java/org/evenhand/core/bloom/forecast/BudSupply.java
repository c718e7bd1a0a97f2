package org.evenhand.core.bloom.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerBatch;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.bloom.clock.StepMatrix;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Phase;
import org.evenhand.core.crop.StageSheet;

/**
 * What a steady supply of buds, one an hour, leaves behind on any tree of a crop at a place: it gives the shape inside each stage
 * before anything was read. Computed once for a crop and shared by its trees, and so are the half-hourly steps that push readings
 * forward. Safe to be used by several threads.
 */
public final class BudSupply {
    private static final Duration LEAST_WARM_UP = Duration.ofDays(20);
    /** No crop needs weather from longer before its readings. */
    public static final Duration MOST_WARM_UP = Duration.ofDays(75);

    private static final double STEP_HOURS = 1;

    /** What is past is only a shape to start from, so it may take longer steps than a forecast. */
    private static final double COARSE_HOURS = 0.5;

    private static final int MOST_STRETCHES = 4000;

    private final CropSheet sheet;
    private final FlowerClock clock;
    private final FlowerClock coarse;
    private final BloomConditions conditions;
    private final Map<Integer, List<StepMatrix>> steps = new ConcurrentHashMap<>();
    private final List<FlowerState> hourly = new ArrayList<>();
    /** Asked again and again by those who plan: the same hours for every tree of the crop. */
    private final Map<TimeWindow, Double> still = new ConcurrentHashMap<>();

    private record TimeWindow(Instant then, Instant later, boolean shedding) {}

    private BudSupply(CropSheet sheet, double durations, BloomConditions conditions) {
        this.sheet = sheet;
        this.clock = FlowerClock.of(sheet, durations);
        this.coarse = clock.withLongestStepHours(COARSE_HOURS);
        this.conditions = conditions;
    }

    /**
     * @param conditions starting {@link #warmUp} or more before the first moment that will be asked about
     * @param until last moment that will be asked about
     */
    public static BudSupply of(CropSheet sheet, BloomConditions conditions, Instant until) {
        return of(sheet, 1, conditions, until);
    }

    /** As {@link #of(CropSheet, BloomConditions, Instant)}, for a variety with a factor of its own on the durations. */
    public static BudSupply of(CropSheet sheet, double durations, BloomConditions conditions, Instant until) {
        BudSupply supply = new BudSupply(sheet, durations, conditions);
        supply.run(conditions.temperatures().hoursTo(until));
        return supply;
    }

    /** How long the supply of a crop runs before its shape is trusted. */
    public static Duration warmUp(CropSheet sheet) {
        double hours = sheet.stages().stream()
                .map(StageSheet::meanHours)
                .mapToDouble(h -> h.value())
                .sum();
        Duration wanted = Duration.ofHours((long) (hours * 1.3));
        return wanted.compareTo(LEAST_WARM_UP) < 0
                ? LEAST_WARM_UP
                : wanted.compareTo(MOST_WARM_UP) > 0 ? MOST_WARM_UP : wanted;
    }

    private void run(double last) {
        FlowerBatch batch = FlowerBatch.of(List.of(clock.entering(0, 0)));
        hourly.add(batch.state(0));
        for (double at = 0; at < last; at += STEP_HOURS) {
            batch.set(0, batch.state(0).withNewBuds(STEP_HOURS));
            advance(batch, at, at + STEP_HOURS);
            hourly.add(batch.state(0));
        }
    }

    public CropSheet sheet() {
        return sheet;
    }

    public FlowerClock clock() {
        return clock;
    }

    BloomConditions conditions() {
        return conditions;
    }

    /** Air at a moment, °C, as the supply runs by it. */
    public double celsius(Instant at) {
        return conditions.temperatures().celsiusAtHour(hoursTo(at));
    }

    public double hoursTo(Instant at) {
        return conditions.temperatures().hoursTo(at);
    }

    /** Pushes a batch forward in half-hourly steps that are shared by all who ask. */
    public void advance(FlowerBatch batch, double fromHour, double toHour) {
        double at = fromHour;
        while (at < toHour) {
            int index = (int) Math.floor(at / COARSE_HOURS + 1e-9);
            double end = (index + 1) * COARSE_HOURS;
            boolean whole = at <= index * COARSE_HOURS + 1e-9 && end <= toHour + 1e-9;
            double next = whole ? end : Math.min(end, toHour);
            List<StepMatrix> window = whole ? wholeStep(index) : coarse.steps(conditions, at, next);
            window.forEach(batch::apply);
            at = next;
        }
    }

    private List<StepMatrix> wholeStep(int index) {
        return steps.computeIfAbsent(index, i -> coarse.steps(conditions, i * COARSE_HOURS, (i + 1) * COARSE_HOURS));
    }

    /** A state some hours later. */
    public FlowerState advance(FlowerState state, double fromHour, double toHour) {
        FlowerBatch batch = FlowerBatch.of(List.of(state));
        advance(batch, fromHour, toHour);
        return batch.state(0);
    }

    /** The supply's state at a moment, hours after the conditions' start. */
    FlowerState at(double hour) {
        int index = (int) Math.min(Math.max(0, Math.floor(hour / STEP_HOURS)), hourly.size() - 1.0);
        double before = index * STEP_HOURS;
        FlowerState state = hourly.get(index);
        return hour > before ? advance(state.withNewBuds(hour - before), before, hour) : state;
    }

    /** What share of a tree's flowers is in each stage at a moment, under the steady supply. */
    public double[] usualShares(Instant at) {
        double[] totals = at(hoursTo(at)).stageTotals();
        double[] shares = new double[sheet.stages().size()];
        double sum = 0;
        for (int s = 0; s < shares.length; s++) {
            sum += totals[s];
        }
        for (int s = 0; s < shares.length; s++) {
            shares[s] = sum > 0 ? totals[s] / sum : 1.0 / shares.length;
        }
        return shares;
    }

    /**
     * The chance that a flower which was receptive at one moment still is at a later one. It is taken to be as far along as the average
     * flower of the steady supply in the receptive stages.
     */
    public double stillReceptive(Instant then, Instant later) {
        return still(new TimeWindow(then, later, false));
    }

    /** The same of a flower that shed pollen. */
    public double stillShedding(Instant then, Instant later) {
        return still(new TimeWindow(then, later, true));
    }

    private double still(TimeWindow window) {
        if (still.size() > MOST_STRETCHES) {
            still.clear();
        }
        return still.computeIfAbsent(window, this::calculate);
    }

    private double calculate(TimeWindow window) {
        boolean[] counts = new boolean[sheet.stages().size()];
        for (int s = 0; s < counts.length; s++) {
            Phase phase = sheet.stages().get(s).phase();
            counts[s] = window.shedding ? phase.sheds() : phase.receives();
        }
        double at = hoursTo(window.then);
        FlowerState usual = at(at);
        double[] there = only(counts, usual.stageTotals());
        double sum = Arrays.stream(there).sum();
        if (!(sum > 0)) {
            return 0;
        }
        FlowerState after = clock.advance(usual.correctedBy(there), conditions, at, hoursTo(window.later));
        return Arrays.stream(only(counts, after.stageTotals())).sum() / sum;
    }

    private static double[] only(boolean[] counts, double[] totals) {
        double[] kept = new double[counts.length];
        for (int s = 0; s < kept.length; s++) {
            kept[s] = counts[s] ? totals[s] : 0;
        }
        return kept;
    }
}
