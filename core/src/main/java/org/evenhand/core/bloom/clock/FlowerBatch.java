package org.evenhand.core.bloom.clock;

import java.util.List;

/**
 * Many states of one clock, pushed forward together: one row a compartment, one column a state, so that the processor works on
 * many trees at once. Changed in place; used by one thread.
 */
public final class FlowerBatch {
    private final FlowerClock clock;
    private final int columns;
    private final double[][] rows;

    private FlowerBatch(FlowerClock clock, int columns) {
        this.clock = clock;
        this.columns = columns;
        this.rows = new double[clock.compartmentCount()][columns];
    }

    /** A batch of empty states, to be filled by {@link #set}. */
    public static FlowerBatch empty(FlowerClock clock, int columns) {
        return new FlowerBatch(clock, columns);
    }

    public static FlowerBatch of(List<FlowerState> states) {
        FlowerBatch batch = new FlowerBatch(states.get(0).clock(), states.size());
        for (int c = 0; c < states.size(); c++) {
            batch.set(c, states.get(c));
        }
        return batch;
    }

    /** One flower of each compartment, each a column; the one past the last stage included. */
    public static FlowerBatch identity(FlowerClock clock) {
        FlowerBatch batch = new FlowerBatch(clock, clock.compartmentCount());
        for (int c = 0; c < batch.columns; c++) {
            batch.rows[c][c] = 1;
        }
        return batch;
    }

    /** Adds flowers to one compartment of a column. */
    public void add(int compartment, int column, double flowers) {
        rows[compartment][column] += flowers;
    }

    /** Adds one compartment of every column, times a weight, to {@code sums}. */
    public void addRow(int compartment, double weight, double[] sums) {
        double[] row = rows[compartment];
        for (int c = 0; c < columns; c++) {
            sums[c] += weight * row[c];
        }
    }

    /** Flowers of a column that are on the tree. */
    public double onTree(int column) {
        double sum = 0;
        for (int i = 0; i < rows.length - 1; i++) {
            sum += rows[i][column];
        }
        return sum;
    }

    /** For each column but the last, its flowers by compartment, those past the last stage left out. */
    public double[][] onTree() {
        int size = rows.length - 1;
        double[][] byColumn = new double[columns - 1][size];
        for (int c = 0; c < columns - 1; c++) {
            for (int i = 0; i < size; i++) {
                byColumn[c][i] = rows[i][c];
            }
        }
        return byColumn;
    }

    /** Puts a state into a column. */
    public void set(int column, FlowerState state) {
        double[] compartments = state.compartments();
        for (int i = 0; i < rows.length; i++) {
            rows[i][column] = compartments[i];
        }
    }

    /** A copy of one column. */
    public FlowerState state(int column) {
        double[] compartments = new double[rows.length];
        for (int i = 0; i < rows.length; i++) {
            compartments[i] = rows[i][column];
        }
        return new FlowerState(clock, compartments);
    }

    /** Adds the flowers of one stage, for every column, to {@code sums}. */
    public void addStage(int stage, double[] sums) {
        int last = stage == clock.stageCount() ? clock.compartmentCount() : clock.firstCompartment(stage + 1);
        for (int i = clock.firstCompartment(stage); i < last; i++) {
            double[] row = rows[i];
            for (int c = 0; c < columns; c++) {
                sums[c] += row[c];
            }
        }
    }

    /** Applies one step. Rows are done from the last to the first, so that what a row draws on is still old. */
    public void apply(StepMatrix matrix) {
        apply(matrix, 0, columns);
    }

    /** The same for some of the columns only. */
    public void apply(StepMatrix matrix, int first, int end) {
        for (int i = matrix.size() - 1; i >= 0; i--) {
            int width = matrix.width(i);
            int back = 1;
            double own = matrix.share(i, 0);
            // Three sources in one sweep over the row: reading and writing the row is what takes the time.
            for (; back + 2 < width; back += 3) {
                addThree(rows[i], own, matrix, i, back, first, end);
                own = 1;
            }
            for (; back < width; back++) {
                addOne(rows[i], own, rows[i - back], matrix.share(i, back), first, end);
                own = 1;
            }
            if (own != 1) {
                scale(rows[i], own, first, end);
            }
        }
    }

    private void addThree(double[] row, double own, StepMatrix matrix, int i, int back, int first, int end) {
        double[] a = rows[i - back];
        double[] b = rows[i - back - 1];
        double[] d = rows[i - back - 2];
        double fa = matrix.share(i, back);
        double fb = matrix.share(i, back + 1);
        double fd = matrix.share(i, back + 2);
        for (int c = first; c < end; c++) {
            row[c] = own * row[c] + fa * a[c] + fb * b[c] + fd * d[c];
        }
    }

    private static void addOne(double[] row, double own, double[] source, double factor, int first, int end) {
        for (int c = first; c < end; c++) {
            row[c] = own * row[c] + factor * source[c];
        }
    }

    private static void scale(double[] row, double factor, int first, int end) {
        for (int c = first; c < end; c++) {
            row[c] *= factor;
        }
    }
}
