package org.evenhand.crossing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollination.PollinationBook;
import org.springframework.stereotype.Component;

/** Reads what was done on crosses: their own steps, and the pollinations that name them. */
@Component
class ControlledCrossBooks {
    private final CrossStepRepository steps;
    private final PollinationBook pollinations;
    private final Orchards orchards;
    private final CropCatalogue crops;

    ControlledCrossBooks(
            CrossStepRepository steps, PollinationBook pollinations, Orchards orchards, CropCatalogue crops) {
        this.steps = steps;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.crops = crops;
    }

    ControlledCrossBook read(Caller caller, List<ControlledCross> found) {
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        Set<UUID> standing = trees.values().stream()
                .filter(TreeView::standing)
                .map(TreeView::id)
                .collect(Collectors.toSet());
        return new ControlledCrossBook(
                found,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                id -> trees.computeIfAbsent(id, removed -> orchards.tree(caller, removed)),
                standing,
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                crop -> crops.of(caller, crop),
                doneOn(caller, found.stream().map(ControlledCross::id).toList()));
    }

    /** What was done on each of some crosses, the earliest first; crosses without anything are left out. */
    Map<UUID, List<ControlledCrossView.Done>> doneOn(Caller caller, List<UUID> ids) {
        if (ids.isEmpty()) {
            return Map.of();
        }
        record Entry(UUID controlledCross, ControlledCrossView.Done done) {}
        List<Entry> all = new ArrayList<>();
        steps.findByOrchardIdAndCrossIdInAndVoidedAtIsNull(caller.orchardId(), ids)
                .forEach(s -> all.add(new Entry(s.crossId(), s.view())));
        pollinations.onCrosses(caller, ids).forEach(p -> all.add(new Entry(p.crossId(), step(p))));
        return all.stream()
                .sorted(Comparator.comparing(e -> e.done().doneAt()))
                .collect(Collectors.groupingBy(
                        Entry::controlledCross, Collectors.mapping(Entry::done, Collectors.toList())));
    }

    private static ControlledCrossView.Done step(PollinationBook.OnCross given) {
        return new ControlledCrossView.Done(
                given.id(),
                given.again() ? CrossProtocol.Step.POLLINATE_AGAIN : CrossProtocol.Step.POLLINATE,
                given.flowers(),
                given.doneAt(),
                "",
                given.by(),
                true,
                false,
                given.walkId(),
                given.stop(),
                given.version());
    }
}
