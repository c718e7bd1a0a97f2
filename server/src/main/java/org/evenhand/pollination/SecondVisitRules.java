package org.evenhand.pollination;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Refusal;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Component;

/** What a visit to flowers that had pollen before must obey, outside crosses. */
@Component
class SecondVisitRules {
    private final PollinationRepository pollinations;
    private final PollenShelf shelf;
    private final Orchards orchards;

    SecondVisitRules(PollinationRepository pollinations, PollenShelf shelf, Orchards orchards) {
        this.pollinations = pollinations;
        this.shelf = shelf;
        this.orchards = orchards;
    }

    /** Refuses a second visit that does not go with the first. */
    void check(
            Caller caller,
            PollinationRequest request,
            TreeView tree,
            Optional<LotView> lot,
            int flowers,
            Instant doneAt) {
        Pollination first = pollinations.current(caller, request.againOf());
        ZoneId zone = orchards.details(caller).site().zone();
        if (request.crossId() != null || request.comparisonId() != null) {
            throw new InvalidInputException("againOf", "goes neither with a cross nor with a place of a comparison.");
        }
        if (first.again() || first.crossId() != null || first.how().treatment() != Treatment.HAND) {
            throw new InvalidInputException("againOf", "is not the first visit by hand to flowers outside crosses.");
        }
        if (!first.treeId().equals(tree.id())) {
            throw new InvalidInputException("treeId", "is " + tree.name() + ", but the flowers are on another tree.");
        }
        if (flowers > first.flowers()) {
            throw Refusal.of(
                    "flowers", Text.of("refused.more-than-first", "flowers", flowers, "first", first.flowers()));
        }
        refuseNotAfter(zone, doneAt, first.doneAt());
        Set<UUID> before = fathers(Optional.ofNullable(first.lotId()).map(id -> shelf.lot(caller, id)));
        if (!fathers(lot).equals(before)) {
            throw Refusal.of("lotId", Text.of("refused.other-pollen"));
        }
    }

    private static Set<UUID> fathers(Optional<LotView> lot) {
        return lot.stream()
                .flatMap(l -> l.fathers().stream())
                .map(LotView.Father::varietyId)
                .collect(Collectors.toSet());
    }

    /** A first visit stands as long as a second one rests on it. */
    void refuseVoidingFirst(Caller caller, Pollination pollination) {
        if (hasSecond(caller, pollination)) {
            throw new ConflictException(Text.of("conflict.once-more"));
        }
    }

    /** A first visit stays before its second one, and a second one after its first. */
    void refuseOutOfOrder(Caller caller, Pollination p, Instant doneAt) {
        ZoneId zone = orchards.details(caller).site().zone();
        if (p.againOf() != null) {
            refuseNotAfter(
                    zone, doneAt, pollinations.require(caller, p.againOf()).doneAt());
        }
        pollinations
                .findByOrchardIdAndAgainOfInAndVoidedAtIsNull(caller.orchardId(), List.of(p.id()))
                .forEach(later -> refuseNotAfter(zone, later.doneAt(), doneAt));
    }

    private static void refuseNotAfter(ZoneId zone, Instant second, Instant first) {
        if (!second.isAfter(first)) {
            throw Refusal.of("doneAt", zone, Text.of("refused.not-after-first", "at", second, "atFirst", first));
        }
    }

    boolean hasSecond(Caller caller, Pollination first) {
        return !pollinations
                .findByOrchardIdAndAgainOfInAndVoidedAtIsNull(caller.orchardId(), List.of(first.id()))
                .isEmpty();
    }
}
