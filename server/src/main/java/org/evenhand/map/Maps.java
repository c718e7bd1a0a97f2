package org.evenhand.map;

import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.map.BlockLayout;
import org.evenhand.core.map.OrchardMap;
import org.evenhand.core.map.OrchardPlane;
import org.evenhand.core.map.Spot;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.Ids;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeGrafted;
import org.evenhand.orchard.TreeView;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the trees stand. */
@Service
public class Maps {
    private final TreeSpotRepository spots;
    private final BlockRowsRepository rows;
    private final Orchards orchards;
    private final IdempotentWriter once;

    Maps(TreeSpotRepository spots, BlockRowsRepository rows, Orchards orchards, IdempotentWriter once) {
        this.spots = spots;
        this.rows = rows;
        this.orchards = orchards;
        this.once = once;
    }

    @Transactional(readOnly = true)
    MapView map(Caller caller) {
        Site site = orchards.details(caller).site();
        OrchardPlane plane = plane(site);
        Map<UUID, MapView.Measured> measured = measured(caller);
        Map<String, BlockRows> byBlock = rows.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .collect(Collectors.toMap(BlockRows::block, Function.identity()));
        Map<String, BlockLayout> layouts = new HashMap<>();
        byBlock.forEach((block, of) -> layouts.put(block, of.layout()));
        OrchardMap.Laid<TreeView> laid = OrchardMap.lay(
                orchards.standing(caller).stream()
                        .map(t -> new OrchardMap.PlacedTree<>(
                                t, t.block(), t.row(), t.position(), spot(plane, measured.get(t.id()))))
                        .toList(),
                layouts);
        return new MapView(
                site.latitude(),
                site.longitude(),
                plane.metresPerDegreeNorth(),
                plane.metresPerDegreeEast(),
                laid.blocks().stream()
                        .map(b -> block(b, Optional.ofNullable(byBlock.get(b.block()))))
                        .toList(),
                laid.trees().stream()
                        .map(t -> tree(t, measured.get(t.tree().id())))
                        .toList());
    }

    static OrchardPlane plane(Site site) {
        return new OrchardPlane(site.latitude(), site.longitude());
    }

    /** By tree, the latest that counts. */
    Map<UUID, MapView.Measured> measured(Caller caller) {
        return spots.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId()).stream()
                .collect(Collectors.toMap(TreeSpot::treeId, TreeSpot::view, (before, after) -> after));
    }

    /** None where the orchard's own place was changed to one far from it. */
    private static Optional<Spot> spot(OrchardPlane plane, MapView.Measured measured) {
        if (measured == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(plane.spot(measured.latitude(), measured.longitude()));
        } catch (InvalidInputException tooFar) {
            return Optional.empty();
        }
    }

    private static MapView.Block block(OrchardMap.LaidBlock block, Optional<BlockRows> rows) {
        return new MapView.Block(
                block.block(),
                rows.map(BlockRows::id).orElse(null),
                rows.map(BlockRows::version).orElse(null),
                block.layout().rowSpacing(),
                block.layout().placeSpacing(),
                block.bearing(),
                block.bearingFrom(),
                block.measured());
    }

    private static MapView.Tree tree(OrchardMap.StandingTree<TreeView> standing, MapView.Measured measured) {
        TreeView t = standing.tree();
        return new MapView.Tree(
                t.id(),
                t.name(),
                t.varietyId(),
                t.varietyName(),
                t.crop(),
                t.block(),
                t.row(),
                t.position(),
                standing.spot().east(),
                standing.spot().north(),
                standing.measured() ? measured : null);
    }

    /** A tree that was grafted over stands where it stood. */
    @EventListener
    void graftedOver(TreeGrafted event) {
        Caller caller = event.caller();
        Instant now = orchards.now(caller);
        Optional.ofNullable(measured(caller).get(event.stock()))
                .map(m -> new TreeSpotRequest(event.grafted(), m.latitude(), m.longitude(), m.accuracyM(), m.how()))
                .ifPresent(there -> spots.saveAndFlush(new TreeSpot(
                        Ids.newVersion7(now),
                        caller,
                        now,
                        orchards.details(caller).site().zone(),
                        there)));
    }

    /** Writes down where a tree stands. */
    public MapView.Measured put(Caller caller, UUID id, TreeSpotRequest request) {
        // Too far is refused before it is kept.
        plane(orchards.details(caller).site()).spot(request.latitude(), request.longitude());
        orchards.tree(caller, request.treeId());
        return once.write(
                spots,
                caller,
                id,
                TreeSpot::view,
                () -> spots.saveAndFlush(new TreeSpot(
                                id,
                                caller,
                                orchards.now(caller),
                                orchards.details(caller).site().zone(),
                                request))
                        .view());
    }

    /** The same for many trees that are known to be there, at once. */
    void putAll(Caller caller, List<TreeSpotRequest> checked) {
        Instant now = orchards.now(caller);
        ZoneId zone = orchards.details(caller).site().zone();
        spots.saveAll(checked.stream()
                .map(s -> new TreeSpot(Ids.newVersion7(now), caller, now, zone, s))
                .toList());
    }

    @Transactional
    void voidSpot(Caller caller, UUID id, VoidRequest request) {
        spots.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Writes down how the rows of a block lie. */
    public void put(Caller caller, UUID id, BlockRowsRequest request) {
        String block = Given.stripped(request.block());
        BlockLayout layout = request.layout();
        once.write(
                rows,
                caller,
                id,
                found -> {
                    if (request.version() != null) {
                        found.requireVersion("block", request.version());
                        found.change(layout);
                    }
                    return rows.saveAndFlush(found).id();
                },
                () -> {
                    refuseTwice(caller, block);
                    BlockRows made = new BlockRows(
                            id,
                            caller,
                            orchards.now(caller),
                            orchards.details(caller).site().zone(),
                            block);
                    made.change(layout);
                    return rows.saveAndFlush(made).id();
                });
    }

    private void refuseTwice(Caller caller, String block) {
        List<BlockRows> known = rows.findByOrchardIdAndVoidedAtIsNull(caller.orchardId());
        if (known.stream().anyMatch(r -> r.block().equals(block))) {
            throw ConflictException.stale("block");
        }
    }
}
