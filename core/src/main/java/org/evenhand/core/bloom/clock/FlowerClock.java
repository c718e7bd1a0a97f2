package org.evenhand.core.bloom.clock;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;

/**
 * Pushes flowers through the stages of a crop.
 *
 * <p>A stage of mean duration m hours and shape k is k sub-phases one after another; each is left at rate {@code (k / m) · r(T)}
 * per hour with {@link DevelopmentRate r}. A flower that has finished the last sub-phase of a gated stage waits; while the gate
 * stands open it leaves at rate {@code ln 2 / halfTime}, while it is shut not at all. A stage that names its opening ("opens tonight")
 * sends all its flowers to the gate once it stands open, however far along they are, unless it is too cold. The expected flowers then follow a linear
 * system, {@code dx/dt = M(t) x}, whose matrix has entries only on and just below its diagonal.
 *
 * <p>Over a step in which no gate opens or closes the matrix is taken at the step's mean development rate and its exponential
 * applied. While no gate stands open that is exact over any step (all rates share the factor r); while one does the error is of the second order in the step
 * and stays below 0.0005 of a flower at steps of ten minutes (checked against steps sixty times finer). The model is ours;
 * docs/MODEL.md tells it at length.
 */
public final class FlowerClock {
    /** Longest step while a gate stands open, hours. */
    private static final double LONGEST_STEP_HOURS = 1.0 / 6;

    /** Largest rate times step for which the power series is summed directly. */
    private static final double LARGEST_RATE_STEP = 2;

    private final DevelopmentRate rate;
    private final List<TimedStage> stages;
    private final int[] firstCompartment;
    private final int[] stageOfCompartment;
    private final double longestStepHours;
    private final double fastestSubPhaseRate;

    private FlowerClock(DevelopmentRate rate, List<TimedStage> stages, double longestStepHours) {
        this.rate = rate;
        this.stages = List.copyOf(stages);
        this.firstCompartment = firstCompartments(stages);
        this.stageOfCompartment = stagesOfCompartments(firstCompartment);
        this.longestStepHours = longestStepHours;
        this.fastestSubPhaseRate =
                stages.stream().mapToDouble(TimedStage::subPhaseRate).max().orElseThrow() * rate.highest();
    }

    /**
     * A clock for stages in the order in which a flower passes them, at least one.
     *
     * @throws InvalidInputException if {@code stages} is not valid
     */
    public static FlowerClock of(DevelopmentRate rate, List<TimedStage> stages) {
        if (stages.isEmpty()) {
            throw new InvalidInputException("stages", "is empty; a flower needs at least one stage.");
        }
        return new FlowerClock(rate, stages, LONGEST_STEP_HOURS);
    }

    /** The clock of a crop sheet. */
    public static FlowerClock of(CropSheet sheet) {
        return of(sheet, 1);
    }

    /**
     * The clock of a crop sheet for a variety that is slower or faster than the sheet.
     *
     * @param durations factor on every duration, 1 for the sheet's own
     * @throws InvalidInputException if {@code durations} is not valid
     */
    public static FlowerClock of(CropSheet sheet, double durations) {
        Require.within("durations", durations, 0.2, 5);
        DevelopmentRate rate = new DevelopmentRate(
                sheet.baseTemperatureC().value(),
                sheet.referenceTemperatureC().value(),
                sheet.capTemperatureC().value());
        return of(rate, sheet.stages().stream().map(s -> timed(s, durations)).toList());
    }

    private static TimedStage timed(StageSheet stage, double durations) {
        OptionalDouble halfTime = stage.gate()
                .map(g -> OptionalDouble.of(g.halfTimeMinutes().value() / 60))
                .orElse(OptionalDouble.empty());
        return new TimedStage(
                stage.meanHours().value() * durations,
                stage.subPhases(),
                halfTime,
                stage.gate().map(g -> g.commits()).orElse(false));
    }

    /**
     * A copy that takes other steps while a gate stands open, to check how much the step matters or to be quicker.
     *
     * @throws InvalidInputException if {@code longestStepHours} is not valid
     */
    public FlowerClock withLongestStepHours(double hours) {
        return new FlowerClock(rate, stages, Require.positive("longestStepHours", hours));
    }

    public int stageCount() {
        return stages.size();
    }

    /** Number of compartments, the one past the last stage included. */
    public int compartmentCount() {
        return stageOfCompartment.length;
    }

    /**
     * Flowers that all enter a stage at this moment.
     *
     * @throws InvalidInputException if {@code entryStage} or {@code flowers} is not valid
     */
    public FlowerState entering(int stage, double flowers) {
        Require.within("entryStage", stage, 0, stages.size() - 1);
        double[] compartments = new double[compartmentCount()];
        compartments[firstCompartment[stage]] = Require.within("flowers", flowers, 0, 1e9);
        return new FlowerState(this, compartments);
    }

    /** The state at a later hour; hours count from the conditions' start. */
    public FlowerState advance(FlowerState state, BloomConditions conditions, double fromHour, double toHour) {
        return sample(state, conditions, fromHour, new double[] {toHour}).get(0);
    }

    /**
     * The states at several hours.
     *
     * @param fromHour hour of {@code state}, after the conditions' start
     * @param hours not before {@code fromHour}, in rising order
     */
    public List<FlowerState> sample(FlowerState state, BloomConditions conditions, double fromHour, double[] hours) {
        FlowerBatch batch = FlowerBatch.of(List.of(state));
        List<FlowerState> samples = new ArrayList<>();
        run(batch, conditions, fromHour, hours, i -> samples.add(batch.state(0)));
        return samples;
    }

    /** Told each time a run reaches an hour it was asked for. */
    @FunctionalInterface
    public interface SampleReached {
        void at(int sampleIndex);
    }

    /**
     * Pushes many states forward together and stops at each hour asked for. The batch is changed in place.
     *
     * @param fromHour hour of the batch's states, after the conditions' start
     * @param hours not before {@code fromHour}, in rising order
     */
    public void run(
            FlowerBatch batch, BloomConditions conditions, double fromHour, double[] hours, SampleReached reached) {
        requireRising(fromHour, hours);
        double at = fromHour;
        for (int i = 0; i < hours.length; i++) {
            while (at < hours[i]) {
                double next = nextStop(conditions, at, hours[i]);
                batch.apply(StepMatrix.exponential(ratesTimesStep(conditions, at, next)));
                at = next;
            }
            reached.at(i);
        }
    }

    /** The steps that push any state of this clock from one hour to another, in order; to be kept and applied many times. */
    public List<StepMatrix> steps(BloomConditions conditions, double fromHour, double toHour) {
        List<StepMatrix> steps = new ArrayList<>();
        double at = fromHour;
        while (at < toHour) {
            double next = nextStop(conditions, at, toHour);
            steps.add(StepMatrix.exponential(ratesTimesStep(conditions, at, next)));
            at = next;
        }
        return steps;
    }

    public DevelopmentRate rate() {
        return rate;
    }

    public TimedStage stage(int stage) {
        return stages.get(stage);
    }

    public int firstCompartment(int stage) {
        return firstCompartment[stage];
    }

    public int stageOfCompartment(int compartment) {
        return stageOfCompartment[compartment];
    }

    private double nextStop(BloomConditions conditions, double at, double limit) {
        double next = limit;
        for (int s = 0; s < stages.size(); s++) {
            if (stages.get(s).gated()) {
                next = Math.min(next, conditions.gates().get(s).nextEdgeAfter(at));
            }
        }
        // Equal steps up to the stop, none longer than allowed.
        double steps = Math.ceil((next - at) / longestStepHours(conditions, (at + next) / 2) - 1e-9);
        return steps <= 1 ? next : at + (next - at) / steps;
    }

    /** At an hour around which no gate opens or shuts. */
    private double longestStepHours(BloomConditions conditions, double hour) {
        double fastest = fastestSubPhaseRate;
        boolean anyOpen = false;
        for (int s = 0; s < stages.size(); s++) {
            TimedStage stage = stages.get(s);
            if (stage.gated() && conditions.gates().get(s).openAt(hour)) {
                anyOpen = true;
                fastest = Math.max(fastest, Math.max(stage.gateRate(), stage.commits() ? stage.committedRate(1) : 0));
            }
        }
        double summed = LARGEST_RATE_STEP / fastest;
        return anyOpen ? Math.min(longestStepHours, summed) : summed;
    }

    private double[] ratesTimesStep(BloomConditions conditions, double from, double to) {
        double step = to - from;
        double developed = rate.mean(conditions.temperatures(), from, to) * step;
        double[] leaving = new double[compartmentCount()];
        for (int s = 0; s < stages.size(); s++) {
            TimedStage stage = stages.get(s);
            int first = firstCompartment[s];
            boolean open = stage.gated() && conditions.gates().get(s).openAt((from + to) / 2);
            double through = stage.subPhaseRate() * developed;
            if (open && stage.commits()) {
                through = Math.max(through, stage.committedRate(developed / step) * step);
            }
            Arrays.fill(leaving, first, first + stage.subPhases(), through);
            if (open) {
                leaving[first + stage.subPhases()] = stage.gateRate() * step;
            }
        }
        return leaving;
    }

    private static void requireRising(double from, double[] hours) {
        double before = from;
        for (int i = 0; i < hours.length; i++) {
            if (!(hours[i] >= before)) {
                throw new InvalidInputException(
                        "sampleHours[" + i + "]", "is " + hours[i] + ", before " + before + "; hours must rise.");
            }
            before = hours[i];
        }
    }

    private static int[] firstCompartments(List<TimedStage> stages) {
        int[] first = new int[stages.size() + 1];
        for (int s = 0; s < stages.size(); s++) {
            TimedStage stage = stages.get(s);
            first[s + 1] = first[s] + stage.subPhases() + (stage.gated() ? 1 : 0);
        }
        return first;
    }

    private static int[] stagesOfCompartments(int[] first) {
        int past = first.length - 1;
        int[] stageOf = new int[first[past] + 1];
        for (int s = 0; s < past; s++) {
            Arrays.fill(stageOf, first[s], first[s + 1], s);
        }
        stageOf[first[past]] = past;
        return stageOf;
    }
}
