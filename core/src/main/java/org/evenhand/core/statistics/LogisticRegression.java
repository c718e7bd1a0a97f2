package org.evenhand.core.statistics;

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
    private static final double SYMMETRIC = 1e-15;
    /** Share of the largest information below which a cause tells nothing that the others do not. */
    private static final double DEPENDENT = 1e-13;
    /** Log odds beyond which a group's estimate is suspected of having no end. */
    private static final double SURE = 12;

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
     * @param share how many of them set
     */
    public record Group(List<Double> causes, Proportion share) {
        public Group {
            causes = List.copyOf(causes);
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
     * @throws InvalidInputException where causes depend on one another, so that their effects cannot be known apart
     */
    public static Optional<LogisticRegression> of(List<Group> groups) {
        Require.within("groups", groups.size(), 1, 10_000_000);
        int causes = groups.get(0).causes().size();
        if (groups.stream().anyMatch(g -> g.causes().size() != causes)) {
            throw new InvalidInputException("groups", "have different numbers of causes; give each the same.");
        }
        return of(new Fitting(groups));
    }

    /**
     * The same for causes that are there or not, given sparsely.
     *
     * @param causes number of causes
     * @param there for each group the causes that are there, from 1; the constant is 0 and always there
     * @param trials of each group
     * @param successes of each group
     */
    public static Optional<LogisticRegression> ofPresent(int causes, int[][] there, int[] trials, int[] successes) {
        return of(new Fitting(causes + 1, there, trials, successes));
    }

    private static Optional<LogisticRegression> of(Fitting fitting) {
        Optional<LogisticRegression> fit = fitting.fit();
        // A linear program over all groups takes long, so it is asked only where something looks split.
        boolean doubtful = fit.isEmpty() || fitting.surest(fit.get().coefficients()) > SURE;
        if (doubtful && fitting.separated()) {
            return Optional.empty();
        }
        if (fit.isEmpty()) {
            throw new InvalidInputException("groups", "have causes that depend on one another; leave one of them out.");
        }
        return fit;
    }

    /** Newton's steps, halved where they would go too far. Only what is not 0 of each row is kept. */
    private static final class Fitting {
        private final int size;
        private final int[][] columns;
        private final double[][] values;
        private final int[] trials;
        private final int[] successes;
        /** Largest size of each cause: all are brought to about 1, so that units make no difference. */
        private final double[] scale;

        Fitting(List<Group> groups) {
            this.size = groups.get(0).causes().size() + 1;
            this.columns = new int[groups.size()][];
            this.values = new double[groups.size()][];
            this.trials = groups.stream().mapToInt(g -> g.share().trials()).toArray();
            this.successes =
                    groups.stream().mapToInt(g -> g.share().successes()).toArray();
            this.scale = new double[size];
            for (Group group : groups) {
                double[] row = group.row();
                for (int i = 0; i < size; i++) {
                    scale[i] = Math.max(scale[i], Math.abs(row[i]));
                }
            }
            for (int g = 0; g < columns.length; g++) {
                double[] row = groups.get(g).row();
                columns[g] = IntStream.range(0, size).filter(i -> row[i] != 0).toArray();
                values[g] = IntStream.of(columns[g])
                        .mapToDouble(i -> row[i] / scale[i])
                        .toArray();
            }
        }

        Fitting(int size, int[][] there, int[] trials, int[] successes) {
            this.size = size;
            this.columns = new int[there.length][];
            this.values = new double[there.length][];
            this.trials = trials;
            this.successes = successes;
            this.scale = DoubleStream.generate(() -> 1).limit(size).toArray();
            for (int g = 0; g < there.length; g++) {
                columns[g] = IntStream.concat(IntStream.of(0), IntStream.of(there[g]))
                        .toArray();
                values[g] =
                        DoubleStream.generate(() -> 1).limit(columns[g].length).toArray();
            }
        }

        /** Whether some combination of the causes is never negative for what took and never positive for what failed, and not always 0. */
        boolean separated() {
            MPSolver solver = MPSolver.createSolver("GLOP");
            MPVariable[] b = solver.makeNumVarArray(size, -1, 1, "b");
            MPObjective objective = solver.objective();
            double[] gain = new double[size];
            for (int g = 0; g < trials.length; g++) {
                double low = successes[g] > 0 ? 0 : Double.NEGATIVE_INFINITY;
                double high = successes[g] < trials[g] ? 0 : Double.POSITIVE_INFINITY;
                MPConstraint side = solver.makeConstraint(low, high);
                for (int i = 0; i < columns[g].length; i++) {
                    side.setCoefficient(b[columns[g][i]], values[g][i]);
                    gain[columns[g][i]] += (low == 0 ? values[g][i] : 0) - (high == 0 ? values[g][i] : 0);
                }
            }
            for (int i = 0; i < size; i++) {
                objective.setCoefficient(b[i], gain[i]);
            }
            objective.setMaximization();
            solver.solve();
            return objective.value() > SPLITS;
        }

        /** Empty where no estimate settles, or causes depend on one another. */
        Optional<LogisticRegression> fit() {
            double[] b = new double[size];
            double likelihood = logLikelihood(b);
            for (int step = 0; step < MOST_STEPS; step++) {
                Optional<CholeskyDecomposition> information = information(b);
                if (information.isEmpty()) {
                    return Optional.empty();
                }
                RealVector move = information.get().getSolver().solve(score(b));
                double[] next = moved(b, move, 1);
                double better = logLikelihood(next);
                for (int half = 1; half < 40 && better < likelihood; half++) {
                    next = moved(b, move, Math.pow(0.5, half));
                    better = logLikelihood(next);
                }
                b = next;
                if (better - likelihood < SETTLED * (1 + Math.abs(better))) {
                    return answer(b);
                }
                likelihood = better;
            }
            return Optional.empty();
        }

        private static double[] moved(double[] b, RealVector move, double share) {
            return IntStream.range(0, b.length)
                    .mapToDouble(i -> b[i] + share * move.getEntry(i))
                    .toArray();
        }

        private Optional<LogisticRegression> answer(double[] b) {
            return information(b).map(information -> {
                RealMatrix spread = information.getSolver().getInverse();
                return new LogisticRegression(
                        IntStream.range(0, size).mapToObj(i -> b[i] / scale[i]).toList(),
                        IntStream.range(0, size)
                                .mapToObj(i -> Math.sqrt(spread.getEntry(i, i)) / scale[i])
                                .toList(),
                        logLikelihood(b),
                        2 * (exactLikelihood() - logLikelihood(b)));
            });
        }

        /** The largest of the groups' log odds, whichever their sign. */
        double surest(List<Double> b) {
            double[] coefficients = IntStream.range(0, size)
                    .mapToDouble(i -> b.get(i) * scale[i])
                    .toArray();
            return IntStream.range(0, trials.length)
                    .mapToDouble(g -> Math.abs(odds(g, coefficients)))
                    .max()
                    .orElse(0);
        }

        private double odds(int group, double[] b) {
            double sum = 0;
            for (int i = 0; i < columns[group].length; i++) {
                sum += values[group][i] * b[columns[group][i]];
            }
            return sum;
        }

        private double chance(int group, double[] b) {
            return 1 / (1 + Math.exp(-odds(group, b)));
        }

        private RealVector score(double[] b) {
            double[] score = new double[size];
            for (int g = 0; g < trials.length; g++) {
                double miss = successes[g] - trials[g] * chance(g, b);
                for (int i = 0; i < columns[g].length; i++) {
                    score[columns[g][i]] += values[g][i] * miss;
                }
            }
            return new ArrayRealVector(score, false);
        }

        /** Empty where it has no inverse. */
        private Optional<CholeskyDecomposition> information(double[] b) {
            double[][] sum = new double[size][size];
            for (int g = 0; g < trials.length; g++) {
                double p = chance(g, b);
                double weight = trials[g] * p * (1 - p);
                for (int i = 0; i < columns[g].length; i++) {
                    for (int j = 0; j <= i; j++) {
                        sum[columns[g][i]][columns[g][j]] += weight * values[g][i] * values[g][j];
                    }
                }
            }
            double largest = 0;
            for (int i = 0; i < size; i++) {
                largest = Math.max(largest, sum[i][i]);
                // Mirrored: summed on both sides the last digits would differ.
                for (int j = 0; j < i; j++) {
                    sum[j][i] = sum[i][j];
                }
            }
            try {
                return Optional.of(new CholeskyDecomposition(
                        new Array2DRowRealMatrix(sum, false), SYMMETRIC, DEPENDENT * largest));
            } catch (MathIllegalArgumentException e) {
                return Optional.empty();
            }
        }

        private double logLikelihood(double[] b) {
            double sum = 0;
            for (int g = 0; g < trials.length; g++) {
                double odds = odds(g, b);
                sum += successes[g] * odds - trials[g] * (Math.max(0, odds) + Math.log1p(Math.exp(-Math.abs(odds))));
            }
            return sum;
        }

        private double exactLikelihood() {
            return IntStream.range(0, trials.length)
                    .mapToDouble(g -> xLogOf(successes[g], trials[g]) + xLogOf(trials[g] - successes[g], trials[g]))
                    .sum();
        }

        private static double xLogOf(int x, int n) {
            return x == 0 ? 0 : x * Math.log((double) x / n);
        }
    }
}
