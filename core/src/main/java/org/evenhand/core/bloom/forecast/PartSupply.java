package org.evenhand.core.bloom.forecast;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * The counts of one part of a tree, taken as linear in the logarithm of its supply of buds around an estimate of it.
 *
 * <p>Counts are Poisson about what is expected; two counts have in common the flowers that are expected in both. Changed in place
 * as the estimate gets better; used by one thread.
 */
final class PartSupply {
    /** Logarithm of the most buds a day, and less its sign of the fewest, that a tree is taken to have. */
    private static final double MOST_LOG = 14;

    /** The farthest that one step may move the logarithm of a day's supply. */
    private static final double LONGEST_STEP = 1.5;

    final CountedPart counted;
    final int[] times;
    private final CohortTable table;
    private final int firstDay;
    private final SupplyKnots knots;
    private final double countingError;
    /** Counts expected of one bud a day: [count][day]. */
    private final double[][] unit;

    private final DMatrixRMaj counts;
    /** The part's own size and deviations from its variety's course, at the knots. */
    private final DMatrixRMaj own;

    // Set by the first step of the fit, before anything is asked of them.
    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj course;

    @SuppressWarnings("NullAway.Init")
    private double[] buds;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj expected;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj chance;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj slope;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj response;

    @SuppressWarnings("NullAway.Init")
    private double[][] states;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj rootOfOwn;

    @SuppressWarnings("NullAway.Init")
    private Triangle spread;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj whiteSlope;

    PartSupply(CohortTable table, CountedPart counted, int firstDay, SupplyKnots knots, double countingError) {
        this.table = table;
        this.counted = counted;
        this.firstDay = firstDay;
        this.knots = knots;
        this.countingError = countingError;
        int stages = table.model().clock().stageCount();
        this.times = new int[counted.readings()];
        this.counts = new DMatrixRMaj(times.length * stages, 1);
        this.unit = new double[counts.numRows][knots.days()];
        this.own = new DMatrixRMaj(knots.count(), 1);
        for (int r = 0; r < times.length; r++) {
            times[r] = table.indexOf(counted.hours()[r]);
            for (int s = 0; s < stages; s++) {
                counts.set(r * stages + s, 0, counted.counts().get(r)[s]);
            }
            for (int d = 0; d < knots.days(); d++) {
                double[] cohort = table.cohortStages(times[r], firstDay + d);
                for (int s = 0; s < stages; s++) {
                    unit[r * stages + s][d] = counted.shares()[r] * cohort[s];
                }
            }
        }
    }

    int counts() {
        return counts.numRows;
    }

    /** Logarithm of the steady supply that gives as many flowers as were counted. */
    double steadyLog() {
        double ofOne = 0;
        for (double[] row : unit) {
            for (double flowers : row) {
                ofOne += flowers;
            }
        }
        return Math.log((CommonOps_DDRM.elementSum(counts) + 0.5) / Math.max(ofOne, 1e-9));
    }

    /** Begins with the size that gives as many flowers under a course as were counted. */
    void startUnder(DMatrixRMaj ofCourse) {
        double[] logs = knots.daily(ofCourse);
        double flowers = 0;
        for (double[] row : unit) {
            for (int d = 0; d < logs.length; d++) {
                flowers += row[d] == 0 ? 0 : row[d] * Math.exp(logs[d]);
            }
        }
        startAt(Math.log((CommonOps_DDRM.elementSum(counts) + 0.5) / Math.max(flowers, 1e-9)));
    }

    /** Begins with what was found of the same part at another development rate. */
    void startAs(PartSupply other) {
        own.setTo(other.own);
    }

    void startAt(double ownLog) {
        CommonOps_DDRM.fill(own, ownLog);
    }

    /** Buds a day around which the counts are taken as linear. */
    double buds(int day) {
        return buds[day];
    }

    double[] states(int reading) {
        return states[reading];
    }

    /** A root of the covariance that the counts have from what is the part's own: [knot][count]. */
    DMatrixRMaj rootOfOwn() {
        return rootOfOwn;
    }

    /** Of the counts' covariance given the course. */
    Triangle spread() {
        return spread;
    }

    /** The slope, whitened by {@link #spread}. */
    DMatrixRMaj whiteSlope() {
        return whiteSlope;
    }

    /** Takes the counts as linear around the part's own supply under a course. */
    void linearize(DMatrixRMaj newCourse) {
        course = newCourse;
        DMatrixRMaj logs = new DMatrixRMaj(knots.count(), 1);
        CommonOps_DDRM.add(course, own, logs);
        buds = knots.daily(logs);
        for (int d = 0; d < buds.length; d++) {
            buds[d] = Math.exp(Math.max(-MOST_LOG, Math.min(MOST_LOG, buds[d])));
        }
        int n = counts.numRows;
        slope = new DMatrixRMaj(n, knots.count());
        expected = new DMatrixRMaj(n, 1);
        for (int row = 0; row < n; row++) {
            for (int d = 0; d < buds.length; d++) {
                double flowers = unit[row][d] * buds[d];
                if (flowers != 0) {
                    knots.addDay(slope, row, d, flowers);
                    expected.add(row, 0, flowers);
                }
            }
        }
        states = new double[times.length][];
        for (int r = 0; r < times.length; r++) {
            states[r] = state(times[r]);
        }
        chance = chanceOfCounts();
        response = new DMatrixRMaj(n, 1);
        CommonOps_DDRM.mult(slope, logs, response);
        CommonOps_DDRM.addEquals(response, counts);
        CommonOps_DDRM.subtractEquals(response, expected);
    }

    private double[] state(int time) {
        double[] sum = table.stray(time).clone();
        for (int d = 0; d < buds.length; d++) {
            double[] cohort = table.cohort(time, firstDay + d);
            for (int c = 0; c < cohort.length; c++) {
                sum[c] += buds[d] * cohort[c];
            }
        }
        return sum;
    }

    /** Covariance of the counts when the supply is known. */
    private DMatrixRMaj chanceOfCounts() {
        int stages = table.model().clock().stageCount();
        DMatrixRMaj common = new DMatrixRMaj(counts.numRows, counts.numRows);
        for (int r = 0; r < times.length; r++) {
            for (int s = 0; s < stages; s++) {
                int row = r * stages + s;
                double miscounted = countingError * expected.get(row, 0);
                common.set(row, row, miscounted * miscounted);
            }
            for (int c = 0; c < states[r].length; c++) {
                int row = r * stages + table.stageOf(c);
                common.add(row, row, counted.shares()[r] * states[r][c]);
            }
            for (int later = r + 1; later < times.length; later++) {
                addCommon(common, r, later);
            }
        }
        return common;
    }

    private void addCommon(DMatrixRMaj common, int r, int later) {
        int stages = table.model().clock().stageCount();
        double both = counted.shares()[r] * counted.shares()[later];
        double[] chances = table.stagesLater(times[r], times[later]);
        int size = states[r].length;
        for (int c = 0; c < size; c++) {
            int row = r * stages + table.stageOf(c);
            double flowers = both * states[r][c];
            for (int s = table.stageOf(c); s < stages; s++) {
                int column = later * stages + s;
                double seen = flowers * chances[s * size + c];
                common.add(row, column, seen);
                common.add(column, row, seen);
            }
        }
    }

    /** Factors the covariance of the counts given the course, under a prior for what is the part's own. */
    void factor(Triangle ofTree) {
        rootOfOwn = ofTree.root(CommonOps_DDRM.transpose(slope, null));
        SymmetricSum ofOwn = new SymmetricSum(counts.numRows);
        ofOwn.add(1, rootOfOwn);
        DMatrixRMaj all = ofOwn.full();
        CommonOps_DDRM.addEquals(all, chance);
        spread = new Triangle(all);
        whiteSlope = spread.whiten(slope);
    }

    /** Adds what the counts say of the course, the part's own supply integrated out; returns their misfit. */
    double addTo(DMatrixRMaj information, DMatrixRMaj pull) {
        CommonOps_DDRM.multAddTransA(whiteSlope, whiteSlope, information);
        DMatrixRMaj white = spread.whiten(response);
        CommonOps_DDRM.multAddTransA(whiteSlope, white, pull);
        return CommonOps_DDRM.dot(white, white) + spread.logDeterminant();
    }

    /** Counts less what a course lets expect of them. */
    DMatrixRMaj residual(DMatrixRMaj ofCourse) {
        DMatrixRMaj left = response.copy();
        CommonOps_DDRM.multAdd(-1, slope, ofCourse, left);
        return left;
    }

    /** Mean square of what the counts are off under a course, in standard deviations. */
    double misfit(DMatrixRMaj ofCourse) {
        DMatrixRMaj white = spread.whiten(residual(ofCourse));
        return CommonOps_DDRM.dot(white, white) / counts.numRows;
    }

    /** How far a course lies from the point around which the counts are linear, the part's own supply included. */
    DMatrixRMaj off(DMatrixRMaj ofCourse) {
        DMatrixRMaj off = ofCourse.copy();
        CommonOps_DDRM.subtractEquals(off, course);
        CommonOps_DDRM.subtractEquals(off, own);
        return off;
    }

    /** Moves the part's own supply to what its counts say under a new course, in steps that are not too long. */
    void moveOwn(Triangle ofTree, DMatrixRMaj newCourse) {
        DMatrixRMaj pull = new DMatrixRMaj(knots.count(), 1);
        CommonOps_DDRM.multTransA(whiteSlope, spread.whiten(residual(newCourse)), pull);
        DMatrixRMaj moved = ofTree.times(pull);
        for (int k = 0; k < knots.count(); k++) {
            double from = course.get(k, 0) + own.get(k, 0);
            double step = newCourse.get(k, 0) + moved.get(k, 0) - from;
            double bounded = Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, step));
            own.set(k, 0, from + bounded - newCourse.get(k, 0));
        }
    }
}
