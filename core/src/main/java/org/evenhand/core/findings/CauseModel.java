package org.evenhand.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.evenhand.core.Require;

/**
 * Several causes at once, each in classes: what a class does to the odds of a flower to take, the others being equal. A {@link
 * LogisticRegression} behind it; what it cannot answer is told, class by class.
 *
 * @param effects of the classes that can be compared, with the usual one of their factor
 * @param usual the class of each factor that the others are compared with: the one with most flowers
 * @param leftOut classes left out, and why
 * @param flowers how many flowers it rests on
 */
public record CauseModel(List<Effect> effects, Map<Factor, String> usual, List<LeftOut> leftOut, int flowers) {
    /** Classes of fewer flowers are left out: their odds would say nothing. */
    public static final int LEAST_FLOWERS = 10;

    public CauseModel {
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
    public record Effect(Factor factor, String level, int flowers, TwoShares.Estimate oddsRatio) {}

    /** Why a class has no odds. */
    public enum Reason {
        FEW,
        ALL_TOOK,
        ALL_FAILED,
        /** It goes with classes named before it, so that their effects cannot be told apart. */
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
    public static Optional<CauseModel> of(List<Factor> factors, List<Pattern> patterns) {
        List<LeftOut> leftOut = new ArrayList<>();
        List<Pattern> kept = withoutSilent(factors, patterns, leftOut);
        Map<Factor, String> usual = new LinkedHashMap<>();
        List<Column> columns = columns(factors, kept, usual);
        columns = independent(factors, columns, kept, leftOut);
        if (columns.isEmpty()) {
            return Optional.empty();
        }
        List<Column> last = columns;
        List<LogisticRegression.Group> groups = grouped(last, kept);
        return LogisticRegression.of(groups)
                .map(fit -> new CauseModel(effects(factors, last, kept, fit), usual, leftOut, flowers(kept)));
    }

    private static int flowers(List<Pattern> patterns) {
        return patterns.stream().mapToInt(Pattern::flowers).sum();
    }

    /** Without classes of few flowers, and those that all took or all failed: no finite odds belong to them. */
    private static List<Pattern> withoutSilent(List<Factor> factors, List<Pattern> patterns, List<LeftOut> leftOut) {
        List<Pattern> kept =
                patterns.stream().filter(p -> p.flowers() > 0).collect(Collectors.toCollection(ArrayList::new));
        boolean again = true;
        while (again) {
            again = false;
            for (int f = 0; f < factors.size(); f++) {
                for (Map.Entry<String, int[]> level : sums(kept, f).entrySet()) {
                    Reason reason = silent(level.getValue()[0], level.getValue()[1]);
                    if (reason != null && sums(kept, f).size() > 1) {
                        int at = f;
                        leftOut.add(new LeftOut(
                                factors.get(f), level.getKey(), level.getValue()[0] + level.getValue()[1], reason));
                        kept.removeIf(p -> p.classes().get(at).equals(level.getKey()));
                        again = true;
                    }
                }
            }
        }
        return kept;
    }

    private static Reason silent(int taken, int failed) {
        if (taken + failed < LEAST_FLOWERS) {
            return Reason.FEW;
        }
        return failed == 0 ? Reason.ALL_TOOK : taken == 0 ? Reason.ALL_FAILED : null;
    }

    private static Map<String, int[]> sums(List<Pattern> patterns, int factor) {
        Map<String, int[]> sums = new LinkedHashMap<>();
        for (Pattern p : patterns) {
            int[] sum = sums.computeIfAbsent(p.classes().get(factor), k -> new int[2]);
            sum[0] += p.taken();
            sum[1] += p.failed();
        }
        return sums;
    }

    /** One column for each class but the usual one of its factor. */
    private static List<Column> columns(List<Factor> factors, List<Pattern> kept, Map<Factor, String> usual) {
        List<Column> columns = new ArrayList<>();
        for (int f = 0; f < factors.size(); f++) {
            Map<String, int[]> sums = sums(kept, f);
            if (sums.size() < 2) {
                continue;
            }
            String most = sums.entrySet().stream()
                    .max(Comparator.<Map.Entry<String, int[]>>comparingInt(e -> e.getValue()[0] + e.getValue()[1])
                            .thenComparing(Map.Entry::getKey))
                    .orElseThrow()
                    .getKey();
            usual.put(factors.get(f), most);
            int factor = f;
            sums.keySet().stream()
                    .filter(level -> !level.equals(most))
                    .sorted()
                    .forEach(level -> columns.add(new Column(factor, level)));
        }
        return columns;
    }

    /** Without the columns that follow from those before them: Gram-Schmidt over the distinct patterns. */
    private static List<Column> independent(
            List<Factor> factors, List<Column> columns, List<Pattern> kept, List<LeftOut> leftOut) {
        List<double[]> basis = new ArrayList<>();
        basis.add(unit(DoubleStream.generate(() -> 1).limit(kept.size()).toArray()));
        List<Column> free = new ArrayList<>();
        for (Column column : columns) {
            double[] rest = kept.stream().mapToDouble(p -> has(p, column)).toArray();
            double length = Math.sqrt(dot(rest, rest));
            for (double[] b : basis) {
                double share = dot(rest, b);
                for (int i = 0; i < rest.length; i++) {
                    rest[i] -= share * b[i];
                }
            }
            if (Math.sqrt(dot(rest, rest)) > 1e-6 * length) {
                basis.add(unit(rest));
                free.add(column);
            } else {
                int[] sum = sums(kept, column.factor()).get(column.level());
                leftOut.add(new LeftOut(
                        factors.get(column.factor()), column.level(), sum[0] + sum[1], Reason.GOES_WITH_OTHERS));
            }
        }
        return free;
    }

    private static double[] unit(double[] v) {
        double length = Math.sqrt(dot(v, v));
        return DoubleStream.of(v).map(x -> x / length).toArray();
    }

    private static double dot(double[] a, double[] b) {
        return IntStream.range(0, a.length).mapToDouble(i -> a[i] * b[i]).sum();
    }

    private static double has(Pattern pattern, Column column) {
        return pattern.classes().get(column.factor()).equals(column.level()) ? 1 : 0;
    }

    private static List<LogisticRegression.Group> grouped(List<Column> columns, List<Pattern> kept) {
        Map<List<Double>, int[]> sums = new HashMap<>();
        for (Pattern p : kept) {
            List<Double> row = columns.stream().map(c -> has(p, c)).toList();
            int[] sum = sums.computeIfAbsent(row, k -> new int[2]);
            sum[0] += p.taken();
            sum[1] += p.failed();
        }
        return sums.entrySet().stream()
                .map(e -> new LogisticRegression.Group(
                        e.getKey(), new Proportion(e.getValue()[0], e.getValue()[0] + e.getValue()[1])))
                .toList();
    }

    private static List<Effect> effects(
            List<Factor> factors, List<Column> columns, List<Pattern> kept, LogisticRegression fit) {
        List<Map<String, int[]>> sums = new ArrayList<>();
        IntStream.range(0, factors.size()).forEach(f -> sums.add(sums(kept, f)));
        List<Effect> effects = new ArrayList<>();
        for (int c = 0; c < columns.size(); c++) {
            Column column = columns.get(c);
            int[] sum = sums.get(column.factor()).get(column.level());
            effects.add(new Effect(
                    factors.get(column.factor()),
                    column.level(),
                    sum[0] + sum[1],
                    TwoShares.aroundLog(
                            Math.exp(fit.coefficients().get(c + 1)),
                            fit.standardErrors().get(c + 1),
                            Proportion.USUAL_CONFIDENCE)));
        }
        return effects;
    }
}
