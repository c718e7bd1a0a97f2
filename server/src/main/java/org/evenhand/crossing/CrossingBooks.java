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
class CrossingBooks {
    private final CrossingStepRepository steps;
    private final PollinationBook pollinations;
    private final Orchards orchards;
    private final CropCatalogue crops;

    CrossingBooks(CrossingStepRepository steps, PollinationBook pollinations, Orchards orchards, CropCatalogue crops) {
        this.steps = steps;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.crops = crops;
    }

    CrossingBook read(Caller caller, List<Crossing> found) {
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        Set<UUID> standing = Set.copyOf(trees.keySet());
        return new CrossingBook(
                found,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                id -> trees.computeIfAbsent(id, removed -> orchards.tree(caller, removed)),
                standing,
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                crop -> crops.of(caller, crop),
                doneOn(caller, found.stream().map(Crossing::id).toList()));
    }

    /** What was done on each of some crosses, the earliest first; crosses without anything are left out. */
    Map<UUID, List<CrossingView.Done>> doneOn(Caller caller, List<UUID> ids) {
        if (ids.isEmpty()) {
            return Map.of();
        }
        record Entry(UUID crossing, CrossingView.Done done) {}
        List<Entry> all = new ArrayList<>();
        steps.findByOrchardIdAndCrossingIdInAndVoidedAtIsNull(caller.orchardId(), ids)
                .forEach(s -> all.add(new Entry(s.crossingId(), s.view())));
        pollinations.onCrosses(caller, ids).forEach(p -> all.add(new Entry(p.crossingId(), step(p))));
        return all.stream()
                .sorted(Comparator.comparing(e -> e.done().doneAt()))
                .collect(Collectors.groupingBy(Entry::crossing, Collectors.mapping(Entry::done, Collectors.toList())));
    }

    private static CrossingView.Done step(PollinationBook.OnCross given) {
        return new CrossingView.Done(
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
