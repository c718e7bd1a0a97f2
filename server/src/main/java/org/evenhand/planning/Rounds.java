package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Service;

/** Plans one round, with the jars on the shelf, with what can be collected first, and with an eye on the days after it. */
@Service
public class Rounds {
    private static final Duration FARTHEST = Duration.ofHours(72);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Duration THIS_ROUND = Duration.ofHours(12);

    private final PlanMaking making;
    private final Pollinations pollinations;
    private final KeptPlans kept;

    Rounds(PlanMaking making, Pollinations pollinations, KeptPlans kept) {
        this.kept = kept;
        this.making = making;
        this.pollinations = pollinations;
    }

    /** The visit of an hour, as if somebody had set it there; without one, the next of the plan of the coming days. */
    public RoundView plan(Caller caller, Instant asked) {
        SolvedOrchard solved = kept.of(caller);
        if (asked == null) {
            return solved.once(
                    "next round",
                    () -> view(
                            solved.made(),
                            solved.words(),
                            solved.anyHour(),
                            solved.words().firstDone()));
        }
        Instant at = checked(asked, solved.ground());
        PreparedPlan made = making.make(solved.hours().and(OverrideRequest.visitAt(at)));
        return view(made, new PlanWords(made), false, made.roundAt(at).orElseThrow());
    }

    /** @param next whether it is the next visit of the plan; else an hour that was asked for, or none */
    private RoundView view(PreparedPlan made, PlanWords words, boolean next, int round) {
        PlanningContext ground = made.ground();
        VisitWindow slot = made.slots().get(round);
        List<RoundView.StopView> stops = words.stops(round);
        return new RoundView(
                slot.at(),
                next && !stops.isEmpty()
                        ? new RoundView.Hours(slot.at(), slot.free().until())
                        : null,
                words.collect(round),
                stops,
                words.keptAfter(round),
                words.lostIn(round),
                words.waitingAfter(round),
                pollinations.visitsSince(ground.caller(), ground.now().minus(THIS_ROUND)),
                words.expected(round),
                made.plan().proven(),
                cautions(ground, stops));
    }

    /** Of the crops that the walk comes to. */
    private static List<String> cautions(PlanningContext ground, List<RoundView.StopView> stops) {
        Set<UUID> walked = stops.stream().map(RoundView.StopView::treeId).collect(Collectors.toSet());
        return ground.trees().stream()
                .filter(t -> walked.contains(t.tree().id()))
                .map(Foreseen::sheet)
                .distinct()
                .flatMap(s -> s.cautions().stream())
                .distinct()
                .toList();
    }

    private static Instant checked(Instant asked, PlanningContext ground) {
        Instant now = ground.now();
        if (asked.isBefore(now.minus(STEP)) || asked.isAfter(now.plus(FARTHEST))) {
            throw new InvalidInputException(
                    "at",
                    "is " + Given.say(asked, ground.zone()) + "; a visit can be planned from now, "
                            + Given.say(now, ground.zone()) + ", up to " + FARTHEST.toHours() + " hours ahead.");
        }
        return asked.isBefore(now) ? now : asked;
    }
}
