package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.List;
import org.ejml.data.DMatrixRMaj;

/**
 * What is believed of the supply of new buds before anything was read.
 *
 * <p>The logarithm of a variety's buds a day walks: its increments from day to day are correlated with {@link #PERSISTENCE}, so that
 * a trend goes on but fades. A tree has that course times its own size times deviations of its own, which last some days.
 *
 * @param roughness standard deviation of the course's daily increment, in units of the logarithm
 * @param treeSpread standard deviation of a tree's own deviations from the course, likewise
 */
record SupplyPrior(double roughness, double treeSpread) {
    /** Correlation of the increments of two days in a row. Our convention: half of a trend is gone after some four days. */
    static final double PERSISTENCE = 0.85;

    /**
     * The same for the days to come: nobody has seen them, and buds run out, so that a trend is carried on for little more than a day.
     * Our convention.
     */
    static final double PERSISTENCE_AHEAD = 0.6;

    /** Days over which a tree's own deviation fades to a third. Our convention. */
    static final double DEVIATION_DAYS = 5;

    /** Standard deviation of the logarithm of a tree's size against its variety's. Our convention: a factor of 30 either way. */
    private static final double SIZE_SPREAD = 1.7;

    /** Standard deviation of the logarithm of the level; it only keeps the sums finite. */
    private static final double LEVEL_SPREAD = 4;

    /** What is tried; which of them holds is weighed by the evidence. */
    private static final double[] ROUGHNESS = {0.015, 0.05, 0.12, 0.25, 0.5, 1.0, 2.0};

    private static final double[] TREE_SPREAD = {0.05, 0.15, 0.3, 0.6, 1.2, 2.4};

    static List<SupplyPrior> all() {
        List<SupplyPrior> all = new ArrayList<>();
        for (double spread : TREE_SPREAD) {
            for (double rough : ROUGHNESS) {
                all.add(new SupplyPrior(rough, spread));
            }
        }
        return all;
    }

    /** Where a fit begins before the evidence has been asked. */
    static SupplyPrior middle() {
        return new SupplyPrior(0.25, 0.3);
    }

    /**
     * Logarithm of this prior's own weight: quiet bloom is commoner than wild bloom, trees of a variety are commonly alike.
     * Our convention, worth less than a few readings.
     */
    double logWeight() {
        return -0.5 * Math.pow(Math.log(roughness / 0.1) / 1.5, 2)
                - 0.5 * Math.pow(Math.log(treeSpread / 0.2) / 1.5, 2);
    }

    /**
     * Covariance of the course's logarithm.
     *
     * @param days over which it runs
     * @param lastRead the last of them on which a tree was read
     */
    DMatrixRMaj course(int days, int lastRead) {
        double[][] increments = new double[days][days];
        for (int i = 1; i < days; i++) {
            for (int j = 1; j < days; j++) {
                increments[i][j] = roughness * roughness * correlation(Math.min(i, j), Math.max(i, j), lastRead);
            }
        }
        // The sums of the increments up to either day, by a running sum over the table.
        DMatrixRMaj sums = new DMatrixRMaj(days, days);
        for (int i = 0; i < days; i++) {
            for (int j = 0; j < days; j++) {
                double above = i > 0 ? sums.get(i - 1, j) : 0;
                double left = j > 0 ? sums.get(i, j - 1) : 0;
                double both = i > 0 && j > 0 ? sums.get(i - 1, j - 1) : 0;
                sums.set(i, j, increments[i][j] + above + left - both);
            }
        }
        return anchored(sums);
    }

    private static double correlation(int early, int late, int lastRead) {
        int ahead = Math.max(0, late - Math.max(early, lastRead));
        return Math.pow(PERSISTENCE, late - early - ahead) * Math.pow(PERSISTENCE_AHEAD, ahead);
    }

    /** The level is known alike on every day: anchored in the middle, not on the first day. */
    private static DMatrixRMaj anchored(DMatrixRMaj walk) {
        int days = walk.numRows;
        int anchor = days / 2;
        DMatrixRMaj moved = new DMatrixRMaj(days, days);
        for (int i = 0; i < days; i++) {
            for (int j = 0; j < days; j++) {
                moved.set(
                        i,
                        j,
                        walk.get(i, j)
                                - walk.get(i, anchor)
                                - walk.get(anchor, j)
                                + walk.get(anchor, anchor)
                                + LEVEL_SPREAD * LEVEL_SPREAD
                                + (i == j ? 1e-6 : 0));
            }
        }
        return moved;
    }

    /** Covariance of the logarithm of a tree's own size and deviations over so many days. */
    DMatrixRMaj tree(int days) {
        DMatrixRMaj own = new DMatrixRMaj(days, days);
        for (int i = 0; i < days; i++) {
            for (int j = 0; j < days; j++) {
                own.set(
                        i,
                        j,
                        SIZE_SPREAD * SIZE_SPREAD
                                + treeSpread * treeSpread * Math.exp(-Math.abs(i - j) / DEVIATION_DAYS));
            }
        }
        return own;
    }
}
