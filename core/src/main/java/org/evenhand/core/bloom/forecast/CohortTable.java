package org.evenhand.core.bloom.forecast;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.evenhand.core.bloom.clock.FlowerBatch;
import org.evenhand.core.bloom.clock.StepMatrix;

/**
 * Where the buds of each day have got to, at each of the moments at which trees were read, and how flowers walk from one of these
 * moments to another. A day's buds come evenly over its 24 hours. Computed once for a clock and shared by all its trees.
 *
 * <p>Hours and days count from the start of the model's conditions. Not safe for several threads at once.
 */
final class CohortTable {
    static final double HOURS_A_DAY = 24;

    /** What is past is only a shape to start from, so it may take longer steps than a forecast. */
    private static final double COARSE_HOURS = 0.5;

    /** Buds of earlier days of which less than this share is still on the tree at the first reading are left out. */
    private static final double ALL_PAST = 1e-3;

    private static final double GONE = 1e-9;

    /**
     * Flowers a day that come to be in a stage although the supply lets none be there: no clock is so exact, and what was counted is
     * there. So few that they matter only where the supply cannot explain a count. Our convention.
     */
    private static final double STRAY_A_DAY = 0.002;

    private final FlowerModel model;
    private final double[] times;
    private final int days;
    /** For each moment and day, what one bud a day has become, by compartment. */
    private final double[][][] cohorts;
    /** The same by stage. */
    private final double[][][] cohortStages;
    /** For each moment the stray flowers, by compartment. */
    private final double[][] strays;

    /** From each moment to the next: column-wise, where one flower of each compartment goes. */
    private final double[][][] next;

    private final Map<Integer, double[][]> toStages = new HashMap<>();
    private final Map<Integer, double[][]> toCompartments = new HashMap<>();
    private final int firstDay;

    /**
     * @param times hours, in rising order, at least one
     */
    CohortTable(FlowerModel model, double[] times) {
        this.model = model.withLongestStepHours(COARSE_HOURS);
        this.times = times.clone();
        this.days = dayOf(times[times.length - 1]) + 1;
        this.cohorts = new double[times.length][days][];
        this.cohortStages = new double[times.length][days][model.clock().stageCount()];
        this.strays = new double[times.length][];
        this.next = new double[times.length][][];
        run();
        this.firstDay = firstDayThatMatters();
    }

    static int dayOf(double hour) {
        return (int) Math.floor(hour / HOURS_A_DAY + 1e-9);
    }

    private void run() {
        int size = model.clock().compartmentCount();
        FlowerBatch buds = FlowerBatch.empty(model.clock(), days);
        FlowerBatch moves = FlowerBatch.identity(model.clock());
        FlowerBatch stray = FlowerBatch.empty(model.clock(), 1);
        double[] strayAnHour = strayAnHour();
        double at = 0;
        // Days whose buds have all fallen, and those to come, need not be pushed forward.
        int oldest = 0;
        for (int t = 0; t < times.length; t++) {
            while (at < times[t] - 1e-9) {
                double end = Math.min(Math.floor(at + 1e-9) + 1, times[t]);
                int day = Math.min(dayOf(at), days - 1);
                while (oldest < day && buds.onTree(oldest) < GONE) {
                    oldest++;
                }
                double half = (end - at) / HOURS_A_DAY / 2;
                buds.add(0, day, half);
                for (int c = 0; c < size - 1; c++) {
                    stray.add(c, 0, strayAnHour[c] * (end - at));
                }
                for (StepMatrix step : model.clock().steps(model.conditions(), at, end)) {
                    buds.apply(step, oldest, day + 1);
                    stray.apply(step);
                    if (t > 0) {
                        moves.apply(step);
                    }
                }
                buds.add(0, day, half);
                at = end;
            }
            for (int d = 0; d < days; d++) {
                cohorts[t][d] = Arrays.copyOf(buds.state(d).compartments(), size - 1);
                for (int c = 0; c < size - 1; c++) {
                    cohortStages[t][d][stageOf(c)] += cohorts[t][d][c];
                }
            }
            strays[t] = Arrays.copyOf(stray.state(0).compartments(), size - 1);
            if (t > 0) {
                next[t - 1] = moves.onTree();
            }
            moves = FlowerBatch.identity(model.clock());
        }
    }

    /** Spread evenly over each stage. */
    private double[] strayAnHour() {
        int[] length = new int[model.clock().stageCount()];
        double[] stray = new double[model.compartments()];
        for (int c = 0; c < stray.length; c++) {
            length[stageOf(c)]++;
        }
        Arrays.setAll(stray, c -> STRAY_A_DAY / HOURS_A_DAY / length[stageOf(c)]);
        return stray;
    }

    /** Stray flowers that may be on any tree at a moment, by compartment. */
    double[] stray(int time) {
        return strays[time];
    }

    private int firstDayThatMatters() {
        int day = 0;
        while (day < days - 1 && Arrays.stream(cohorts[0][day]).sum() < ALL_PAST) {
            day++;
        }
        return day;
    }

    FlowerModel model() {
        return model;
    }

    /** The first day whose buds can still be on a tree at the first moment. */
    int firstDay() {
        return firstDay;
    }

    double hour(int time) {
        return times[time];
    }

    /** Index of a moment. */
    int indexOf(double hour) {
        int found = Arrays.binarySearch(times, hour);
        if (found < 0) {
            throw new IllegalArgumentException("no moment of the table: " + hour);
        }
        return found;
    }

    /** What one bud a day on that day has become at a moment, by compartment; all 0 where the day is still to come. */
    double[] cohort(int time, int day) {
        return day < days ? cohorts[time][day] : new double[model.compartments()];
    }

    /** For a flower of each compartment at one moment, the chance of each stage at a later one: [stage × compartments + c]. */
    double[] stagesLater(int from, int to) {
        double[][] all = toStages.computeIfAbsent(to, this::stagesBefore);
        return all[from];
    }

    /** For a flower of each compartment at one moment, where it is at a later one: [later compartment × compartments + c]. */
    double[] compartmentsLater(int from, int to) {
        return toCompartments.computeIfAbsent(to, this::compartmentsBefore)[from];
    }

    private double[][] stagesBefore(int to) {
        int size = model.compartments();
        double[] start = new double[model.clock().stageCount() * size];
        for (int c = 0; c < size; c++) {
            start[model.clock().stageOfCompartment(c) * size + c] = 1;
        }
        return backwards(to, start);
    }

    private double[][] compartmentsBefore(int to) {
        int size = model.compartments();
        double[] start = new double[size * size];
        for (int c = 0; c < size; c++) {
            start[c * size + c] = 1;
        }
        return backwards(to, start);
    }

    private double[][] backwards(int to, double[] start) {
        double[][] all = new double[to + 1][];
        all[to] = start;
        for (int from = to - 1; from >= 0; from--) {
            all[from] = before(all[from + 1], next[from]);
        }
        return all;
    }

    /** Rows of chances, one step of moments earlier. {@code moves[c]} tells where a flower of compartment c goes. */
    private static double[] before(double[] rows, double[][] moves) {
        int size = moves.length;
        double[] earlier = new double[rows.length];
        for (int row = 0; row < rows.length; row += size) {
            for (int c = 0; c < size; c++) {
                double sum = 0;
                // Flowers only walk forward.
                for (int j = c; j < size; j++) {
                    sum += moves[c][j] * rows[row + j];
                }
                earlier[row + c] = sum;
            }
        }
        return earlier;
    }

    /** The same by stage. */
    double[] cohortStages(int time, int day) {
        return day < days ? cohortStages[time][day] : new double[model.clock().stageCount()];
    }

    int stageOf(int compartment) {
        return model.clock().stageOfCompartment(compartment);
    }
}
