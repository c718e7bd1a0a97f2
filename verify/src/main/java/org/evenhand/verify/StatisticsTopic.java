package org.evenhand.verify;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evenhand.core.findings.BetaBelief;
import org.evenhand.core.findings.LogisticRegression;
import org.evenhand.core.findings.PooledRatio;
import org.evenhand.core.findings.Proportion;
import org.evenhand.core.findings.TwoShares;
import org.evenhand.core.round.FlowerBudget;

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
                        new BetaBelief(inputs.number("a"), inputs.number("b")),
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
        BetaBelief belief = new BetaBelief(inputs.number("prior_a"), inputs.number("prior_b"))
                .after(inputs.number("x"), inputs.number("n"));
        BetaBelief.Predictive next = belief.next(inputs.whole("m"));
        Map<String, Double> atLeast = new HashMap<>();
        inputs.numbers("at_least").forEach(k -> atLeast.put(String.valueOf(k.intValue()), next.atLeast(k.intValue())));
        return Map.of(
                "posterior_a", belief.a(),
                "posterior_b", belief.b(),
                "posterior_mean", belief.mean(),
                "posterior_95", pair(belief.interval(0.95)),
                "predictive_mean", next.mean(),
                "predictive_sd", next.standardDeviation(),
                "predictive_p_at_least", atLeast,
                "predictive_quantile_0_05", next.quantile(0.05),
                "predictive_quantile_0_95", next.quantile(0.95),
                "predictive_pmf", Arrays.stream(next.probabilities()).boxed().toList());
    }

    private static Map<String, Object> proportion(Inputs inputs) {
        Proportion proportion = new Proportion(inputs.whole("x"), inputs.whole("n"));
        double confidence = inputs.optionalNumber("confidence_level").orElse(Proportion.USUAL_CONFIDENCE);
        return Map.of(
                "wilson", pair(proportion.wilson(confidence)),
                "clopper_pearson", pair(proportion.clopperPearson(confidence)),
                "jeffreys", pair(proportion.jeffreys(confidence)));
    }

    private static Map<String, Object> twoShares(Inputs in) {
        TwoShares shares = new TwoShares(
                new Proportion(in.whole("x1"), in.whole("n1")), new Proportion(in.whole("x2"), in.whole("n2")));
        Map<String, Object> answer = new HashMap<>();
        answer.put("newcombe_difference", estimate("difference", shares.difference(Proportion.USUAL_CONFIDENCE)));
        answer.put(
                "katz_risk_ratio",
                shares.ratio(Proportion.USUAL_CONFIDENCE)
                        .map(r -> estimate("ratio", r))
                        .orElse(null));
        answer.put("fisher_two_sided_p", shares.exactP());
        return answer;
    }

    private static Map<String, Object> fisher(Inputs in) {
        List<List<Double>> table = in.pairs("table");
        return Map.of("p_two_sided", new TwoShares(share(table.get(0)), share(table.get(1))).exactP());
    }

    private static Proportion share(List<Double> row) {
        return new Proportion(row.get(0).intValue(), (int) (row.get(0) + row.get(1)));
    }

    private static Map<String, Object> pooled(Inputs in) {
        PooledRatio pooled = PooledRatio.of(
                        in.children("strata").stream()
                                .map(s -> new TwoShares(
                                        new Proportion(s.whole("x1"), s.whole("n1")),
                                        new Proportion(s.whole("x0"), s.whole("n0"))))
                                .toList(),
                        Proportion.USUAL_CONFIDENCE)
                .orElseThrow();
        Map<String, Object> answer = new HashMap<>(estimate("ratio", pooled.ratio()));
        answer.put("se_log", pooled.standardErrorOfLog());
        return answer;
    }

    private static Map<String, Object> logistic(Inputs in) {
        LogisticRegression fit = LogisticRegression.of(groups(in)).orElseThrow();
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
        List<List<Double>> causes = in.rows("X");
        List<Double> successes = in.numbers("y");
        List<Double> trials = in.absent("n") ? Collections.nCopies(successes.size(), 1.0) : in.numbers("n");
        return IntStream.range(0, causes.size())
                .mapToObj(i -> new LogisticRegression.Group(
                        causes.get(i),
                        new Proportion(
                                successes.get(i).intValue(), trials.get(i).intValue())))
                .toList();
    }

    private static Map<String, Object> estimate(String name, TwoShares.Estimate e) {
        return Map.of(name, e.value(), "lower", e.lower(), "upper", e.upper());
    }

    private static List<Double> pair(Proportion.Interval interval) {
        return List.of(interval.lower(), interval.upper());
    }
}
