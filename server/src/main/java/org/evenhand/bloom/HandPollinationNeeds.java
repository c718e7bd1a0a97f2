package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.BlockNoteView;
import org.evenhand.orchard.BlockNotes;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** "Is my hand needed here?", block by block. */
@Service
public class HandPollinationNeeds {

    private final BlockNotes notes;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;

    HandPollinationNeeds(BlockNotes notes, Orchards orchards, CropCatalogue crops, Weather weather) {
        this.notes = notes;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
    }

    /** One crop of one block: what is known, which way it leans, and why. */
    @Schema(name = "HandNeed")
    public record View(
            String block,
            String crop,
            int trees,
            @Schema(description = OPTIONAL) UUID noteId,
            @Schema(description = OPTIONAL) Long version,
            @Schema(description = OPTIONAL) Double seaKm,
            HandPollinationNeed.Insects insects,
            boolean indoors,
            @Schema(description = OPTIONAL) Double typicalMinimumC,
            @Schema(description = OPTIONAL) Double typicalMaximumC,
            boolean ownAir,
            @Schema(description = OPTIONAL) Double deficitKpa,
            HandPollinationNeed.Verdict verdict,
            List<Reason> reasons) {}

    /** One reason: points for (positive) or against the hand. */
    @Schema(name = "HandReason")
    public record Reason(int points, String sentence) {}

    @Transactional(readOnly = true)
    public List<View> all(Caller caller) {
        Map<String, BlockNoteView> known = notes.of(caller);
        Map<String, Map<String, List<TreeView>>> blocks = orchards.standing(caller).stream()
                .collect(Collectors.groupingBy(
                        TreeView::block,
                        TreeMap::new,
                        Collectors.groupingBy(TreeView::crop, TreeMap::new, Collectors.toList())));
        Places places = weather.places(caller);
        Map<String, Optional<Double>> deficits = new HashMap<>();
        List<VarietyView> varieties = orchards.varieties(caller);
        List<View> views = new ArrayList<>();
        blocks.forEach((block, byCrop) -> byCrop.forEach((crop, trees) -> views.add(view(
                caller,
                block,
                crop,
                trees,
                Optional.ofNullable(known.get(block)),
                places,
                deficits.computeIfAbsent(places.of(block), place -> deficit(caller, place)),
                varieties))));
        return views;
    }

    private View view(
            Caller caller,
            String block,
            String crop,
            List<TreeView> trees,
            Optional<BlockNoteView> note,
            Places places,
            Optional<Double> deficit,
            List<VarietyView> varieties) {
        CropSheet sheet = crops.of(caller, crop);
        boolean oneVariety = trees.stream().map(TreeView::varietyId).distinct().count() == 1;
        int others = (int) varieties.stream()
                .filter(v -> !oneVariety || !v.id().equals(trees.get(0).varietyId()))
                .filter(v -> CrossCompatibility.ofCrops(sheet, crops.of(caller, v.crop()), false)
                        .serves())
                .count();
        HandPollinationNeed.Insects insects =
                note.map(BlockNoteView::insects).orElse(HandPollinationNeed.Insects.NOT_LOOKED);
        boolean indoors = note.map(BlockNoteView::indoors).orElse(false);
        Optional<Double> sea = note.map(BlockNoteView::seaKm);
        HandPollinationNeed need =
                HandPollinationNeed.of(sheet, new HandPollinationNeed.Block(deficit, sea, insects, indoors, others));
        return new View(
                block,
                crop,
                trees.size(),
                note.map(BlockNoteView::id).orElse(null),
                note.map(BlockNoteView::version).orElse(null),
                sea.orElse(null),
                insects,
                indoors,
                note.map(BlockNoteView::typicalMinimumC).orElse(null),
                note.map(BlockNoteView::typicalMaximumC).orElse(null),
                places.hasOwn(block),
                deficit.orElse(null),
                need.verdict(),
                need.reasons().stream()
                        .map(r -> new Reason(r.points(), r.sentence()))
                        .toList());
    }

    /** Mean deficit in the opening hours of the last days, where at least a day's worth of them is known. */
    private Optional<Double> deficit(Caller caller, String place) {
        Instant now = orchards.now(caller);
        ZoneId zone = orchards.details(caller).site().zone();
        Instant from = now.minus(HandPollinationNeed.AIR_OF);
        WeatherSeries air = weather.air(caller, place, from, now);
        List<Double> known = new ArrayList<>();
        for (Instant at = from; at.isBefore(now); at = at.plus(Duration.ofHours(1))) {
            int hour = at.atZone(zone).getHour();
            if (hour >= HandPollinationNeed.OPEN_FROM_HOUR && hour <= HandPollinationNeed.OPEN_UNTIL_HOUR) {
                air.deficitAt(at).ifPresent(known::add);
            }
        }
        return known.size() < HandPollinationNeed.OPEN_UNTIL_HOUR - HandPollinationNeed.OPEN_FROM_HOUR
                ? Optional.empty()
                : Optional.of(known.stream().mapToDouble(d -> d).average().orElseThrow());
    }
}
