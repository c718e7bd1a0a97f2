package org.evenhand.core.bloom.clock;

import java.util.Arrays;

/**
 * The exponential of one step's matrix. Flowers only move forward, so it is lower triangular; far below the diagonal it vanishes,
 * so each row keeps only the entries that matter. Immutable.
 */
public final class StepMatrix {
    /** Terms and entries below this share of a flower are dropped. */
    private static final double NEGLIGIBLE = 1e-10;

    /** Where each row begins among the shares, and where the last one ends. */
    private final int[] starts;
    /** Row by row, from the diagonal to the left. */
    private final double[] shares;

    private StepMatrix(int[] starts, double[] shares) {
        this.starts = starts;
        this.shares = shares;
    }

    int size() {
        return starts.length - 1;
    }

    /** How many entries row {@code i} keeps: its diagonal and those left of it. */
    int width(int row) {
        return starts[row + 1] - starts[row];
    }

    /** The share of compartment {@code row − back} that ends in {@code row}. */
    double share(int row, int back) {
        return shares[starts[row] + back];
    }

    /**
     * The exponential of the matrix with {@code −leaving[i]} on the diagonal and {@code leaving[i]} below it, by its power series.
     *
     * @param leaving rate of leaving each compartment times the step, 0 to about 2
     */
    static StepMatrix exponential(double[] leaving) {
        int size = leaving.length;
        double[][] columns = new double[size][];
        double[] term = new double[size];
        for (int from = 0; from < size; from++) {
            columns[from] = from > 0 && walksAlike(leaving, from, columns[from - 1].length)
                    ? columns[from - 1]
                    : column(leaving, from, term);
        }
        return packed(columns);
    }

    /** Whether the flowers of a compartment meet, as far as they get, just what those of the one before it met: a stage's sub-phases are alike. */
    private static boolean walksAlike(double[] leaving, int from, int reached) {
        if (from + reached >= leaving.length) {
            return false;
        }
        for (int i = from; i <= from + reached; i++) {
            if (leaving[i] != leaving[from - 1]) {
                return false;
            }
        }
        return true;
    }

    /** Sums the power series for the flowers of one compartment: the share that ends so many compartments farther on. */
    private static double[] column(double[] leaving, int from, double[] term) {
        int most = leaving.length - 1 - from;
        Arrays.fill(term, 0);
        double[] sum = new double[most + 1];
        term[0] = 1;
        sum[0] = 1;
        int reach = 0;
        double largest = 1;
        for (int n = 1; largest >= NEGLIGIBLE; n++) {
            double share = 1.0 / n;
            reach = Math.min(reach + 1, most);
            largest = 0;
            for (int j = reach; j > 0; j--) {
                term[j] = (leaving[from + j - 1] * term[j - 1] - leaving[from + j] * term[j]) * share;
                sum[j] += term[j];
                largest = Math.max(largest, Math.abs(term[j]));
            }
            term[0] *= -leaving[from] * share;
            sum[0] += term[0];
            largest = Math.max(largest, Math.abs(term[0]));
        }
        while (reach > 0 && Math.abs(sum[reach]) < NEGLIGIBLE) {
            reach--;
        }
        return Arrays.copyOf(sum, reach + 1);
    }

    private static StepMatrix packed(double[][] columns) {
        int size = columns.length;
        int[] starts = new int[size + 1];
        for (int from = 0; from < size; from++) {
            for (int back = 0; back < columns[from].length; back++) {
                // Columns come from the left, so the first one to reach a row sets its width.
                starts[from + back + 1] = Math.max(starts[from + back + 1], back + 1);
            }
        }
        for (int row = 0; row < size; row++) {
            starts[row + 1] += starts[row];
        }
        double[] shares = new double[starts[size]];
        for (int from = 0; from < size; from++) {
            for (int back = 0; back < columns[from].length; back++) {
                shares[starts[from + back] + back] = columns[from][back];
            }
        }
        return new StepMatrix(starts, shares);
    }
}
