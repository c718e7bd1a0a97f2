package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.Require;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Service;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private final KeptPlans kept;
    private final RoundChoices choices;
    private final AwayAdvice away;

    Plans(KeptPlans kept, RoundChoices choices, AwayAdvice away) {
        this.kept = kept;
        this.choices = choices;
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
                made.choices().isEmpty()
                        ? null
                        : Math.max(0, words.fruits(made.chosen().free().stops()) - words.fruits(plan.stops())));
    }

    private static List<String> obstacles(SolvedOrchard solved) {
        List<String> obstacles = new ArrayList<>(solved.hours().obstacles());
        if (solved.anyHour() && solved.made().sources().isEmpty()) {
            obstacles.add("There is no pollen: none on the shelf is alive, and no flower gives any on these days.");
        }
        return obstacles;
    }
}
