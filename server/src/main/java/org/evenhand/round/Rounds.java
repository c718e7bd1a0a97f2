package org.evenhand.round;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.round.FreeHours;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans one round, with the jars on the shelf, with what can be collected first, and with an eye on the days after it. */
@Service
class Rounds {
    private static final Duration FARTHEST = Duration.ofHours(72);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Duration THIS_ROUND = Duration.ofHours(12);
    /** So many days, today's included, are looked at for flowers that doses had better wait for. */
    private static final int KEEPS_FOR_DAYS = 4;

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
    RoundView plan(Caller caller, Instant asked, Integer mostFlowers) {
        PlanGround ground = making.ground(caller);
        PlanSlots hours = new PlanSlots(ground, KEEPS_FOR_DAYS);
        MadePlan made = asked == null
                ? next(ground, hours.slots())
                : making.make(ground, slots(checked(asked, ground), hours, mostFlowers));
        PlanSlot slot = made.slots().get(0);
        PlanWords words = new PlanWords(made, crops);
        List<RoundView.StopView> first = words.stops(0);
        List<RoundView.StopView> stops = second.with(made, slot.at(), first);
        return new RoundView(
                slot.at(),
                asked == null && !first.isEmpty()
                        ? new RoundView.Hours(slot.at(), slot.free().until(), receptive(ground, slot.at()))
                        : null,
                words.collect(0),
                stops,
                words.kept(),
                words.leftNow(),
                words.waiting(),
                pollinations.visitsSince(caller, ground.now().minus(THIS_ROUND)),
                first.stream().mapToDouble(RoundView.StopView::expected).sum(),
                made.plan().proven(),
                cautions(ground, stops));
    }

    /** The plan from the first visit on in which anything is done; that of this hour where nothing is. */
    private MadePlan next(PlanGround ground, List<PlanSlot> slots) {
        if (slots.isEmpty()) {
            return making.make(ground, List.of(at(ground.now(), RoundRequest.NO_LIMIT)));
        }
        MadePlan made = making.make(ground, slots);
        PlanWords words = new PlanWords(made, crops);
        int first = IntStream.range(0, slots.size())
                .filter(r -> !words.stops(r).isEmpty())
                .findFirst()
                .orElse(0);
        return first == 0 ? made : making.make(ground, slots.subList(first, slots.size()));
    }

    /** The hour itself, and the rounds that could follow it in later free hours. */
    private static List<PlanSlot> slots(Instant at, PlanSlots hours, Integer mostFlowers) {
        List<PlanSlot> slots = new ArrayList<>();
        slots.add(at(at, mostFlowers == null ? RoundRequest.NO_LIMIT : mostFlowers));
        hours.slots().stream().filter(s -> s.at().isAfter(at)).forEach(slots::add);
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
