package org.evenhand.planning;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people decided of trees and jars beforehand. */
@Service
class PollenOverrides {
    private final PollenOverrideRepository choices;
    private final Orchards orchards;
    private final PollenShelf shelf;
    private final Crosses crosses;
    private final IdempotentWriter once;

    PollenOverrides(
            PollenOverrideRepository choices,
            Orchards orchards,
            PollenShelf shelf,
            Crosses crosses,
            IdempotentWriter once) {
        this.choices = choices;
        this.orchards = orchards;
        this.shelf = shelf;
        this.crosses = crosses;
        this.once = once;
    }

    /** In the order in which they were made. */
    List<PollenOverride> of(Caller caller) {
        return choices.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId());
    }

    /** As they are shown, with what keeps a choice from being kept to. */
    List<PlanView.Chosen> views(Caller caller, List<PollenOverride> all, Map<UUID, String> problems) {
        Map<UUID, String> lots =
                shelf.names(caller).values().stream().collect(Collectors.toMap(n -> n.id(), n -> n.code()));
        Map<UUID, String> names =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name));
        return all.stream()
                .map(c -> new PlanView.Chosen(
                        c.id(),
                        c.treeId(),
                        names.getOrDefault(c.treeId(), "(removed tree)"),
                        c.lotId(),
                        lots.getOrDefault(c.lotId(), "(removed jar)"),
                        c.flowers(),
                        c.onDay(),
                        problems.get(c.id()),
                        c.version()))
                .toList();
    }

    PlanView.Chosen put(Caller caller, UUID id, PollenOverrideRequest request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        LotView lot = shelf.lot(caller, request.lotId());
        int flowers = request.flowers();
        CrossCompatibility cross = crosses.book(caller).cross(tree.varietyId(), lot);
        if (flowers > 0 && !cross.serves()) {
            throw new InvalidInputException(
                    "lotId", "is " + lot.code() + ", which cannot serve " + tree.name() + ": " + cross.why());
        }
        PollenOverride made = once.write(
                choices,
                caller,
                id,
                found -> same(found, request),
                () -> choices.saveAndFlush(new PollenOverride(
                        id,
                        caller,
                        orchards.now(caller),
                        orchards.details(caller).site().zone(),
                        request)));
        return new PlanView.Chosen(
                made.id(), tree.id(), tree.name(), lot.id(), lot.code(), flowers, made.onDay(), null, made.version());
    }

    private static PollenOverride same(PollenOverride found, PollenOverrideRequest r) {
        if (!found.treeId().equals(r.treeId()) || !found.lotId().equals(r.lotId()) || found.flowers() != r.flowers()) {
            throw ConflictException.otherwise("choice");
        }
        return found;
    }

    @Transactional
    public void voidOverride(Caller caller, UUID id, VoidRequest request) {
        choices.voidOnce(caller, id, request, orchards.now(caller));
    }
}
