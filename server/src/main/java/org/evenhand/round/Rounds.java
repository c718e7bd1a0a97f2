package org.evenhand.round;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.core.bloom.TreeOutlook;
import org.evenhand.core.round.BestHours;
import org.evenhand.core.round.FreeHours;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.core.weather.SunDay;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans the round of one hour, with the jars on the shelf and with an eye on the days after it. */
@Service
class Rounds {
    private static final Duration FARTHEST = Duration.ofHours(72);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Duration LOOK_AHEAD = Duration.ofHours(24);
    private static final Duration THIS_ROUND = Duration.ofHours(12);
    /** So many days, today's included, are looked at for flowers that doses had better wait for. */
    private static final int KEEPS_FOR_DAYS = 4;

    private final PlanMaking making;
    private final CropCatalogue crops;
    private final Orchards orchards;
    private final PollenShelf shelf;
    private final Pollinations pollinations;
    private final SecondVisits second;
    private final Weather weather;

    Rounds(
            PlanMaking making,
            CropCatalogue crops,
            Orchards orchards,
            PollenShelf shelf,
            Pollinations pollinations,
            SecondVisits second,
            Weather weather) {
        this.making = making;
        this.crops = crops;
        this.orchards = orchards;
        this.shelf = shelf;
        this.pollinations = pollinations;
        this.second = second;
        this.weather = weather;
    }

    /** The round of an hour; without one, of the best hour from now on. */
    @Transactional(readOnly = true)
    RoundView plan(Caller caller, Instant asked, Integer mostFlowers) {
        PlanGround ground = making.ground(caller);
        Optional<RoundView.Hours> hours = bestHours(ground);
        Instant at = asked == null ? hours.map(RoundView.Hours::from).orElse(ground.now()) : checked(asked, ground);
        MadePlan made = making.make(ground, slots(ground, at, mostFlowers), 1);
        PlanWords words = new PlanWords(made, crops);
        List<RoundView.StopView> first = words.stops(0);
        List<RoundView.StopView> stops = second.with(made, at, first);
        return new RoundView(
                at,
                hours.orElse(null),
                stops,
                words.kept(),
                words.leftNow(),
                words.waiting(),
                pollinations.visitsSince(caller, ground.now().minus(THIS_ROUND)),
                first.stream().mapToDouble(RoundView.StopView::expected).sum(),
                made.plan().proven(),
                cautions(ground, stops));
    }

    /** The hour itself, and the rounds that could follow it in later free hours. */
    private static List<PlanSlot> slots(PlanGround ground, Instant at, Integer mostFlowers) {
        int most = mostFlowers == null ? RoundRequest.NO_LIMIT : mostFlowers;
        List<PlanSlot> slots = new ArrayList<>();
        slots.add(new PlanSlot(new FreeHours.Stretch(at, at.plus(Duration.ofHours(1))), at, "", most));
        new PlanSlots(ground, KEEPS_FOR_DAYS)
                .slots().stream().filter(s -> s.free().from().isAfter(at)).forEach(slots::add);
        return slots;
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

    private Optional<RoundView.Hours> bestHours(PlanGround ground) {
        Instant now = ground.now();
        List<Instant> moments = IntStream.rangeClosed(0, (int) LOOK_AHEAD.dividedBy(STEP))
                .mapToObj(i -> now.plus(STEP.multipliedBy(i)))
                .toList();
        double[] taking = new double[moments.size()];
        double[] giving = new double[moments.size()];
        for (Foreseen tree : ground.trees()) {
            List<ForecastPoint> points = tree.forecast().at(moments);
            for (int i = 0; i < taking.length; i++) {
                taking[i] += points.get(i).taking().mean();
                giving[i] += points.get(i).giving().mean();
            }
        }
        boolean onShelf = onShelf(ground);
        Optional<Instant> pollenFrom = onShelf
                ? Optional.of(now)
                : IntStream.range(0, giving.length)
                        .filter(i -> giving[i] >= TreeOutlook.THERE)
                        .mapToObj(moments::get)
                        .findFirst();
        List<Instant> dark = weather.suns(orchards.details(ground.caller()).site(), now, now.plus(LOOK_AHEAD)).stream()
                .map(SunDay::civilDusk)
                .flatMap(dusk -> dusk.moment().stream())
                .toList();
        return pollenFrom
                .flatMap(from -> BestHours.of(moments, taking, from, dark))
                .map(b -> new RoundView.Hours(b.from(), b.until(), b.flowersAtStart(), b.endsWithDark(), onShelf));
    }

    /** Whether any jar has something left and alive that may be used by the school that is followed. */
    private boolean onShelf(PlanGround ground) {
        Instant now = ground.now();
        return shelf.all(ground.caller(), now).stream()
                .anyMatch(l -> l.dosesLeft() > 0
                        && !l.viability().spoiled()
                        && ground.settings().pollenAge().allows(l.collectedAt(), now));
    }
}
