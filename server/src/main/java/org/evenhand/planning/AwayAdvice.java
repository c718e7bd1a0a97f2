package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evenhand.availability.SettingsView;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.pollen.LotView;
import org.springframework.stereotype.Component;

/** What being away means: what to do before, what is let go, which pollen to keep. */
@Component
class AwayAdvice {
    /** What to do before one goes, what is let go, and which pollen to keep. */
    List<PlanView.AwayWords> of(PlanningContext ground, int days) {
        LocalDate today = ground.now().atZone(ground.zone()).toLocalDate();
        return ground.settings().away().stream()
                .filter(a -> !a.last().isBefore(today) && a.first().isBefore(today.plusDays(days)))
                .map(a -> new PlanView.AwayWords(a.first(), a.last(), a.note(), beforeLeaving(ground, a)))
                .toList();
    }

    private List<String> beforeLeaving(PlanningContext ground, SettingsView.Away a) {
        List<String> todo = new ArrayList<>();
        Instant leave = a.first().atStartOfDay(ground.zone()).toInstant();
        Instant back = a.last().plusDays(1).atStartOfDay(ground.zone()).toInstant();
        if (leave.isAfter(ground.now())) {
            todo.add("Until you leave the plan does the flowers first that will be past when you are back.");
            todo.addAll(openedEarly(ground, leave.minus(Duration.ofHours(6))));
        }
        letGo(ground, leave, back).ifPresent(todo::add);
        for (LotView lot : ground.jars()) {
            if (lot.dosesLeft() > 0 && !lot.viability().spoiled()) {
                boolean keeps = lot.viability().goodUntil() != null
                        && lot.viability().goodUntil().isAfter(back);
                todo.add(
                        keeps
                                ? lot.code() + " keeps until you are back."
                                : lot.code() + " will be too old by then: use it before, or freeze it dry.");
            }
        }
        return todo;
    }

    /** Flowers that open and are past meanwhile, all trees together and the tree that loses most. */
    private static Optional<String> letGo(PlanningContext ground, Instant leave, Instant back) {
        Instant from = leave.isBefore(ground.now()) ? ground.now() : leave;
        Instant farthest = ground.now().plus(Forecasts.AHEAD);
        Instant until = back.isAfter(farthest) ? farthest : back;
        AnthesisForecast openings = AnthesisForecast.at(AnthesisForecast.everyHalfDay(from, until));
        Map<String, Double> byTree = new LinkedHashMap<>();
        ground.trees().stream()
                .filter(t -> t.sheet().receives())
                .forEach(t -> byTree.put(t.tree().name(), openings.openAndPast(t.sheet(), t.forecast())));
        double all = byTree.values().stream().mapToDouble(d -> d).sum();
        return all < 1
                ? Optional.empty()
                : byTree.entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .map(most -> String.format(
                                Locale.ROOT,
                                "About %.0f flowers open and are past while you are away, most of them, %.0f, on %s%s: let them go, or ask somebody.",
                                all,
                                most.getValue(),
                                most.getKey(),
                                until.isBefore(back) ? ", as far as can be foreseen" : ""));
    }

    /** Flowers that open on the day of leaving may be opened and done the evening before. */
    private static List<String> openedEarly(PlanningContext ground, Instant evening) {
        if (evening.isBefore(ground.now())) {
            return List.of();
        }
        AnthesisForecast openings = AnthesisForecast.at(List.of(evening, evening.plus(Duration.ofHours(24))));
        return ground.trees().stream()
                .filter(t -> t.sheet().receives())
                .flatMap(t -> openedEarly(t, openings.openAfterFirst(t.sheet(), t.forecast())).stream())
                .toList();
    }

    private static Optional<String> openedEarly(Foreseen tree, double next) {
        return next < 1
                ? Optional.empty()
                : Optional.of(String.format(
                        Locale.ROOT,
                        "%s: about %.0f more open the day after; those only just opening can be parted by hand and done before you go.",
                        tree.tree().name(),
                        next));
    }
}
