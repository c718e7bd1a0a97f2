package org.evenhand.core.bloom.forecast;

import java.util.TreeSet;
import org.ejml.data.DMatrixRMaj;

/**
 * The days at which the logarithm of a supply of buds is told; between two of them it runs straight: every day of the latest, few of
 * those long past and of those to come, on which little depends.
 *
 * @param days of the supply in all
 * @param lastRead the day of the last reading
 * @param at knots, days in rising order, the first and the last day among them
 */
record SupplyKnots(int days, int lastRead, int[] at) {
    /** Daily so far back, where what is on the tree came from; then every third day. */
    private static final int DAILY = 12;

    private static final int PAST_STEP = 3;
    private static final int[] AHEAD = {2, 5, 9, 14, 20, 28};

    /**
     * @param days of the supply in all, numbered from 0
     * @param lastRead the day of the last reading
     */
    static SupplyKnots of(int days, int lastRead) {
        TreeSet<Integer> at = new TreeSet<>();
        at.add(0);
        at.add(days - 1);
        for (int day = lastRead; day > 0; day -= lastRead - day < DAILY ? 1 : PAST_STEP) {
            at.add(day);
        }
        for (int ahead : AHEAD) {
            if (lastRead + ahead < days - 1) {
                at.add(lastRead + ahead);
            }
        }
        return new SupplyKnots(
                days, lastRead, at.stream().mapToInt(Integer::intValue).toArray());
    }

    int count() {
        return at.length;
    }

    /** The last knot not after a day; of the last day, the one before it. */
    private int before(int day) {
        int knot = java.util.Arrays.binarySearch(at, day);
        int found = knot >= 0 ? knot : -knot - 2;
        return Math.min(found, Math.max(0, at.length - 2));
    }

    /** The logarithms of every day, from those at the knots. */
    double[] daily(DMatrixRMaj atKnots) {
        double[] logs = new double[days];
        for (int d = 0; d < days; d++) {
            int k = before(d);
            double part = part(d, k);
            logs[d] = atKnots.get(k, 0) + (part == 0 ? 0 : part * (atKnots.get(k + 1, 0) - atKnots.get(k, 0)));
        }
        return logs;
    }

    private double part(int day, int knot) {
        return at.length == 1 ? 0 : (day - at[knot]) / (double) (at[knot + 1] - at[knot]);
    }

    /** Rows that move with the logarithm of each day, as they move with the knots: each day's column shared by its two knots. */
    void addDay(DMatrixRMaj rows, int row, int day, double slope) {
        int k = before(day);
        double part = part(day, k);
        rows.add(row, k, slope * (1 - part));
        if (part > 0) {
            rows.add(row, k + 1, slope * part);
        }
    }

    /** A covariance of all days, at the knots only. */
    DMatrixRMaj chosen(DMatrixRMaj daily) {
        DMatrixRMaj chosen = new DMatrixRMaj(at.length, at.length);
        for (int i = 0; i < at.length; i++) {
            for (int j = 0; j < at.length; j++) {
                chosen.set(i, j, daily.get(at[i], at[j]));
            }
        }
        return chosen;
    }
}
