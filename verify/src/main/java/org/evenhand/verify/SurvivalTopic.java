package org.evenhand.verify;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.evenhand.core.findings.Proportion;
import org.evenhand.core.findings.Retention;

/** Shares that hold over time, and whether groups lose alike. */
final class SurvivalTopic implements Topic {
    @Override
    public String name() {
        return "survival";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return switch (inputs.text("kind")) {
            case "kaplan-meier" -> Optional.of(retention(inputs));
            case "log-rank" -> Optional.of(logRank(inputs));
            default -> Optional.empty();
        };
    }

    private static Map<String, Object> retention(Inputs in) {
        Retention retention =
                Retention.of(happened(in), in.optionalNumber("confidence").orElse(Proportion.USUAL_CONFIDENCE));
        List<Object> errors = new ArrayList<>();
        List<Object> lower = new ArrayList<>();
        List<Object> upper = new ArrayList<>();
        for (Retention.Step step : retention.steps()) {
            errors.add(step.standardError().isPresent() ? step.standardError().getAsDouble() : null);
            lower.add(step.interval().map(Proportion.Interval::lower).orElse(null));
            upper.add(step.interval().map(Proportion.Interval::upper).orElse(null));
        }
        Map<String, Object> answer = new HashMap<>();
        answer.put(
                "eventTimes",
                retention.steps().stream().map(Retention.Step::time).toList());
        answer.put(
                "survival",
                retention.steps().stream().map(Retention.Step::share).toList());
        answer.put("standardErrorGreenwood", errors);
        answer.put("lower", lower);
        answer.put("upper", upper);
        answer.put(
                "medianSurvival",
                retention.median().isPresent() ? retention.median().getAsDouble() : null);
        return answer;
    }

    private static Map<String, Object> logRank(Inputs in) {
        Map<Double, List<Retention.At>> groups = new TreeMap<>();
        List<Double> group = in.numbers("group");
        List<Retention.At> happened = happened(in);
        for (int i = 0; i < happened.size(); i++) {
            groups.computeIfAbsent(group.get(i), g -> new ArrayList<>()).add(happened.get(i));
        }
        Retention.Alike alike = Retention.alike(List.copyOf(groups.values())).orElseThrow();
        return Map.of(
                "chiSquared", alike.chiSquared(),
                "degreesOfFreedom", alike.degreesOfFreedom(),
                "pValue", alike.p());
    }

    private static List<Retention.At> happened(Inputs in) {
        List<Double> times = in.numbers("times");
        List<Double> event = in.numbers("event");
        List<Retention.At> happened = new ArrayList<>();
        for (int i = 0; i < times.size(); i++) {
            boolean lost = event.get(i) == 1;
            happened.add(new Retention.At(times.get(i), lost ? 1 : 0, lost ? 0 : 1));
        }
        return happened;
    }
}
