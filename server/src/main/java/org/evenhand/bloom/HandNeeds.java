package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.bloom.HandNeed;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.weather.Air;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OnceWriter;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** "Is my hand needed here?", block by block. */
@Service
public class HandNeeds {
    private static final int DAYS_BACK = 7;
    private static final int OPENING_FROM = 9;
    private static final int OPENING_UNTIL = 18;

    private final BlockNoteRepository notes;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;
    private final OnceWriter once;
    private final InstantSource clock;

    HandNeeds(
            BlockNoteRepository notes,
            Orchards orchards,
            CropCatalogue crops,
            Weather weather,
            OnceWriter once,
            InstantSource clock) {
        this.notes = notes;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
        this.once = once;
        this.clock = clock;
    }

    /** What is known of a block; with a version it changes what is there. */
    @Schema(name = "BlockNoteRequest")
    public record Request(
            String block,
            @Schema(description = OPTIONAL) Double seaKm,
            HandNeed.Insects insects,
            boolean indoors,
            @Schema(description = OPTIONAL) Long version) {}

    /** One crop of one block: what is known, which way it leans, and why. */
    @Schema(name = "HandNeed")
    public record View(
            String block,
            String crop,
            int trees,
            @Schema(description = OPTIONAL) UUID noteId,
            @Schema(description = OPTIONAL) Long version,
            @Schema(description = OPTIONAL) Double seaKm,
            HandNeed.Insects insects,
            boolean indoors,
            @Schema(description = OPTIONAL) Double deficitKpa,
            HandNeed.Verdict verdict,
            List<Reason> reasons) {}

    /** One reason: points for (positive) or against the hand. */
    @Schema(name = "HandReason")
    public record Reason(int points, String sentence) {}

    @Transactional(readOnly = true)
    public List<View> all(Caller caller) {
        Map<String, BlockNote> known = notes.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .collect(Collectors.toMap(BlockNote::block, Function.identity()));
        Map<String, Map<String, List<TreeView>>> blocks = orchards.trees(caller).stream()
                .collect(Collectors.groupingBy(
                        TreeView::block,
                        TreeMap::new,
                        Collectors.groupingBy(TreeView::crop, TreeMap::new, Collectors.toList())));
        Optional<Double> deficit = deficit(caller);
        List<VarietyView> varieties = orchards.varieties(caller);
        List<View> views = new ArrayList<>();
        blocks.forEach((block, byCrop) -> byCrop.forEach((crop, trees) -> views.add(
                view(caller, block, crop, trees, Optional.ofNullable(known.get(block)), deficit, varieties))));
        return views;
    }

    private View view(
            Caller caller,
            String block,
            String crop,
            List<TreeView> trees,
            Optional<BlockNote> note,
            Optional<Double> deficit,
            List<VarietyView> varieties) {
        CropSheet sheet = crops.of(caller, crop);
        boolean oneVariety = trees.stream().map(TreeView::varietyId).distinct().count() == 1;
        int others = (int) varieties.stream()
                .filter(v -> !oneVariety || !v.id().equals(trees.get(0).varietyId()))
                .filter(v -> CrossCompatibility.ofCrops(sheet, crops.of(caller, v.crop()), false)
                        .serves())
                .count();
        HandNeed.Insects insects = note.map(BlockNote::insects).orElse(HandNeed.Insects.NOT_LOOKED);
        boolean indoors = note.map(BlockNote::indoors).orElse(false);
        Optional<Double> sea = note.map(BlockNote::seaKm);
        HandNeed need = HandNeed.of(sheet, new HandNeed.Block(deficit, sea, insects, indoors, others));
        return new View(
                block,
                crop,
                trees.size(),
                note.map(BlockNote::id).orElse(null),
                note.map(BlockNote::version).orElse(null),
                sea.orElse(null),
                insects,
                indoors,
                deficit.orElse(null),
                need.verdict(),
                need.reasons().stream()
                        .map(r -> new Reason(r.points(), r.sentence()))
                        .toList());
    }

    /** Mean deficit in the opening hours of the last days, where at least a day's worth of them is known. */
    private Optional<Double> deficit(Caller caller) {
        Instant now = orchards.now(caller);
        ZoneId zone = orchards.details(caller).site().zone();
        Instant from = now.minus(Duration.ofDays(DAYS_BACK));
        Air air = weather.air(caller, from, now);
        List<Double> known = new ArrayList<>();
        for (Instant at = from; at.isBefore(now); at = at.plus(Duration.ofHours(1))) {
            int hour = at.atZone(zone).getHour();
            if (hour >= OPENING_FROM && hour <= OPENING_UNTIL) {
                air.deficitAt(at).ifPresent(known::add);
            }
        }
        return known.size() < OPENING_UNTIL - OPENING_FROM
                ? Optional.empty()
                : Optional.of(known.stream().mapToDouble(d -> d).average().orElseThrow());
    }

    public void put(Caller caller, UUID id, Request request) {
        String block = Given.optionalText("block", request.block(), 80);
        Given.required("insects", request.insects());
        Optional<Double> sea = Optional.ofNullable(request.seaKm());
        // Checked by the same rule that will reckon with it.
        new HandNeed.Block(Optional.empty(), sea, request.insects(), request.indoors(), 0);
        ZoneId zone = orchards.details(caller).site().zone();
        once.write(
                "block_note",
                id,
                () -> notes.findByIdAndOrchardId(id, caller.orchardId()),
                found -> {
                    if (request.version() != null) {
                        found.requireVersion("block", request.version());
                        found.change(request.seaKm(), request.insects(), request.indoors());
                    }
                    return notes.saveAndFlush(found).id();
                },
                () -> {
                    BlockNote note = new BlockNote(id, caller, clock.instant(), zone, block);
                    note.change(request.seaKm(), request.insects(), request.indoors());
                    return notes.saveAndFlush(note).id();
                });
    }
}
