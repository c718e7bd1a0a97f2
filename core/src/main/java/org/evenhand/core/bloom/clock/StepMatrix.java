package org.evenhand.core.bloom.clock;

/**
 * The exponential of one step's matrix. Flowers only move forward, so it is lower triangular; far below the diagonal it vanishes,
 * so each row keeps only the entries that matter.
 */
public final class StepMatrix {
    /** Entries of the power series below this share of a flower are dropped. */
    private static final double NEGLIGIBLE = 1e-10;

    private final int size;
    private final double[][] fromAbove;
    private final int[] width;
    private final double[] term;
    private final double[] column;

    StepMatrix(int size) {
        this.size = size;
        this.fromAbove = new double[size][size];
        this.width = new int[size];
        this.term = new double[size];
        this.column = new double[size];
    }

    /** A copy that keeps only what it needs, to be applied many times; its entries cannot be set again. */
    StepMatrix packed() {
        StepMatrix copy = new StepMatrix(size, new double[size][], width.clone());
        for (int row = 0; row < size; row++) {
            copy.fromAbove[row] = java.util.Arrays.copyOf(fromAbove[row], width[row]);
        }
        return copy;
    }

    private StepMatrix(int size, double[][] fromAbove, int[] width) {
        this.size = size;
        this.fromAbove = fromAbove;
        this.width = width;
        this.term = new double[0];
        this.column = new double[0];
    }

    int size() {
        return size;
    }

    /** How many entries row {@code i} keeps: its diagonal and those left of it. */
    int width(int row) {
        return width[row];
    }

    /** The share of compartment {@code row − back} that ends in {@code row}. */
    double share(int row, int back) {
        return fromAbove[row][back];
    }

    /**
     * Sets this to the exponential of the matrix with {@code −leaving[i]} on the diagonal and {@code leaving[i]} below it.
     *
     * @param leaving rate of leaving each compartment times the step
     */
    void exponential(double[] leaving) {
        java.util.Arrays.fill(width, 1);
        for (int from = 0; from < size; from++) {
            int reach = sumSeries(leaving, from);
            for (int back = 0; back <= reach; back++) {
                int row = from + back;
                fromAbove[row][back] = column[back];
                // Rows are filled from the left-most source on, so the first one to reach a row sets its width.
                width[row] = Math.max(width[row], back + 1);
            }
            clearBeyond(from, reach);
        }
    }

    /** Sums the power series for the flowers of one compartment into {@code column}; returns how far they get. */
    private int sumSeries(double[] leaving, int from) {
        int most = size - 1 - from;
        term[0] = 1;
        column[0] = 1;
        int reach = 0;
        int termReach = 0;
        for (int n = 1; ; n++) {
            int grown = Math.min(termReach + 1, most);
            double largest = 0;
            for (int j = grown; j >= 0; j--) {
                double kept = j <= termReach ? -leaving[from + j] * term[j] : 0;
                double arrived = j > 0 && j - 1 <= termReach ? leaving[from + j - 1] * term[j - 1] : 0;
                double next = (kept + arrived) / n;
                term[j] = next;
                column[j] = (j <= reach ? column[j] : 0) + next;
                largest = Math.max(largest, Math.abs(next));
            }
            termReach = grown;
            reach = Math.max(reach, grown);
            if (largest < NEGLIGIBLE) {
                break;
            }
        }
        while (reach > 0 && Math.abs(column[reach]) < NEGLIGIBLE) {
            reach--;
        }
        return reach;
    }

    /** Forgets what an earlier, longer step left in the entries that this one does not reach. */
    private void clearBeyond(int from, int reach) {
        for (int back = reach + 1; from + back < size && fromAbove[from + back][back] != 0; back++) {
            fromAbove[from + back][back] = 0;
        }
    }
}
