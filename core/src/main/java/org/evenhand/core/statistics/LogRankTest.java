package org.evenhand.core.statistics;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealVector;

/** Observed less expected losses of each group, and their covariance. */
final class LogRankTest {
    private final double[] surplus;
    private final double[][] covariance;

    private LogRankTest(int groups) {
        this.surplus = new double[groups];
        this.covariance = new double[groups][groups];
    }

    static Optional<KaplanMeier.Alike> of(List<Map<Double, KaplanMeier.At>> groups) {
        LogRankTest sums = new LogRankTest(groups.size());
        double[] atRisk = groups.stream()
                .mapToDouble(g -> KaplanMeier.followed(g.values()))
                .toArray();
        TreeSet<Double> times = new TreeSet<>();
        groups.forEach(g -> times.addAll(g.keySet()));
        for (double time : times) {
            double[] lost = new double[atRisk.length];
            double[] gone = new double[atRisk.length];
            for (int g = 0; g < atRisk.length; g++) {
                KaplanMeier.At at = groups.get(g).get(time);
                lost[g] = at == null ? 0 : at.lost();
                gone[g] = at == null ? 0 : at.lost() + at.censored();
            }
            sums.add(lost, atRisk);
            for (int g = 0; g < atRisk.length; g++) {
                atRisk[g] -= gone[g];
            }
        }
        return sums.test();
    }

    /** Adds one time: so many lost of those at risk, spread over the groups as chance would have it. */
    private void add(double[] lost, double[] atRisk) {
        double all =
                IntStream.range(0, atRisk.length).mapToDouble(g -> atRisk[g]).sum();
        double losses =
                IntStream.range(0, lost.length).mapToDouble(g -> lost[g]).sum();
        if (losses == 0) {
            return;
        }
        double spread = all > 1 ? losses * (all - losses) / (all - 1) : 0;
        for (int g = 0; g < lost.length; g++) {
            double share = atRisk[g] / all;
            surplus[g] += lost[g] - losses * share;
            for (int h = 0; h < lost.length; h++) {
                covariance[g][h] += spread * share * ((g == h ? 1 : 0) - atRisk[h] / all);
            }
        }
    }

    /** Groups that never stood beside another while something was lost say nothing; of the others the last follows from the rest. */
    private Optional<KaplanMeier.Alike> test() {
        int[] telling = IntStream.range(0, surplus.length)
                .filter(g -> covariance[g][g] > 1e-12)
                .toArray();
        int freedom = telling.length - 1;
        if (freedom < 1) {
            return Optional.empty();
        }
        RealVector u = new ArrayRealVector(freedom);
        Array2DRowRealMatrix v = new Array2DRowRealMatrix(freedom, freedom);
        for (int i = 0; i < freedom; i++) {
            u.setEntry(i, surplus[telling[i]]);
            for (int j = 0; j < freedom; j++) {
                v.setEntry(i, j, covariance[telling[i]][telling[j]]);
            }
        }
        LUDecomposition parts = new LUDecomposition(v);
        if (!parts.getSolver().isNonSingular()) {
            return Optional.empty();
        }
        double chiSquared = u.dotProduct(parts.getSolver().solve(u));
        return Optional.of(new KaplanMeier.Alike(
                chiSquared, freedom, ChiSquaredDistribution.of(freedom).survivalProbability(chiSquared)));
    }
}
