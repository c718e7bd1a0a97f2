package org.evenhand.core.bloom.forecast;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * What is on one tree at one moment, and what is still to come, given all that was read: expected flowers in each compartment of the
 * clock, then expected buds of each day to come (of the running day what is left of it), and the covariance of these numbers.
 *
 * @param mean expected flowers and buds, none below 0
 * @param covariance of the numbers as the supply and the counts leave them in doubt, its lower half row by row; the chance of what
 *     single flowers do later comes on top. Single precision: there are many trees, and a doubt needs few digits
 */
record TreeEstimate(double[] mean, float[] covariance) {
    /**
     * @param parts of one tree
     * @param at moment of the fit's table, not before the tree's last reading
     * @param daysAhead days to come, the running one included
     */
    static TreeEstimate of(SupplyFit fit, List<PartSupply> parts, int at, int daysAhead) {
        int size = fit.table().model().compartments() + daysAhead;
        Sums sums = new Sums(
                new DMatrixRMaj(size, 1),
                new SymmetricSum(size),
                new DMatrixRMaj(fit.knots().count(), size));
        Triangle ofTree = fit.treeCovariance();
        for (PartSupply part : parts) {
            new PartEstimate(fit, part, at, daysAhead).addTo(sums, ofTree);
        }
        DMatrixRMaj doubted = new DMatrixRMaj(fit.knots().count(), size);
        CommonOps_DDRM.mult(fit.doubt(), sums.ofCourse, doubted);
        sums.covariance.add(1, sums.ofCourse, doubted);
        return new TreeEstimate(noneBelowZero(sums.mean.data, fit.table()), sums.covariance.lowerHalf());
    }

    /**
     * What the parts of a tree add up to.
     *
     * @param ofCourse how the numbers move with the variety's course: [knot][number]
     */
    private record Sums(DMatrixRMaj mean, SymmetricSum covariance, DMatrixRMaj ofCourse) {}

    /**
     * Where normal distributions would have fewer flowers than none in a compartment, it has none, and the others of its stage make up
     * for it: what was counted there still stands.
     */
    private static double[] noneBelowZero(double[] normal, CohortTable table) {
        double[] flowers = new double[normal.length];
        int stages = table.model().clock().stageCount();
        double[] wanted = new double[stages];
        double[] kept = new double[stages];
        for (int i = 0; i < normal.length; i++) {
            flowers[i] = Math.max(0, normal[i]);
            if (i < table.model().compartments()) {
                wanted[table.stageOf(i)] += normal[i];
                kept[table.stageOf(i)] += flowers[i];
            }
        }
        for (int c = 0; c < table.model().compartments(); c++) {
            int stage = table.stageOf(c);
            flowers[c] *= kept[stage] > 0 ? Math.max(0, wanted[stage]) / kept[stage] : 0;
        }
        return flowers;
    }

    /** No more buds come on a day than this share of the flowers on the tree: trends do not go on for ever. Our convention. */
    private static final double MOST_A_DAY = 0.5;

    /** One part's share in the estimate. */
    private static final class PartEstimate {
        private final SupplyFit fit;
        private final PartSupply part;
        private final int at;
        private final int compartments;
        private final int size;
        /** Expected numbers around which all is linear. */
        private final double[] around;
        /** How they move with the logarithm of the supply: [knot][number]. */
        private final DMatrixRMaj slope;

        PartEstimate(SupplyFit fit, PartSupply part, int at, int daysAhead) {
            this.fit = fit;
            this.part = part;
            this.at = at;
            this.compartments = fit.table().model().compartments();
            this.size = compartments + daysAhead;
            this.around = new double[size];
            this.slope = CommonOps_DDRM.transpose(spreadSupply(), null);
        }

        private DMatrixRMaj spreadSupply() {
            DMatrixRMaj moves = new DMatrixRMaj(size, fit.knots().count());
            double hour = fit.table().hour(at);
            int today = CohortTable.dayOf(hour);
            double onTree = 0;
            for (int d = 0; d < fit.knots().days(); d++) {
                int day = fit.firstDay() + d;
                double buds = part.buds(d);
                if (day <= today) {
                    double[] cohort = fit.table().cohort(at, day);
                    for (int c = 0; c < compartments; c++) {
                        add(moves, c, d, buds * cohort[c]);
                        onTree += buds * cohort[c];
                    }
                }
                int ahead = day - today;
                if (ahead >= 0 && compartments + ahead < size) {
                    buds = Math.min(buds, MOST_A_DAY * onTree);
                    double left =
                            ahead > 0 ? 1 : ((today + 1) * CohortTable.HOURS_A_DAY - hour) / CohortTable.HOURS_A_DAY;
                    add(moves, compartments + ahead, d, buds * left);
                }
            }
            return moves;
        }

        private void add(DMatrixRMaj moves, int row, int day, double flowers) {
            if (flowers != 0) {
                fit.knots().addDay(moves, row, day, flowers);
                around[row] += flowers;
            }
        }

        void addTo(Sums sums, Triangle ofTree) {
            DMatrixRMaj root = ofTree.root(slope);
            DMatrixRMaj common = commonWithCounts();
            CommonOps_DDRM.multAddTransA(part.rootOfOwn(), root, common);
            DMatrixRMaj white = part.spread().whiten(common);

            CommonOps_DDRM.multAddTransA(slope, part.off(fit.course()), sums.mean);
            CommonOps_DDRM.multAddTransA(white, part.spread().whiten(part.residual(fit.course())), sums.mean);
            sums.covariance.add(1, root);
            sums.covariance.add(-1, white);
            double[] stray = fit.table().stray(at);
            for (int i = 0; i < size; i++) {
                sums.mean.add(i, 0, around[i]);
                sums.covariance.addDiagonal(i, around[i] + (i < compartments ? stray[i] : 0));
            }
            CommonOps_DDRM.addEquals(sums.ofCourse, slope);
            CommonOps_DDRM.multAddTransA(-1, part.whiteSlope(), white, sums.ofCourse);
        }

        /** The flowers that are on the tree now and were in a count. */
        private DMatrixRMaj commonWithCounts() {
            int stages = fit.table().model().clock().stageCount();
            DMatrixRMaj common = new DMatrixRMaj(part.counts(), size);
            for (int r = 0; r < part.times.length; r++) {
                double[] later = fit.table().compartmentsLater(part.times[r], at);
                double share = part.counted.shares()[r];
                double[] then = part.states(r);
                for (int c = 0; c < compartments; c++) {
                    int row = (r * stages + fit.table().stageOf(c)) * size;
                    double flowers = share * then[c];
                    for (int now = c; now < compartments; now++) {
                        common.data[row + now] += flowers * later[now * compartments + c];
                    }
                }
            }
            return common;
        }
    }

    /** Expected number of those that are in a phase later, given the chance of each to be in it. */
    double expected(Chances chances) {
        double sum = 0;
        for (int k = 0; k < chances.at().length; k++) {
            sum += mean[chances.at()[k]] * chances.value()[k];
        }
        return sum;
    }

    /** Variance of that number: doubt about what is on the tree, and what single flowers do. */
    double variance(Chances chances) {
        int[] at = chances.at();
        double[] value = chances.value();
        double sum = 0;
        for (int k = 0; k < at.length; k++) {
            int i = at[k];
            int row = i * (i + 1) / 2;
            double before = 0;
            for (int l = 0; l < k; l++) {
                before += covariance[row + at[l]] * value[l];
            }
            sum += value[k] * (2 * before + covariance[row + i] * value[k]) + mean[i] * value[k] * (1 - value[k]);
        }
        return Math.max(sum, 0);
    }

    /**
     * The chance of each flower and bud to be in a phase at a moment, those without a chance left out.
     *
     * @param at which flowers and buds, rising
     * @param value chance of each
     */
    record Chances(int[] at, double[] value) {
        private static final double NONE = 1e-6;

        static Chances of(double[] all) {
            int[] at = IntStream.range(0, all.length).filter(i -> all[i] > NONE).toArray();
            return new Chances(at, Arrays.stream(at).mapToDouble(i -> all[i]).toArray());
        }
    }
}
