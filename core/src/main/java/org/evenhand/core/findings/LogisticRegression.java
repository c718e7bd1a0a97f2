package org.evenhand.core.findings;

import com.google.ortools.Loader;
import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPObjective;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.hipparchus.exception.MathIllegalArgumentException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

/**
 * Several causes of a share at once: {@code ln(p / (1 − p)) = b₀ + b₁x₁ + …}, by maximum likelihood, standard errors from the observed
 * information.
 *
 * <p>Where some combination of the causes splits successes from failures, no finite estimate exists (Albert &amp; Anderson 1984,
 * Biometrika 71:1-10); that is found by a linear program and told, never answered with huge numbers.
 *
 * @param coefficients b₀ first
 * @param standardErrors in the same order
 * @param logLikelihood of the kernel, without binomial coefficients
 * @param deviance against the model that fits every group exactly
 */
public record LogisticRegression(
        List<Double> coefficients, List<Double> standardErrors, double logLikelihood, double deviance) {
    private static final int MOST_STEPS = 100;
    private static final double SETTLED = 1e-12;
    private static final double SPLITS = 1e-7;

    static {
        Loader.loadNativeLibraries();
    }

    public LogisticRegression {
        coefficients = List.copyOf(coefficients);
        standardErrors = List.copyOf(standardErrors);
    }

    /**
     * Flowers that are alike.
     *
     * @param causes their values of each cause
     * @param share how many of them took
     */
    public record Group(List<Double> causes, Proportion share) {
        public Group {
            causes = List.copyOf(causes);
        }

        int failures() {
            return share.trials() - share.successes();
        }

        double[] row() {
            return DoubleStream.concat(DoubleStream.of(1), causes.stream().mapToDouble(c -> c))
                    .toArray();
        }
    }

    /**
     * Empty where the causes split successes from failures, fully or but for ties, so that no finite estimate exists.
     *
     * @param groups at least one, all with the same number of causes
     * @throws InvalidInputException where causes depend on one another, so that their effects cannot be told apart
     */
    public static Optional<LogisticRegression> of(List<Group> groups) {
        Require.within("groups", groups.size(), 1, 10_000_000);
        int causes = groups.get(0).causes().size();
        if (groups.stream().anyMatch(g -> g.causes().size() != causes)) {
            throw new InvalidInputException("groups", "have different numbers of causes; give each the same.");
        }
        return separated(groups) ? Optional.empty() : Optional.of(new Fitting(groups).fit());
    }

    /** Whether some combination of the causes is never negative for what took and never positive for what failed, and not always 0. */
    private static boolean separated(List<Group> groups) {
        MPSolver solver = MPSolver.createSolver("GLOP");
        int size = groups.get(0).row().length;
        MPVariable[] b = solver.makeNumVarArray(size, -1, 1, "b");
        MPObjective objective = solver.objective();
        double[] gain = new double[size];
        for (Group group : groups) {
            double[] row = group.row();
            double low = group.share().successes() > 0 ? 0 : Double.NEGATIVE_INFINITY;
            double high = group.failures() > 0 ? 0 : Double.POSITIVE_INFINITY;
            MPConstraint side = solver.makeConstraint(low, high);
            for (int i = 0; i < size; i++) {
                side.setCoefficient(b[i], row[i]);
                gain[i] += (low == 0 ? row[i] : 0) - (high == 0 ? row[i] : 0);
            }
        }
        for (int i = 0; i < size; i++) {
            objective.setCoefficient(b[i], gain[i]);
        }
        objective.setMaximization();
        solver.solve();
        return objective.value() > SPLITS;
    }

    /** Newton's steps, halved where they would go too far. */
    private static final class Fitting {
        private final List<Group> groups;
        private final double[][] rows;

        Fitting(List<Group> groups) {
            this.groups = groups;
            this.rows = groups.stream().map(Group::row).toArray(double[][]::new);
        }

        LogisticRegression fit() {
            RealVector b = new ArrayRealVector(rows[0].length);
            double likelihood = logLikelihood(b);
            for (int step = 0; step < MOST_STEPS; step++) {
                RealVector move = information(b).getSolver().solve(score(b));
                RealVector next = b.add(move);
                for (int half = 0; half < 40 && logLikelihood(next) < likelihood; half++) {
                    move = move.mapMultiply(0.5);
                    next = b.add(move);
                }
                double better = logLikelihood(next);
                b = next;
                if (better - likelihood < SETTLED * (1 + Math.abs(better))) {
                    return answer(b);
                }
                likelihood = better;
            }
            throw new InvalidInputException("groups", "lead to no stable estimate; leave a cause out.");
        }

        private LogisticRegression answer(RealVector b) {
            RealMatrix spread = information(b).getSolver().getInverse();
            return new LogisticRegression(
                    IntStream.range(0, b.getDimension()).mapToObj(b::getEntry).toList(),
                    IntStream.range(0, b.getDimension())
                            .mapToObj(i -> Math.sqrt(spread.getEntry(i, i)))
                            .toList(),
                    logLikelihood(b),
                    2 * (exactLikelihood() - logLikelihood(b)));
        }

        private double chance(int group, RealVector b) {
            return 1 / (1 + Math.exp(-b.dotProduct(new ArrayRealVector(rows[group], false))));
        }

        private RealVector score(RealVector b) {
            RealVector score = new ArrayRealVector(b.getDimension());
            for (int g = 0; g < rows.length; g++) {
                Proportion share = groups.get(g).share();
                double miss = share.successes() - share.trials() * chance(g, b);
                score = score.add(new ArrayRealVector(rows[g], false).mapMultiply(miss));
            }
            return score;
        }

        private CholeskyDecomposition information(RealVector b) {
            RealMatrix sum = new Array2DRowRealMatrix(b.getDimension(), b.getDimension());
            for (int g = 0; g < rows.length; g++) {
                double p = chance(g, b);
                RealVector row = new ArrayRealVector(rows[g], false);
                sum = sum.add(row.outerProduct(row)
                        .scalarMultiply(groups.get(g).share().trials() * p * (1 - p)));
            }
            try {
                return new CholeskyDecomposition(sum);
            } catch (MathIllegalArgumentException e) {
                throw new InvalidInputException(
                        "groups", "have causes that depend on one another; leave one of them out.");
            }
        }

        private double logLikelihood(RealVector b) {
            double sum = 0;
            for (int g = 0; g < rows.length; g++) {
                double odds = b.dotProduct(new ArrayRealVector(rows[g], false));
                sum += groups.get(g).share().successes() * odds
                        - groups.get(g).share().trials() * (Math.max(0, odds) + Math.log1p(Math.exp(-Math.abs(odds))));
            }
            return sum;
        }

        private double exactLikelihood() {
            return groups.stream()
                    .mapToDouble(g -> xLogOf(g.share().successes(), g.share().trials())
                            + xLogOf(g.failures(), g.share().trials()))
                    .sum();
        }

        private static double xLogOf(int x, int n) {
            return x == 0 ? 0 : x * Math.log((double) x / n);
        }
    }
}
