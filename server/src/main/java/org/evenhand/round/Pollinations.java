package org.evenhand.round;

import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.bloom.Readings;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.FlowerReading;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OnceWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotName;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Flowers given pollen, written down and looked up. */
@Service
public class Pollinations {
    private final PollinationRepository pollinations;
    private final Orchards orchards;
    private final PollenShelf shelf;
    private final Crosses crosses;
    private final OnceWriter once;
    private final ApplicationEventPublisher events;
    private final InstantSource clock;

    Pollinations(
            PollinationRepository pollinations,
            Orchards orchards,
            PollenShelf shelf,
            Crosses crosses,
            OnceWriter once,
            ApplicationEventPublisher events,
            InstantSource clock) {
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.shelf = shelf;
        this.crosses = crosses;
        this.once = once;
        this.events = events;
        this.clock = clock;
    }

    /** Every pollination that is not voided, the latest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> all(Caller caller) {
        return views(caller, pollinations.findByOrchardIdAndVoidedAtIsNullOrderByDoneAtDesc(caller.orchardId()));
    }

    /** Those done after a moment, the earliest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> since(Caller caller, Instant after) {
        return views(
                caller,
                pollinations.findByOrchardIdAndDoneAtAfterAndVoidedAtIsNullOrderByDoneAt(caller.orchardId(), after));
    }

    /** The pollination, or "not found"; a voided one is not found either. */
    @Transactional(readOnly = true)
    public PollinationView pollination(Caller caller, UUID id) {
        Pollination found = require(caller, id);
        if (found.voided()) {
            throw new NotFoundException("pollination", id);
        }
        return views(caller, List.of(found)).get(0);
    }

    public PollinationView put(Caller caller, UUID id, PollinationRequest request) {
        return once.write(
                "pollination",
                id,
                () -> pollinations.findByIdAndOrchardId(id, caller.orchardId()),
                found -> again(caller, found, request),
                () -> insert(caller, id, request));
    }

    private PollinationView again(Caller caller, Pollination found, PollinationRequest request) {
        boolean same = found.treeId().equals(request.treeId())
                && found.lotId().equals(request.lotId())
                && request.flowers() != null
                && found.flowers() == request.flowers();
        if (!same) {
            throw new ConflictException("This pollination is already written down otherwise. Void it and do it again.");
        }
        return views(caller, List.of(found)).get(0);
    }

    private PollinationView insert(Caller caller, UUID id, PollinationRequest request) {
        TreeView tree = orchards.tree(caller, Given.required("treeId", request.treeId()));
        LotView lot = shelf.lot(caller, Given.required("lotId", request.lotId()));
        ZoneId zone = orchards.details(caller).site().zone();
        int flowers =
                Require.within("flowers", Given.required("flowers", request.flowers()), 1, FlowerReading.MOST_FLOWERS);
        Instant doneAt = Given.notInFuture("doneAt", request.doneAt(), orchards.now(caller), zone);
        Readings.refuseBeforePlanting("doneAt", tree, doneAt, zone);
        refuseBeforeCollection(lot, doneAt, zone);
        refuseWhatDoesNotServe(caller, tree, lot);
        Pollination pollination = new Pollination(
                id,
                caller,
                clock.instant(),
                zone,
                tree.id(),
                lot.id(),
                flowers,
                doneAt,
                Given.optionalText("mark", request.mark(), 80));
        pollinations.saveAndFlush(pollination);
        shelf.draw(caller, lot.id(), id, flowers, doneAt);
        return views(caller, List.of(pollination)).get(0);
    }

    private static void refuseBeforeCollection(LotView lot, Instant doneAt, ZoneId zone) {
        if (doneAt.isBefore(lot.collectedAt())) {
            throw new InvalidInputException(
                    "doneAt",
                    "is " + Given.say(doneAt, zone) + ", before " + lot.code() + " was collected on "
                            + Given.say(lot.collectedAt(), zone) + ".");
        }
    }

    private void refuseWhatDoesNotServe(Caller caller, TreeView tree, LotView lot) {
        CrossCompatibility cross = crosses.book(caller).cross(tree.varietyId(), lot);
        if (!cross.serves()) {
            throw new InvalidInputException(
                    "lotId", lot.code() + " cannot serve " + tree.name() + ": " + cross.why() + " Take another jar.");
        }
    }

    @Transactional
    public void voidPollination(Caller caller, UUID id, VoidRequest request) {
        Pollination pollination = require(caller, id);
        if (pollination.voided()) {
            return;
        }
        pollination.requireVersion("pollination", request.version());
        events.publishEvent(new PollinationVoided(caller.orchardId(), id));
        pollination.voidBecause(request.reason(), clock.instant());
        pollinations.saveAndFlush(pollination);
        shelf.giveBack(caller, pollination.lotId(), id, pollination.flowers());
    }

    private Pollination require(Caller caller, UUID id) {
        return pollinations
                .findByIdAndOrchardId(id, caller.orchardId())
                .orElseThrow(() -> new NotFoundException("pollination", id));
    }

    private List<PollinationView> views(Caller caller, List<Pollination> found) {
        if (found.isEmpty()) {
            return List.of();
        }
        Map<UUID, LotName> lots = shelf.names(caller);
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        return found.stream()
                .map(p ->
                        view(p, trees.computeIfAbsent(p.treeId(), t -> orchards.tree(caller, t)), lots.get(p.lotId())))
                .toList();
    }

    private static PollinationView view(Pollination p, TreeView tree, LotName lot) {
        return new PollinationView(
                p.id(),
                tree.id(),
                tree.name(),
                tree.crop(),
                lot.id(),
                lot.code(),
                lot.varietyName(),
                p.flowers(),
                p.doneAt(),
                p.mark(),
                p.version());
    }
}
