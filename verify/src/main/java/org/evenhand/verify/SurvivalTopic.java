package org.evenhand.verify;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.Proportion;

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
        KaplanMeier retention = KaplanMeier.of(
                happened(in), in.optionalNumber("confidence").orElse(Proportion.USUAL_CONFIDENCE), scale(in));
        refuseSilentLog(in, retention);
        List<Object> errors = new ArrayList<>();
        List<Object> lower = new ArrayList<>();
        List<Object> upper = new ArrayList<>();
        for (KaplanMeier.Step step : retention.steps()) {
            errors.add(step.standardError().isPresent() ? step.standardError().getAsDouble() : null);
            lower.add(step.interval().map(Proportion.Interval::lower).orElse(null));
            upper.add(step.interval().map(Proportion.Interval::upper).orElse(null));
        }
        Map<String, Object> answer = new HashMap<>();
        answer.put(
                "eventTimes",
                retention.steps().stream().map(KaplanMeier.Step::time).toList());
        answer.put(
                "survival",
                retention.steps().stream().map(KaplanMeier.Step::share).toList());
        answer.put("standardErrorGreenwood", errors);
        answer.put("lower", lower);
        answer.put("upper", upper);
        answer.put(
                "medianSurvival",
                retention.median().isPresent() ? retention.median().getAsDouble() : null);
        return answer;
    }

    private static KaplanMeier.Scale scale(Inputs in) {
        return switch (in.optionalText("interval").orElse("log-log")) {
            case "plain" -> KaplanMeier.Scale.PLAIN;
            case "log" -> KaplanMeier.Scale.LOG;
            case "log-log" -> KaplanMeier.Scale.LOG_LOG;
            default -> throw in.wrong("interval", "must be plain, log or log-log, is " + in.text("interval"));
        };
    }

    /** With few it happens that no upper end on the logarithm's scale stays below 1: such an interval says nothing. */
    private static void refuseSilentLog(Inputs in, KaplanMeier retention) {
        boolean silent = scale(in) == KaplanMeier.Scale.LOG
                && retention.steps().stream()
                        .flatMap(s -> s.interval().stream())
                        .allMatch(i -> i.upper() >= 1);
        if (silent && !retention.steps().isEmpty()) {
            throw in.wrong("interval", "log has its upper end at 1 throughout with so few followed; take log-log");
        }
    }

    private static Map<String, Object> logRank(Inputs in) {
        in.requireAsLong("group", "times");
        Map<Double, List<KaplanMeier.At>> groups = new TreeMap<>();
        List<Double> group = in.numbers("group");
        List<KaplanMeier.At> happened = happened(in);
        for (int i = 0; i < happened.size(); i++) {
            groups.computeIfAbsent(group.get(i), g -> new ArrayList<>()).add(happened.get(i));
        }
        KaplanMeier.Alike alike = KaplanMeier.alike(List.copyOf(groups.values()))
                .orElseThrow(() -> in.wrong("group", "has fewer than two groups at risk while anything was lost"));
        return Map.of(
                "chiSquared", alike.chiSquared(),
                "degreesOfFreedom", alike.degreesOfFreedom(),
                "pValue", alike.p());
    }

    private static List<KaplanMeier.At> happened(Inputs in) {
        in.requireAsLong("event", "times");
        List<Double> times = in.numbers("times");
        List<Integer> event = in.wholes("event");
        List<KaplanMeier.At> happened = new ArrayList<>();
        for (int i = 0; i < times.size(); i++) {
            if (event.get(i) != 0 && event.get(i) != 1) {
                throw in.wrong("event[" + i + "]", "must be 1 (it happened) or 0 (last seen then), is " + event.get(i));
            }
            boolean lost = event.get(i) == 1;
            happened.add(new KaplanMeier.At(times.get(i), lost ? 1 : 0, lost ? 0 : 1));
        }
        return happened;
    }
}
