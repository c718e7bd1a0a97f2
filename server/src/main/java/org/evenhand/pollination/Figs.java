package org.evenhand.pollination;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.SuspensionTraits;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.core.pollen.Suspension;
import org.evenhand.core.pollination.FigList;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Figs by size: which to inject now, which later, which to leave. */
@Service
public class Figs {

    private final FigMeasureRepository measures;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    Figs(FigMeasureRepository measures, Orchards orchards, CropCatalogue crops, IdempotentWriter once) {
        this.measures = measures;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    @Transactional(readOnly = true)
    public FigsView of(Caller caller, UUID treeId) {
        TreeView tree = orchards.tree(caller, treeId);
        SuspensionTraits traits = traits(caller, tree);
        SuspensionTraits.SizeWindow window = traits.sizeWindow().orElseThrow();
        Instant now = orchards.now(caller);
        List<FigMeasure> found = measures.findByOrchardIdAndTreeIdAndMeasuredAtAfterAndVoidedAtIsNull(
                caller.orchardId(), treeId, now.minus(FigSize.SAME_CROP));
        Map<FigList.Measure, FigMeasure> records =
                found.stream().collect(Collectors.toMap(FigMeasure::measure, Function.identity(), (a, b) -> a));
        List<FigsView.Fig> figs = FigList.of(List.copyOf(records.keySet()), window, now).stream()
                .map(r -> fig(r, records.get(r.latest())))
                .toList();
        int right = (int) figs.stream().filter(f -> f.size() == FigSize.RIGHT).count();
        return new FigsView(
                tree.id(),
                tree.name(),
                window.rightFromMm().value(),
                window.lateFromMm().value(),
                right,
                Suspension.volumeFor(
                                right,
                                BigDecimal.valueOf(traits.doseMl().value()),
                                BigDecimal.valueOf(traits.waste().value()))
                        .setScale(1, RoundingMode.UP),
                figs);
    }

    private static FigsView.Fig fig(FigList.Row r, FigMeasure record) {
        return new FigsView.Fig(
                record.id(),
                r.latest().fig(),
                r.latest().diameterMm(),
                r.latest().eye(),
                r.latest().at(),
                r.nowMm(),
                r.size(),
                r.mmPerDay().orElse(null),
                r.rightFrom().orElse(null),
                r.lateFrom().orElse(null),
                record.version());
    }

    private SuspensionTraits traits(Caller caller, TreeView tree) {
        return crops.of(caller, tree.crop())
                .pollen()
                .suspension()
                .filter(h -> h.sizeWindow().isPresent())
                .filter(h -> crops.of(caller, tree.crop()).receives())
                .orElseThrow(() -> new InvalidInputException(
                        "treeId", "is " + tree.name() + ", whose fruits are not injected by size."));
    }

    /** Corrects a measure of a tree; refuses another tree. */
    @Transactional
    public FigsView correct(Caller caller, UUID id, FigsView.Request request, Long version) {
        TreeView tree = orchards.tree(caller, request.treeId());
        FigList.Measure measure = measure(caller, tree, request);
        measures.correct(caller, id, version, found -> {
            measures.requirePartOf(tree.id(), found.treeId(), id);
            found.correct(measure);
        });
        return of(caller, tree.id());
    }

    private FigList.Measure measure(Caller caller, TreeView tree, FigsView.Request request) {
        traits(caller, tree);
        return new FigList.Measure(
                request.fig().strip(),
                request.diameterMm(),
                request.eye(),
                Given.notInFuture(
                        "measuredAt",
                        request.measuredAt(),
                        orchards.now(caller),
                        orchards.details(caller).site().zone()));
    }

    public FigsView put(Caller caller, UUID id, FigsView.Request request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        FigList.Measure measure = measure(caller, tree, request);
        once.write(
                measures,
                caller,
                id,
                found -> {
                    if (!found.measure().equals(measure)) {
                        throw ConflictException.otherwise("fig");
                    }
                    return found;
                },
                () -> measures.saveAndFlush(new FigMeasure(
                        id,
                        caller,
                        orchards.now(caller),
                        orchards.details(caller).site().zone(),
                        tree.id(),
                        measure)));
        return of(caller, tree.id());
    }

    @Transactional
    public void voidMeasure(Caller caller, UUID id, VoidRequest request) {
        measures.voidOnce(caller, id, request, orchards.now(caller));
    }

    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        measures.restoreOnce(caller, id, version, measure -> orchards.requireStanding(caller, measure.treeId()));
    }
}
