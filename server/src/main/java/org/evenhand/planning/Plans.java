package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.core.planning.LearnedPace;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ShownMeanwhile;
import org.evenhand.permit.Permits;
import org.springframework.stereotype.Service;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private final KeptPlans kept;
    private final PollenOverrides choices;
    private final AwayAdvice away;
    private final PlanOverrides overrides;
    private final DueWork due;
    private final Permits permits;

    Plans(
            KeptPlans kept,
            PollenOverrides choices,
            AwayAdvice away,
            PlanOverrides overrides,
            DueWork due,
            Permits permits) {
        this.permits = permits;
        this.due = due;
        this.kept = kept;
        this.choices = choices;
        this.overrides = overrides;
        this.away = away;
    }

    /**
     * The first days of the one plan.
     *
     * @param days today's included, 1 to {@value VisitWindows#DAYS}
     */
    PlanView plan(Caller caller, int days) {
        Require.within("days", days, 1, VisitWindows.DAYS);
        ShownMeanwhile.Shown<SolvedOrchard> shown = kept.shown(caller);
        SolvedOrchard solved = shown.value();
        // Not one within the other: what is kept is locked while it is made.
        OfAnyDays same = solved.once("of any days", () -> ofAnyDays(caller, solved));
        PlanView view = solved.once("plan of " + days, () -> view(solved, days, same));
        return shown.age() == null ? view : view.ofAge(shown.age());
    }

    /** What does not depend on how many days are asked for. */
    private record OfAnyDays(
            PlanView.Account account,
            List<PlanView.ReadNext> readNext,
            List<PlanView.Due> due,
            List<PlanView.Chosen> choices,
            List<PlanView.OverrideView> overrides) {}

    private OfAnyDays ofAnyDays(Caller caller, SolvedOrchard solved) {
        PreparedPlan made = solved.made();
        PlanWords words = solved.words();
        return new OfAnyDays(
                solved.anyHour() ? new FlowerAccounts(made, words, words.firstDone()).account() : null,
                solved.anyHour() ? new ReadingAdvice(made, words.firstDone()).trees() : List.of(),
                due.of(solved),
                choices.views(caller, made.choices(), made.chosen().problems()),
                overrides.views(caller, solved.ground().now(), solved.ground().zone(), o -> problem(solved, o)));
    }

    private PlanView view(SolvedOrchard solved, int days, OfAnyDays same) {
        PreparedPlan made = solved.made();
        PlanWords words = solved.words();
        RoundPlan plan = made.plan();
        Instant end = solved.ground().now().plus(Duration.ofDays(days));
        List<PlanView.Round> rounds = words.roundsUntil(end);
        return new PlanView(
                solved.hours().moments(days),
                solved.hours().receptive(days),
                solved.hours().shedding(days),
                rounds,
                same.account(),
                same.readNext(),
                same.due(),
                words.leftUntil(made.lastBefore(end)),
                words.keptAfter(0),
                words.spare(),
                same.choices(),
                away.of(solved.ground(), days),
                obstacles(solved),
                plan.value(),
                rounds.stream().mapToDouble(PlanView.Round::expectedFruits).sum(),
                plan.proven(),
                plan.bound() - plan.value(),
                paces(solved.ground()),
                same.overrides(),
                solved.cost(),
                null);
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

    /** What keeps a visit from being made at its hour; null where nothing does. */
    private static String problem(SolvedOrchard solved, PlanOverride of) {
        boolean idle = of.kind() == PlanOverride.Kind.VISIT_AT
                && solved.made().roundAt(of.visitAt()).stream()
                        .anyMatch(r -> solved.words().stops(r).isEmpty());
        return idle ? "Nothing can be pollinated then: no flower is receptive, or no pollen fits." : null;
    }

    /** What is told of the kept plan, worked out once as long as that stands. */
    <T> T once(Caller caller, String what, Supplier<T> tell) {
        return kept.of(caller).once(what, tell);
    }

    /** What one override more would cost. */
    PlanView.OverrideCost cost(Caller caller, OverrideRequest request) {
        OverrideRequest checked = overrides.checked(caller, request);
        SolvedOrchard now = kept.of(caller);
        double before = now.made().fruits();
        double then = kept.trial(now.hours().and(checked)).fruits();
        return new PlanView.OverrideCost(before, then, Math.max(0, before - then));
    }

    private List<Text> obstacles(SolvedOrchard solved) {
        List<Text> obstacles = new ArrayList<>(solved.hours().obstacles());
        if (solved.anyHour() && solved.made().sources().isEmpty()) {
            obstacles.add(Text.of("obstacle.no-pollen"));
        }
        obstacles.addAll(permitsMissing(solved.ground()));
        return obstacles;
    }

    /** Pollen that is moved is spoken of where that is written down. */
    private List<Text> permitsMissing(PlanningContext ground) {
        LocalDate today = ground.now().atZone(ground.zone()).toLocalDate();
        return permits.notices(ground.caller(), today).stream()
                .filter(n -> n.scope() == PermitScope.FLOWERS)
                .map(n -> switch (n.state()) {
                    case MISSING, HOLDS -> Text.of("obstacle.permit-missing", "sheet", String.join(", ", n.crops()));
                    case NOT_YET ->
                        Text.of("obstacle.permit-not-yet", "sheet", String.join(", ", n.crops()), "day", n.day());
                    case ENDED ->
                        Text.of("obstacle.permit-ended", "sheet", String.join(", ", n.crops()), "day", n.day());
                    case ENDS_SOON ->
                        Text.of("obstacle.permit-ends", "sheet", String.join(", ", n.crops()), "day", n.day());
                })
                .toList();
    }
}
