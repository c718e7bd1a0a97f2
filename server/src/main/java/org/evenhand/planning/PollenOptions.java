package org.evenhand.planning;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.availability.PollenAge;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.pollen.StorageHistory;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Component;

/** Pollen that a plan can reckon with: on the shelf, or to be collected from flowers that will give it. */
@Component
class PollenOptions {
    private final PollenShelf shelf;
    private final CropCatalogue crops;

    PollenOptions(PollenShelf shelf, CropCatalogue crops) {
        this.shelf = shelf;
        this.crops = crops;
    }

    /** All jars, with what should be alive in them at a moment. */
    List<LotView> jars(Caller caller, Instant now) {
        return shelf.all(caller, now);
    }

    List<PollenOption> of(PlanningContext ground, List<VisitWindow> slots, AnthesisForecast openings) {
        List<PollenOption> sources = new ArrayList<>();
        List<Instant> at = slots.stream().map(VisitWindow::at).toList();
        Map<UUID, List<Double>> alive = shelf.alive(ground.caller(), at);
        for (LotView lot : ground.jars()) {
            List<Double> viability = usable(ground, lot, alive.get(lot.id()), at);
            if (lot.dosesLeft() > 0 && viability.stream().anyMatch(v -> v > 0)) {
                sources.add(new PollenOption(
                        PollenOption.Kind.JAR,
                        new LotId(lot.id()),
                        lot,
                        ground.varieties().get(lot.fathers().get(0).varietyId()),
                        0,
                        viability,
                        lot.dosesLeft(),
                        1));
            }
        }
        sources.sort(
                Comparator.comparing((PollenOption s) -> s.lot().viability().goodUntil() == null
                                ? Instant.MIN
                                : s.lot().viability().goodUntil())
                        .thenComparing(PollenOption::name));
        sources.addAll(toCollect(ground, slots, openings));
        sources.addAll(0, flowerToFlower(ground, slots.size()));
        return sources;
    }

    /** Groups of crops of which a jar holds living pollen that the school followed lets be used. */
    Set<String> groups(Caller caller, List<LotView> jars, Instant now, PollenAge age) {
        return jars.stream()
                .filter(l -> l.dosesLeft() > 0 && !l.viability().spoiled() && age.allows(l.collectedAt(), now))
                .map(l -> crops.of(caller, l.crop()).pollenGroup())
                .collect(Collectors.toSet());
    }

    /** Varieties whose flowers serve one another without a jar. */
    private static List<PollenOption> flowerToFlower(PlanningContext ground, int rounds) {
        Map<UUID, CropSheet> own = new LinkedHashMap<>();
        ground.trees().stream()
                .filter(t -> t.sheet().hand().flowerToFlower())
                .forEach(t -> own.put(t.tree().varietyId(), t.sheet()));
        return own.entrySet().stream()
                .map(e -> new PollenOption(
                        PollenOption.Kind.FLOWER_TO_FLOWER,
                        new LotId(UUID.nameUUIDFromBytes(
                                ("flower to flower " + e.getKey()).getBytes(StandardCharsets.UTF_8))),
                        null,
                        ground.varieties().get(e.getKey()),
                        0,
                        Collections.nCopies(
                                rounds, e.getValue().pollen().freshViability().value()),
                        RoundRequest.NO_LIMIT,
                        1))
                .toList();
    }

    private static List<Double> usable(PlanningContext ground, LotView lot, List<Double> alive, List<Instant> at) {
        PollenAge age = ground.settings().pollenAge();
        return IntStream.range(0, at.size())
                .mapToObj(r -> age.allows(lot.collectedAt(), at.get(r)) ? alive.get(r) : 0.0)
                .toList();
    }

    /** What each variety's flowers will give by each round. */
    private List<PollenOption> toCollect(PlanningContext ground, List<VisitWindow> slots, AnthesisForecast openings) {
        Map<UUID, double[]> shedding = new LinkedHashMap<>();
        CollectedFlowers collected = ground.collected();
        Instant first = slots.get(0).at();
        for (Foreseen tree : ground.trees()) {
            if (tree.sheet().sheds()) {
                double[] begin = openings.beginShedding(tree.forecast());
                begin[0] = Math.max(0, begin[0] - collected.stillShedding(tree, first));
                shedding.merge(tree.tree().varietyId(), begin, (a, b) -> {
                    double[] both = a.clone();
                    Arrays.setAll(both, i -> a[i] + b[i]);
                    return both;
                });
            }
        }
        List<PollenOption> sources = new ArrayList<>();
        shedding.forEach((variety, flowers) -> {
            VarietyView v = ground.varieties().get(variety);
            CropSheet sheet = crops.of(ground.caller(), v.crop());
            double each = v.dosesPerFlower(sheet);
            for (int r = 0; r < slots.size(); r++) {
                int doses = (int) Math.floor(Math.floor(flowers[r] + TreeOutlook.THERE) * each);
                if (doses > 0) {
                    sources.add(fresh(ground, v, sheet, slots, r, doses));
                }
            }
        });
        return sources.stream()
                .filter(s -> s.viability().stream().anyMatch(x -> x > 0))
                .toList();
    }

    private static PollenOption fresh(
            PlanningContext ground,
            VarietyView variety,
            CropSheet sheet,
            List<VisitWindow> slots,
            int round,
            int doses) {
        Instant collectedAt = slots.get(round).at();
        Storage storage = sheet.pollen().keeping().containsKey(Storage.FRIDGE_DESICCANT)
                ? Storage.FRIDGE_DESICCANT
                : Storage.ROOM;
        ViabilityCurve course =
                ViabilityCurve.collected(sheet, StorageHistory.driedAndStored(sheet, collectedAt, storage));
        PollenAge age = ground.settings().pollenAge();
        List<Double> viability = IntStream.range(0, slots.size())
                .mapToObj(r -> r < round
                                || !sheet.pollen()
                                        .servesAfter(
                                                hours(collectedAt, slots.get(r).at()))
                                || !age.allows(collectedAt, slots.get(r).at())
                        ? 0.0
                        : course.shareAt(slots.get(r).at()))
                .toList();
        UUID id = UUID.nameUUIDFromBytes((variety.id() + " " + round).getBytes(StandardCharsets.UTF_8));
        return new PollenOption(
                PollenOption.Kind.TO_COLLECT,
                new LotId(id),
                null,
                variety,
                round,
                viability,
                doses,
                variety.dosesPerFlower(sheet));
    }

    private static double hours(Instant from, Instant until) {
        return Duration.between(from, until).toMinutes() / 60.0;
    }
}
