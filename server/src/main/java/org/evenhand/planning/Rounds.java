package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.planning.FreeHours;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans one round, with the jars on the shelf, with what can be collected first, and with an eye on the days after it. */
@Service
public class Rounds {
    private static final Duration FARTHEST = Duration.ofHours(72);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Duration THIS_ROUND = Duration.ofHours(12);

    private final PlanMaking making;
    private final CropCatalogue crops;
    private final Pollinations pollinations;
    private final SecondVisits second;

    Rounds(PlanMaking making, CropCatalogue crops, Pollinations pollinations, SecondVisits second) {
        this.making = making;
        this.crops = crops;
        this.pollinations = pollinations;
        this.second = second;
    }

    /** The round of an hour; without one, the next of the plan of the coming days. */
    @Transactional(readOnly = true)
    public RoundView plan(Caller caller, Instant asked, Integer mostFlowers) {
        PlanGround ground = making.ground(caller);
        List<PlanSlot> hours = new PlanSlots(ground, PlanSlots.LOOKS_AHEAD_DAYS).slots();
        if (asked == null && hours.isEmpty()) {
            return view(making.make(ground, List.of(at(ground.now(), RoundRequest.NO_LIMIT))), false);
        }
        return asked == null
                ? view(making.make(ground, hours), true)
                : view(making.make(ground, slots(checked(asked, ground), hours, mostFlowers)), false);
    }

    /** @param next whether it is the next visit of the plan that is told; else its first round */
    private RoundView view(MadePlan made, boolean next) {
        PlanGround ground = made.ground();
        PlanWords words = new PlanWords(made, crops, second);
        int round = next ? words.firstDone() : 0;
        PlanSlot slot = made.slots().get(round);
        List<RoundView.StopView> stops = words.stops(round);
        return new RoundView(
                slot.at(),
                next && !stops.isEmpty()
                        ? new RoundView.Hours(slot.at(), slot.free().until(), receptive(ground, slot.at()))
                        : null,
                words.collect(round),
                stops,
                words.keptAfter(round),
                words.leftAfter(round),
                words.waitingAfter(round),
                pollinations.visitsSince(ground.caller(), ground.now().minus(THIS_ROUND)),
                words.expected(round),
                made.plan().proven(),
                cautions(ground, stops));
    }

    /** The hour itself, and the rounds that could follow it in later free hours. */
    private static List<PlanSlot> slots(Instant at, List<PlanSlot> hours, Integer mostFlowers) {
        List<PlanSlot> slots = new ArrayList<>();
        slots.add(at(at, mostFlowers == null ? RoundRequest.NO_LIMIT : mostFlowers));
        hours.stream().filter(s -> s.at().isAfter(at)).forEach(slots::add);
        return slots;
    }

    private static PlanSlot at(Instant at, int most) {
        return new PlanSlot(new FreeHours.Stretch(at, at.plus(Duration.ofHours(1))), at, "", most);
    }

    private static double receptive(PlanGround ground, Instant at) {
        return ground.trees().stream()
                .mapToDouble(t -> t.forecast().at(List.of(at)).get(0).taking().mean())
                .sum();
    }

    /** Of the crops that the walk comes to. */
    private static List<String> cautions(PlanGround ground, List<RoundView.StopView> stops) {
        Set<UUID> walked = stops.stream().map(RoundView.StopView::treeId).collect(Collectors.toSet());
        return ground.trees().stream()
                .filter(t -> walked.contains(t.tree().id()))
                .map(Foreseen::sheet)
                .distinct()
                .flatMap(s -> s.cautions().stream())
                .distinct()
                .toList();
    }

    private static Instant checked(Instant asked, PlanGround ground) {
        Instant now = ground.now();
        if (asked.isBefore(now.minus(STEP)) || asked.isAfter(now.plus(FARTHEST))) {
            throw new InvalidInputException(
                    "at",
                    "is " + Given.say(asked, ground.zone()) + "; a round can be planned from now, "
                            + Given.say(now, ground.zone()) + ", up to " + FARTHEST.toHours() + " hours ahead.");
        }
        return asked.isBefore(now) ? now : asked;
    }
}
