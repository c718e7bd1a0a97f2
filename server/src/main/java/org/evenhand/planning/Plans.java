package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.planning.LearnedPace;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Service;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private final KeptPlans kept;
    private final RoundChoices choices;
    private final AwayAdvice away;
    private final PlanOverrides overrides;
    private final PlanMaking making;
    private final DueWork due;

    Plans(
            KeptPlans kept,
            RoundChoices choices,
            AwayAdvice away,
            PlanOverrides overrides,
            PlanMaking making,
            DueWork due) {
        this.due = due;
        this.kept = kept;
        this.choices = choices;
        this.overrides = overrides;
        this.making = making;
        this.away = away;
    }

    /**
     * The first days of the one plan.
     *
     * @param days today's included, 1 to {@value VisitWindows#DAYS}
     */
    PlanView plan(Caller caller, int days) {
        Require.within("days", days, 1, VisitWindows.DAYS);
        SolvedOrchard solved = kept.of(caller);
        return solved.once("plan of " + days, () -> view(caller, solved, days));
    }

    private PlanView view(Caller caller, SolvedOrchard solved, int days) {
        MadePlan made = solved.made();
        PlanWords words = solved.words();
        RoundPlan plan = made.plan();
        Instant end = solved.ground().now().plus(Duration.ofDays(days));
        List<PlanView.Round> rounds = words.roundsUntil(end);
        int last = made.lastBefore(end);
        return new PlanView(
                solved.hours().moments(days),
                solved.hours().taking(days),
                solved.hours().giving(days),
                rounds,
                solved.anyHour() ? new FlowerAccounts(made, words, words.firstDone()).account() : null,
                solved.anyHour() ? new ReadingAdvice(made, words.firstDone()).trees() : List.of(),
                due.of(solved),
                words.leftUntil(last),
                words.keptAfter(0),
                words.spare(),
                choices.views(caller, made.choices(), made.chosen().problems()),
                away.of(solved.ground(), days),
                obstacles(solved),
                plan.value(),
                rounds.stream().mapToDouble(PlanView.Round::expectedFruits).sum(),
                plan.proven(),
                plan.bound() - plan.value(),
                paces(solved.ground()),
                overrides(caller, solved),
                solved.cost());
    }

    private static List<PlanView.Pace> paces(PlanningContext ground) {
        Map<String, String> names = ground.trees().stream()
                .collect(Collectors.toMap(t -> t.sheet().key(), t -> t.sheet().name(), (a, b) -> a, TreeMap::new));
        return names.entrySet().stream()
                .filter(e -> ground.settings().useLearned() && ground.paces().containsKey(e.getKey()))
                .map(e -> {
                    LearnedPace pace = ground.paces().get(e.getKey());
                    return new PlanView.Pace(e.getValue(), pace.flowersPerHour(), pace.flowers(), pace.walks());
                })
                .toList();
    }

    /** Those that mean something still, with what keeps a visit from being made at its hour. */
    private List<PlanView.OverrideView> overrides(Caller caller, SolvedOrchard solved) {
        ZoneId zone = solved.ground().zone();
        return overrides.of(caller, solved.ground().now(), zone).stream()
                .map(o -> overrides.view(caller, o, problem(solved, o)))
                .toList();
    }

    private static String problem(SolvedOrchard solved, PlanOverride of) {
        MadePlan made = solved.made();
        return IntStream.range(0, made.slots().size())
                .filter(r -> made.slots().get(r).at().equals(of.visitAt()))
                .filter(r -> solved.words().stops(r).isEmpty())
                .mapToObj(r -> "Nothing can be pollinated then: no flower takes pollen, or none is there that fits.")
                .findFirst()
                .orElse(null);
    }

    /** What one override more would cost. */
    PlanView.OverrideCost cost(Caller caller, OverrideRequest request) {
        OverrideRequest checked = overrides.checked(caller, request);
        SolvedOrchard now = kept.of(caller);
        List<OverrideRequest> more = new ArrayList<>(now.ground().overrides());
        more.add(checked);
        MadePlan then = making.make(now.hours().with(more));
        return new PlanView.OverrideCost(
                now.made().fruits(), then.fruits(), Math.max(0, now.made().fruits() - then.fruits()));
    }

    private static List<String> obstacles(SolvedOrchard solved) {
        List<String> obstacles = new ArrayList<>(solved.hours().obstacles());
        if (solved.anyHour() && solved.made().sources().isEmpty()) {
            obstacles.add("There is no pollen: none on the shelf is alive, and no flower gives any on these days.");
        }
        return obstacles;
    }
}
