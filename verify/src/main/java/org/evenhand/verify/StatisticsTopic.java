package org.evenhand.verify;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.statistics.BetaPosterior;
import org.evenhand.core.statistics.LogisticRegression;
import org.evenhand.core.statistics.MantelHaenszelRatio;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/** Shares and their intervals. */
final class StatisticsTopic implements Topic {
    @Override
    public String name() {
        return "statistics";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return switch (inputs.text("mode")) {
            case "proportion" -> Optional.of(proportion(inputs));
            case "beta_binomial" -> Optional.of(betaBinomial(inputs));
            case "plan_binomial" ->
                Optional.of(budget(FlowerBudget.known(inputs.whole("k"), inputs.number("p"), inputs.number("c"))));
            case "plan_beta_binomial" ->
                Optional.of(budget(FlowerBudget.believed(
                        inputs.whole("k"),
                        new BetaPosterior(inputs.number("a"), inputs.number("b")),
                        inputs.number("c"))));
            case "two_proportions" -> Optional.of(twoShares(inputs));
            case "fisher" -> Optional.of(fisher(inputs));
            case "mantel_haenszel_rr" -> Optional.of(pooled(inputs));
            case "logistic" -> Optional.of(logistic(inputs));
            case "logistic_separated" -> Optional.of(separated(inputs));
            default -> Optional.empty();
        };
    }

    private static Map<String, Object> budget(FlowerBudget b) {
        return Map.of(
                "n", b.flowers(),
                "probability_at_n", b.chance(),
                "probability_at_n_minus_1", b.chanceOfOneLess());
    }

    private static Map<String, Object> betaBinomial(Inputs inputs) {
        BetaPosterior belief = new BetaPosterior(inputs.number("prior_a"), inputs.number("prior_b"))
                .after(inputs.number("x"), inputs.number("n"));
        BetaPosterior.Predictive next = belief.next(inputs.whole("m"));
        Map<String, Double> atLeast = new HashMap<>();
        inputs.wholes("at_least").forEach(k -> atLeast.put(String.valueOf(k), next.atLeast(k)));
        double level = level(inputs);
        return Map.of(
                "posterior_a",
                belief.a(),
                "posterior_b",
                belief.b(),
                "posterior_mean",
                belief.mean(),
                inputs.absent("confidence_level") ? "posterior_95" : "posterior_interval",
                pair(belief.interval(level)),
                "predictive_mean",
                next.mean(),
                "predictive_sd",
                next.standardDeviation(),
                "predictive_p_at_least",
                atLeast,
                "predictive_quantile_0_05",
                next.quantile(0.05),
                "predictive_quantile_0_95",
                next.quantile(0.95),
                "predictive_pmf",
                Arrays.stream(next.probabilities()).boxed().toList());
    }

    private static Map<String, Object> proportion(Inputs inputs) {
        Proportion proportion = new Proportion(inputs.whole("x"), inputs.whole("n"));
        double confidence = level(inputs);
        return Map.of(
                "wilson", pair(proportion.wilson(confidence)),
                "clopper_pearson", pair(proportion.clopperPearson(confidence)),
                "jeffreys", pair(proportion.jeffreys(confidence)));
    }

    private static Map<String, Object> twoShares(Inputs in) {
        TwoProportions shares = new TwoProportions(
                new Proportion(in.whole("x1"), in.whole("n1")), new Proportion(in.whole("x2"), in.whole("n2")));
        Map<String, Object> answer = new HashMap<>();
        answer.put("newcombe_difference", estimate("difference", shares.difference(level(in))));
        answer.put(
                "katz_risk_ratio",
                shares.ratio(level(in)).map(r -> estimate("ratio", r)).orElse(null));
        answer.put("fisher_two_sided_p", shares.exactP());
        return answer;
    }

    private static Map<String, Object> fisher(Inputs in) {
        List<List<Double>> table = in.pairs("table");
        if (table.size() != 2) {
            throw in.wrong("table", "must have two rows, has " + table.size());
        }
        table.forEach(row -> row.forEach(n -> requireCount(in, "table", n)));
        return Map.of("p_two_sided", new TwoProportions(share(table.get(0)), share(table.get(1))).exactP());
    }

    private static double level(Inputs in) {
        double level = in.optionalNumber("confidence_level").orElse(Proportion.USUAL_CONFIDENCE);
        if (!(level > 0 && level < 1)) {
            throw in.wrong("confidence_level", "is " + level + "; it must lie between 0 and 1");
        }
        return level;
    }

    private static void requireCount(Inputs in, String field, double n) {
        if (!(n >= 0 && n == Math.rint(n) && n <= Integer.MAX_VALUE / 4)) {
            throw in.wrong(field, "holds " + n + "; it must hold whole numbers, 0 or more");
        }
    }

    private static Proportion share(List<Double> row) {
        return new Proportion(row.get(0).intValue(), (int) (row.get(0) + row.get(1)));
    }

    private static Map<String, Object> pooled(Inputs in) {
        if (in.children("strata").size() < 2) {
            throw in.wrong("strata", "is one; a ratio is pooled over two or more, of one ask two_proportions");
        }
        MantelHaenszelRatio pooled = MantelHaenszelRatio.of(
                        in.children("strata").stream()
                                .map(s -> new TwoProportions(
                                        new Proportion(s.whole("x1"), s.whole("n1")),
                                        new Proportion(s.whole("x0"), s.whole("n0"))))
                                .toList(),
                        level(in))
                .orElseThrow(() -> in.wrong("strata", "have no success on one of the two sides; no ratio can be said"));
        Map<String, Object> answer = new HashMap<>(estimate("ratio", pooled.ratio()));
        answer.put("se_log", pooled.standardErrorOfLog());
        return answer;
    }

    private static Map<String, Object> logistic(Inputs in) {
        LogisticRegression fit = LogisticRegression.of(groups(in))
                .orElseThrow(() -> in.wrong(
                        "X",
                        "splits successes from failures, so that no finite estimate exists; ask logistic_separated"));
        return Map.of(
                "coefficients_intercept_first", fit.coefficients(),
                "standard_errors", fit.standardErrors(),
                "log_likelihood", fit.logLikelihood(),
                "deviance", fit.deviance());
    }

    private static Map<String, Object> separated(Inputs in) {
        boolean exists = LogisticRegression.of(groups(in)).isPresent();
        return Map.of("separated", !exists, "maximum_likelihood_exists", exists);
    }

    private static List<LogisticRegression.Group> groups(Inputs in) {
        in.requireAsLong("y", "X");
        if (!in.absent("n")) {
            in.requireAsLong("n", "X");
        }
        List<List<Double>> causes = in.rows("X");
        List<Integer> successes = in.wholes("y");
        List<Integer> trials = in.absent("n") ? Collections.nCopies(successes.size(), 1) : in.wholes("n");
        return IntStream.range(0, causes.size())
                .mapToObj(i ->
                        new LogisticRegression.Group(causes.get(i), new Proportion(successes.get(i), trials.get(i))))
                .toList();
    }

    private static Map<String, Object> estimate(String name, TwoProportions.Estimate e) {
        return Map.of(name, e.value(), "lower", e.lower(), "upper", e.upper());
    }

    private static List<Double> pair(Proportion.Interval interval) {
        return List.of(interval.lower(), interval.upper());
    }
}
