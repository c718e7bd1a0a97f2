package org.evenhand.core.findings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.LogisticRegression;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/**
 * Several causes at once, each in classes: what a class does to the odds of a flower to take, the others being equal. A {@link
 * LogisticRegression} behind it; what it cannot answer is told, class by class.
 *
 * @param effects of the classes that can be compared, with the usual one of their factor
 * @param usual the class of each factor that the others are compared with: the one with most flowers
 * @param leftOut classes left out, and why
 * @param flowers how many flowers it rests on
 */
public record AdjustedOdds(List<Effect> effects, Map<Factor, String> usual, List<LeftOut> leftOut, int flowers) {
    /** Classes of fewer flowers are left out: their odds would say nothing. */
    public static final int LEAST_FLOWERS = 10;

    /** A column of which less than this share is its own follows from others. */
    private static final double DEPENDENT = 1e-9;

    public AdjustedOdds {
        effects = List.copyOf(effects);
        usual = Map.copyOf(usual);
        leftOut = List.copyOf(leftOut);
    }

    /**
     * Flowers that are alike in every factor.
     *
     * @param classes one for each factor, in their order; empty where it is not known
     */
    public record Pattern(List<String> classes, int taken, int failed) {
        public Pattern {
            classes = List.copyOf(classes);
            Require.within("taken", taken, 0, Integer.MAX_VALUE);
            Require.within("failed", failed, 0, Integer.MAX_VALUE);
        }

        int flowers() {
            return taken + failed;
        }
    }

    /** Odds of a class over those of the usual class, with the interval at {@link Proportion#USUAL_CONFIDENCE}. */
    public record Effect(Factor factor, String level, int flowers, TwoProportions.Estimate oddsRatio) {}

    /** Why a class has no odds. */
    public enum Reason {
        FEW,
        ALL_TOOK,
        ALL_FAILED,
        /** It goes with classes named before it, so that their effects cannot be known apart. */
        GOES_WITH_OTHERS
    }

    /** A class without odds. */
    public record LeftOut(Factor factor, String level, int flowers, Reason reason) {}

    private record Column(int factor, String level) {}

    /**
     * The model; empty where no factor is left with two classes to compare, or causes together split what took from what failed.
     *
     * @param factors the causes, the most important first
     * @param patterns flowers by their classes
     */
    public static Optional<AdjustedOdds> of(List<Factor> factors, List<Pattern> patterns) {
        return new Making(factors, patterns).make();
    }

    /** One making, with what it has left out so far. */
    private static final class Making {
        private final List<Factor> factors;
        private final List<LeftOut> leftOut = new ArrayList<>();
        private final Map<Factor, String> usual = new LinkedHashMap<>();
        private List<Pattern> kept;
        private List<Map<String, int[]>> sums;

        Making(List<Factor> factors, List<Pattern> patterns) {
            this.factors = factors;
            this.kept = patterns.stream().filter(p -> p.flowers() > 0).toList();
            sum();
        }

        Optional<AdjustedOdds> make() {
            dropSilent();
            List<Column> columns = columns();
            int[][] there = there(columns);
            boolean[] free = independent(columns.size(), there);
            List<Column> compared = new ArrayList<>();
            int[] renamed = new int[columns.size() + 1];
            for (int c = 0; c < columns.size(); c++) {
                if (free[c]) {
                    compared.add(columns.get(c));
                    renamed[c + 1] = compared.size();
                } else {
                    leave(columns.get(c), Reason.GOES_WITH_OTHERS);
                }
            }
            if (compared.isEmpty()) {
                return Optional.empty();
            }
            return fit(compared, there, renamed)
                    .map(fit -> new AdjustedOdds(effects(compared, fit), usual, leftOut, flowers()));
        }

        private int flowers() {
            return kept.stream().mapToInt(Pattern::flowers).sum();
        }

        /** Took and failed of each class of each factor. */
        private void sum() {
            sums = factors.stream()
                    .<Map<String, int[]>>map(f -> new TreeMap<>())
                    .toList();
            for (Pattern p : kept) {
                for (int f = 0; f < factors.size(); f++) {
                    int[] sum = sums.get(f).computeIfAbsent(p.classes().get(f), k -> new int[2]);
                    sum[0] += p.taken();
                    sum[1] += p.failed();
                }
            }
        }

        private void leave(Column column, Reason reason) {
            int[] sum = Require.present(sums.get(column.factor()), column.level());
            leftOut.add(new LeftOut(factors.get(column.factor()), column.level(), sum[0] + sum[1], reason));
        }

        /** Classes of few flowers, and those that all took or all failed: no finite odds belong to them. */
        private void dropSilent() {
            for (Optional<Column> silent = silent(); silent.isPresent(); silent = silent()) {
                Column gone = silent.get();
                int[] sum = Require.present(sums.get(gone.factor()), gone.level());
                reason(sum[0], sum[1]).ifPresent(reason -> leave(gone, reason));
                kept = kept.stream()
                        .filter(p -> !p.classes().get(gone.factor()).equals(gone.level()))
                        .toList();
                sum();
            }
        }

        private Optional<Column> silent() {
            for (int f = 0; f < factors.size(); f++) {
                if (sums.get(f).size() > 1) {
                    for (Map.Entry<String, int[]> level : sums.get(f).entrySet()) {
                        if (reason(level.getValue()[0], level.getValue()[1]).isPresent()) {
                            return Optional.of(new Column(f, level.getKey()));
                        }
                    }
                }
            }
            return Optional.empty();
        }

        private static Optional<Reason> reason(int taken, int failed) {
            if (taken + failed < LEAST_FLOWERS) {
                return Optional.of(Reason.FEW);
            }
            if (failed == 0) {
                return Optional.of(Reason.ALL_TOOK);
            }
            return taken == 0 ? Optional.of(Reason.ALL_FAILED) : Optional.empty();
        }

        /** One column for each class but the usual one of its factor. */
        private List<Column> columns() {
            List<Column> columns = new ArrayList<>();
            for (int f = 0; f < factors.size(); f++) {
                if (sums.get(f).size() > 1) {
                    String most = sums.get(f).entrySet().stream()
                            .max(Comparator.<Map.Entry<String, int[]>>comparingInt(
                                            e -> e.getValue()[0] + e.getValue()[1])
                                    .thenComparing(Map.Entry::getKey))
                            .orElseThrow()
                            .getKey();
                    usual.put(factors.get(f), most);
                    int factor = f;
                    sums.get(f).keySet().stream()
                            .filter(level -> !level.equals(most))
                            .forEach(level -> columns.add(new Column(factor, level)));
                }
            }
            return columns;
        }

        /** For each pattern its columns, from 1. */
        private int[][] there(List<Column> columns) {
            Map<Column, Integer> numbers = new HashMap<>();
            columns.forEach(c -> numbers.put(c, numbers.size() + 1));
            return kept.stream()
                    .map(p -> IntStream.range(0, factors.size())
                            .map(f -> numbers.getOrDefault(
                                    new Column(f, p.classes().get(f)), 0))
                            .filter(c -> c > 0)
                            .toArray())
                    .toArray(int[][]::new);
        }

        /** Which columns do not follow from those before them: Cholesky's factor of how often they are there together. */
        private static boolean[] independent(int columns, int[][] there) {
            double[][] together = new double[columns + 1][columns + 1];
            for (int[] row : there) {
                int[] all = IntStream.concat(IntStream.of(0), IntStream.of(row)).toArray();
                for (int i : all) {
                    for (int j : all) {
                        together[i][j]++;
                    }
                }
            }
            boolean[] free = new boolean[columns];
            double[][] root = new double[columns + 1][columns + 1];
            for (int i = 0; i <= columns; i++) {
                for (int j = 0; j <= i; j++) {
                    double rest = together[i][j];
                    for (int k = 0; k < j; k++) {
                        rest -= root[i][k] * root[j][k];
                    }
                    boolean own = i == j;
                    boolean counts = own ? rest > DEPENDENT * together[i][i] : root[j][j] > 0;
                    root[i][j] = !counts ? 0 : own ? Math.sqrt(rest) : rest / root[j][j];
                }
                if (i > 0) {
                    free[i - 1] = root[i][i] > 0;
                }
            }
            return free;
        }

        /** Patterns that are alike in what is compared are one group. */
        private Optional<LogisticRegression> fit(List<Column> compared, int[][] there, int[] renamed) {
            Map<IntRow, int[]> groups = new HashMap<>();
            for (int p = 0; p < there.length; p++) {
                IntRow row = new IntRow(IntStream.of(there[p])
                        .map(c -> renamed[c])
                        .filter(c -> c > 0)
                        .toArray());
                int[] sum = groups.computeIfAbsent(row, r -> new int[2]);
                sum[0] += kept.get(p).flowers();
                sum[1] += kept.get(p).taken();
            }
            List<Map.Entry<IntRow, int[]>> all = List.copyOf(groups.entrySet());
            return LogisticRegression.ofPresent(
                    compared.size(),
                    all.stream().map(e -> e.getKey().columns()).toArray(int[][]::new),
                    all.stream().mapToInt(e -> e.getValue()[0]).toArray(),
                    all.stream().mapToInt(e -> e.getValue()[1]).toArray());
        }

        private List<Effect> effects(List<Column> compared, LogisticRegression fit) {
            List<Effect> effects = new ArrayList<>();
            for (int c = 0; c < compared.size(); c++) {
                Column column = compared.get(c);
                int[] sum = Require.present(sums.get(column.factor()), column.level());
                effects.add(new Effect(
                        factors.get(column.factor()),
                        column.level(),
                        sum[0] + sum[1],
                        TwoProportions.aroundLog(
                                Math.exp(fit.coefficients().get(c + 1)),
                                fit.standardErrors().get(c + 1),
                                Proportion.USUAL_CONFIDENCE)));
            }
            return effects;
        }
    }

    /** Columns of a pattern, as a key. */
    private record IntRow(int[] columns) {
        @Override
        public boolean equals(Object other) {
            return other instanceof IntRow row && Arrays.equals(columns, row.columns);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(columns);
        }
    }
}
