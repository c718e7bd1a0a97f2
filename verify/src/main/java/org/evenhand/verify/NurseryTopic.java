package org.evenhand.verify;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.cross.NurseryCalendar;
import org.evenhand.core.cross.NurseryCalendar.DayOfYear;
import org.evenhand.core.cross.NurseryCalendar.Hemisphere;
import org.evenhand.core.cross.NurseryCalendar.Rule;
import org.evenhand.core.cross.NurseryCalendar.Season;
import org.evenhand.core.cross.SurvivalChain;
import org.evenhand.core.statistics.BetaPosterior;

/** Seeds on their way to judged trees: how many are needed, how many come through, and when each step is due. */
final class NurseryTopic implements Topic {
    @Override
    public String name() {
        return "nursery";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        return switch (in.text("mode")) {
            case "needed" -> Optional.of(needed(in));
            case "distribution" -> Optional.of(distribution(in));
            case "calendar" -> Optional.of(calendar(in));
            default -> Optional.empty();
        };
    }

    private static SurvivalChain chain(Inputs in) {
        return new SurvivalChain(in.children("stages").stream()
                .map(s -> SurvivalChain.Stage.of(
                        s.text("name"), new BetaPosterior(s.number("a"), s.number("b")), s.whole("x"), s.whole("n")))
                .toList());
    }

    private static Map<String, Object> needed(Inputs in) {
        SurvivalChain.Needed needed = chain(in).needed(in.whole("wanted"), in.number("confidence"), in.whole("limit"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("seeds", needed.seeds().orElse(null));
        answer.put("probability", needed.seeds().isPresent() ? needed.probability() : null);
        answer.put("probabilityOneFewer", needed.probabilityOneFewer().orElse(null));
        answer.put("probabilityAtLimit", needed.probabilityAtLimit());
        return answer;
    }

    private static Map<String, Object> distribution(Inputs in) {
        SurvivalChain chain = chain(in);
        int seeds = in.whole("seeds");
        SurvivalChain.Survivors survivors = chain.survivors(seeds);
        Map<String, Object> atLeast = new LinkedHashMap<>();
        in.wholes("atLeast").forEach(k -> atLeast.put(String.valueOf(k), survivors.atLeast(k)));
        return Map.of(
                "expectedAfterStage", chain.expectedAfterStage(seeds),
                "mean", survivors.mean(),
                "standardDeviation", survivors.standardDeviation(),
                "atLeast", atLeast);
    }

    private static Map<String, Object> calendar(Inputs in) {
        LocalDate harvest = in.date("harvest");
        Optional<String> hemisphere = in.optionalText("hemisphere");
        Map<String, Season> seasons = new LinkedHashMap<>();
        in.optionalChild("seasons")
                .ifPresent(all -> all.names().forEach(name -> {
                    Inputs season = all.child(name);
                    seasons.put(
                            name, new Season(DayOfYear.of(season.text("north")), DayOfYear.of(season.text("south"))));
                }));
        List<Rule> rules = new ArrayList<>();
        for (Inputs rule : in.children("rules")) {
            rule.refuseMoreThanOne("notBefore", "season");
            Optional<DayOfYear> day = rule.optionalText("notBefore").map(DayOfYear::of);
            Optional<DayOfYear> begins = rule.optionalText("season").map(name -> {
                if (!seasons.containsKey(name)) {
                    throw rule.wrong("season", "is '" + name + "', which is not among the seasons");
                }
                return seasons.get(name).in(of(in, hemisphere));
            });
            rules.add(new Rule(
                    rule.text("step"),
                    rule.text("after"),
                    rule.optionalWhole("days").orElse(0),
                    day.or(() -> begins)));
        }
        List<Map<String, Object>> dates = new ArrayList<>();
        new NurseryCalendar(rules)
                .dates(harvest)
                .forEach((step, date) -> dates.add(Map.of("step", step, "date", date.toString())));
        return Map.of("dates", dates);
    }

    private static Hemisphere of(Inputs in, Optional<String> given) {
        return given.filter(h -> h.equals("north") || h.equals("south"))
                .map(h -> Hemisphere.valueOf(h.toUpperCase(Locale.ROOT)))
                .orElseThrow(() -> in.wrong("hemisphere", "must be north or south where a season is named"));
    }
}
