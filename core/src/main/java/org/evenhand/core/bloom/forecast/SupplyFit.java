package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.decomposition.LUDecomposition_F64;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * The supply of buds of one variety, found back from the counts of its trees.
 *
 * <p>The logarithm of the supply by day is normal about its {@link SupplyPrior}; counts are linear in it around the latest estimate,
 * which a few rounds make its own. Everything is then a question of normal distributions given all counts at once. The variety's
 * course rests on the trees that tell most of it; every tree then has its own supply about that course.
 */
final class SupplyFit {
    private static final int ROUNDS = 6;

    /** A slower rate leaves buds of earlier days on the tree. */
    private static final int EARLIER_DAYS = 4;

    private static final int ROUNDS_OF_FOLLOWERS = 1;

    /** What was read before the latest so many readings says next to nothing of what is on a tree once its variety is known. */
    private static final int READINGS_OF_FOLLOWERS = 5;

    /** Mean square of a part's misfits, in standard deviations, from which its readings contradict each other; 1 is usual. Our convention. */
    private static final double CONTRADICTION = 4;

    /** Trees are asked about their variety's course until so many counts were taken; more add next to nothing. */
    private static final int MOST_COUNTS = 1000;

    private final CohortTable table;
    private final List<CountedPart> counted;
    private final List<PartSupply> leading = new ArrayList<>();
    private final double countingError;
    private final int firstDay;
    private final SupplyKnots knots;

    // Set by settling, before anybody is given the fit.
    @SuppressWarnings("NullAway.Init")
    private SupplyPrior prior;

    @SuppressWarnings("NullAway.Init")
    private Triangle ofTree;

    @SuppressWarnings("NullAway.Init")
    private DMatrixRMaj course;

    @SuppressWarnings("NullAway.Init")
    private Normal settled;

    private record Normal(DMatrixRMaj mean, DMatrixRMaj covariance, double logEvidence) {}

    private SupplyFit(
            CohortTable table, List<CountedPart> telling, int firstDay, SupplyKnots knots, double countingError) {
        this.table = table;
        this.counted = telling;
        this.firstDay = firstDay;
        this.knots = knots;
        this.countingError = countingError;
        telling.forEach(c -> leading.add(part(c)));
    }

    private PartSupply part(CountedPart one) {
        return new PartSupply(table, one, firstDay, knots, countingError);
    }

    /** Those read most often, then those with most flowers. */
    private static List<CountedPart> telling(List<CountedPart> parts) {
        List<CountedPart> order = new ArrayList<>(parts);
        order.sort(Comparator.comparingInt(CountedPart::readings)
                .thenComparingDouble(CountedPart::flowers)
                .reversed());
        int counts = 0;
        int chosen = 0;
        while (chosen < order.size() && (chosen == 0 || counts < MOST_COUNTS)) {
            CountedPart part = order.get(chosen++);
            counts += part.readings() * part.counts().get(0).length;
        }
        return order.subList(0, chosen);
    }

    /**
     * @param daysAhead whole days after the last reading for which the supply is foreseen
     * @param countingError standard deviation of a count's own error as a share of the count, 0 where counts are exact
     */
    static SupplyFit of(CohortTable table, List<CountedPart> counted, int daysAhead, double countingError) {
        int firstDay = Math.max(0, table.firstDay() - EARLIER_DAYS);
        int lastRead = CohortTable.dayOf(
                        counted.stream().mapToDouble(CountedPart::last).max().orElseThrow())
                - firstDay;
        SupplyKnots knots = SupplyKnots.of(lastRead + 1 + daysAhead, lastRead);
        SupplyFit fit = new SupplyFit(table, telling(counted), firstDay, knots, countingError);
        fit.startSteady();
        fit.prior = SupplyPrior.middle();
        for (int round = 0; round < ROUNDS; round++) {
            fit.round();
            fit.prior = round % 2 == 1 ? fit.likeliest() : fit.prior;
        }
        fit.settle();
        return fit;
    }

    /** The same counts at another development rate, beginning with what was found at this one. */
    SupplyFit at(CohortTable other) {
        SupplyFit fit = new SupplyFit(other, counted, firstDay, knots, countingError);
        fit.course = settled.mean;
        for (int p = 0; p < leading.size(); p++) {
            fit.leading.get(p).startAs(leading.get(p));
        }
        fit.prior = prior;
        fit.round();
        fit.settle();
        return fit;
    }

    /** Every part begins with the steady supply that gives as many flowers as were counted. */
    private void startSteady() {
        double level =
                leading.stream().mapToDouble(PartSupply::steadyLog).average().orElseThrow();
        course = new DMatrixRMaj(knots.count(), 1);
        CommonOps_DDRM.fill(course, level);
        leading.forEach(p -> p.startAt(p.steadyLog() - level));
    }

    private Triangle ofTree(SupplyPrior under) {
        return new Triangle(knots.chosen(under.tree(knots.days())));
    }

    private DMatrixRMaj ofCourse(SupplyPrior under) {
        return knots.chosen(under.course(knots.days(), knots.lastRead()));
    }

    private void round() {
        Triangle ofTree = ofTree(prior);
        for (PartSupply part : leading) {
            part.linearize(course);
            part.factor(ofTree);
        }
        Normal posterior = posterior(new Evidence(leading), ofCourse(prior));
        for (PartSupply part : leading) {
            part.moveOwn(ofTree, posterior.mean);
        }
        course = posterior.mean;
    }

    /** Takes the counts as linear around the final estimate, for all that is asked afterwards. */
    private void settle() {
        ofTree = ofTree(prior);
        for (PartSupply part : leading) {
            part.linearize(course);
            part.factor(ofTree);
        }
        settled = posterior(new Evidence(leading), ofCourse(prior));
        leading.forEach(p -> p.moveOwn(ofTree, settled.mean));
    }

    private void relinearize(PartSupply part) {
        part.linearize(settled.mean);
        part.factor(ofTree);
    }

    /** Every part with its own supply about the course, those that led and those that follow. */
    List<PartSupply> parts(List<CountedPart> everyone) {
        Map<CountedPart, PartSupply> led = new IdentityHashMap<>();
        leading.forEach(p -> {
            relinearize(p);
            led.put(p.counted, p);
        });
        return everyone.stream()
                .map(one -> led.containsKey(one) ? led.get(one) : follower(one.latest(READINGS_OF_FOLLOWERS)))
                .map(this::withoutContradiction)
                .toList();
    }

    /** The latest count stands: earlier ones that no flowers could have led to it from are left out, the oldest first. */
    private PartSupply withoutContradiction(PartSupply part) {
        PartSupply kept = part;
        while (kept.counted.readings() > 1 && kept.misfit(settled.mean) > CONTRADICTION) {
            kept = follower(kept.counted.latest(kept.counted.readings() - 1));
        }
        return kept;
    }

    private PartSupply follower(CountedPart one) {
        PartSupply part = part(one);
        part.startUnder(settled.mean);
        for (int round = 0; round < ROUNDS_OF_FOLLOWERS; round++) {
            relinearize(part);
            part.moveOwn(ofTree, settled.mean);
        }
        relinearize(part);
        return part;
    }

    /** What some parts say of the course, all together. */
    private final class Evidence {
        private final DMatrixRMaj information = new DMatrixRMaj(knots.count(), knots.count());
        private final DMatrixRMaj pull = new DMatrixRMaj(knots.count(), 1);
        private double misfit;

        Evidence(List<PartSupply> parts) {
            parts.forEach(p -> misfit += p.addTo(information, pull));
        }
    }

    private Normal posterior(Evidence evidence, DMatrixRMaj priorCovariance) {
        // Posterior covariance (G⁻¹ + H)⁻¹ = G (I + H G)⁻¹, which needs no inverse of the prior.
        DMatrixRMaj spreadOut = CommonOps_DDRM.identity(knots.count());
        CommonOps_DDRM.multAdd(evidence.information, priorCovariance, spreadOut);
        LinearSolverDense<DMatrixRMaj> solver = LinearSolverFactory_DDRM.lu(knots.count());
        solver.setA(spreadOut);
        DMatrixRMaj inverse = new DMatrixRMaj(knots.count(), knots.count());
        solver.invert(inverse);
        DMatrixRMaj covariance = new DMatrixRMaj(knots.count(), knots.count());
        CommonOps_DDRM.mult(priorCovariance, inverse, covariance);
        DMatrixRMaj mean = new DMatrixRMaj(knots.count(), 1);
        CommonOps_DDRM.mult(covariance, evidence.pull, mean);
        DMatrixRMaj upper =
                solver.<LUDecomposition_F64<DMatrixRMaj>>getDecomposition().getUpper(null);
        double logDeterminant = 0;
        for (int k = 0; k < knots.count(); k++) {
            logDeterminant += Math.log(Math.abs(upper.get(k, k)));
        }
        return new Normal(
                mean, covariance, -0.5 * (evidence.misfit + logDeterminant - CommonOps_DDRM.dot(evidence.pull, mean)));
    }

    /** The prior under which the counts are likeliest, its own weight on top. */
    private SupplyPrior likeliest() {
        SupplyPrior best = prior;
        double most = Double.NEGATIVE_INFINITY;
        double treeSpread = Double.NaN;
        Evidence evidence = null;
        for (SupplyPrior candidate : SupplyPrior.all()) {
            if (evidence == null || candidate.treeSpread() != treeSpread) {
                treeSpread = candidate.treeSpread();
                Triangle ofTree = ofTree(candidate);
                leading.forEach(p -> p.factor(ofTree));
                evidence = new Evidence(leading);
            }
            double log = posterior(evidence, ofCourse(candidate)).logEvidence + candidate.logWeight();
            if (log > most) {
                most = log;
                best = candidate;
            }
        }
        return best;
    }

    /** Logarithm of the chance of the leading parts' counts, with the prior that was chosen. */
    double logEvidence() {
        return settled.logEvidence;
    }

    int firstDay() {
        return firstDay;
    }

    SupplyKnots knots() {
        return knots;
    }

    /** Logarithm of the variety's buds a day, at the knots. */
    DMatrixRMaj course() {
        return settled.mean;
    }

    /** Covariance of {@link #course}. */
    DMatrixRMaj doubt() {
        return settled.covariance;
    }

    CohortTable table() {
        return table;
    }

    /** Covariance of the logarithm of what is a tree's own, at the knots. */
    Triangle treeCovariance() {
        return ofTree;
    }
}
