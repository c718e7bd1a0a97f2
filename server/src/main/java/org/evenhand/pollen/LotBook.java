package org.evenhand.pollen;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.StorageHistory;
import org.evenhand.core.pollen.StorageStep;
import org.evenhand.core.pollen.TestAdvice;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;
import org.evenhand.orchard.VarietyView;
import org.jspecify.annotations.Nullable;

/** All that is written down of an orchard's jars, read at once, and what follows from it. */
final class LotBook {
    private static final int MOST_EVENINGS = 60;

    private final Map<UUID, PollenLot> lots;
    private final Map<UUID, List<PollenStep>> steps;
    private final Map<UUID, List<PollenTest>> tests;
    private final Names names;
    private final Function<String, CropSheet> sheets;
    private final Site site;
    private final Map<UUID, ViabilityCurve> courses = new HashMap<>();
    private final Map<UUID, Map<UUID, Double>> fathers = new HashMap<>();

    /** Names that a view needs. */
    record Names(Map<UUID, VarietyView> varieties, Map<UUID, String> trees) {}

    LotBook(
            List<PollenLot> lots,
            List<PollenStep> steps,
            List<PollenTest> tests,
            Names names,
            Function<String, CropSheet> sheets,
            Site site) {
        this.lots = lots.stream()
                .collect(Collectors.toMap(PollenLot::id, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        this.steps = steps.stream().collect(Collectors.groupingBy(PollenStep::lotId));
        this.tests = tests.stream().collect(Collectors.groupingBy(PollenTest::lotId));
        this.names = names;
        this.sheets = sheets;
        this.site = site;
    }

    /** The jars that were not removed, the latest first. */
    Stream<PollenLot> lots() {
        return lots.values().stream().filter(l -> !l.voided());
    }

    Map<UUID, LotName> names() {
        return lots.values().stream()
                .map(l -> new LotName(
                        l.id(), l.code(), fatherNames(l), List.copyOf(fathers(l).keySet())))
                .collect(Collectors.toMap(LotName::id, Function.identity()));
    }

    /** Shares of the doses by variety, the greatest first. */
    Map<UUID, Double> fathers(PollenLot lot) {
        Map<UUID, Double> known = fathers.get(lot.id());
        if (known != null) {
            return known;
        }
        LotDetails d = lot.details();
        Map<UUID, Double> shares = new HashMap<>();
        if (d.poured()) {
            double all = d.parts().values().stream().mapToInt(Integer::intValue).sum();
            d.parts()
                    .forEach((part, doses) -> fathers(lots.get(part))
                            .forEach((variety, share) -> shares.merge(variety, share * doses / all, Double::sum)));
        } else {
            shares.put(d.varietyId(), 1.0);
        }
        Map<UUID, Double> sorted = new LinkedHashMap<>();
        shares.entrySet().stream()
                .sorted(Map.Entry.<UUID, Double>comparingByValue()
                        .reversed()
                        .thenComparing(e -> names.varieties().get(e.getKey()).name()))
                .forEach(e -> sorted.put(e.getKey(), e.getValue()));
        fathers.put(lot.id(), sorted);
        return sorted;
    }

    CropSheet sheet(PollenLot lot) {
        UUID first = fathers(lot).keySet().iterator().next();
        return sheets.apply(names.varieties().get(first).crop());
    }

    /** Where it has been since it was filled. */
    StorageHistory keeping(PollenLot lot) {
        return keeping(lot, step -> true);
    }

    /** How it was kept, as if only some of the steps had been. */
    StorageHistory keeping(PollenLot lot, Predicate<PollenStep> counts) {
        List<StorageStep> all = new ArrayList<>(firstSteps(lot));
        all.addAll(stepsOf(lot).stream().filter(counts).map(PollenStep::step).toList());
        return StorageHistory.of(sheet(lot), all);
    }

    /** What is known of its keeping by how it came about: nobody wrote these steps down one by one. */
    List<StorageStep> firstSteps(PollenLot lot) {
        LotDetails d = lot.details();
        if (d.received() != null) {
            return d.received().pollen().firstSteps();
        }
        StorageStep stored = StorageStep.stored(d.collectedAt(), d.storage());
        return d.poured() && partsDry(d)
                ? List.of(stored, StorageStep.of(d.collectedAt(), StorageStep.Kind.SEEN_DRY))
                : List.of(stored);
    }

    private boolean partsDry(LotDetails d) {
        return d.parts().keySet().stream()
                .allMatch(part -> keeping(lots.get(part)).dryAt(d.collectedAt()));
    }

    List<PollenStep> stepsOf(PollenLot lot) {
        return steps.getOrDefault(lot.id(), List.of()).stream()
                .sorted(Comparator.comparing((PollenStep s) -> s.step().at())
                        .thenComparing(PollenStep::recordedAt)
                        .thenComparing(PollenStep::id))
                .toList();
    }

    List<PollenTest> testsOf(PollenLot lot) {
        return tests.getOrDefault(lot.id(), List.of()).stream()
                .sorted(Comparator.comparing(t -> t.seen().at()))
                .toList();
    }

    /** What is alive in a jar over time. */
    ViabilityCurve course(UUID lot) {
        return course(lots.get(lot));
    }

    /** What is alive in it over time. */
    ViabilityCurve course(PollenLot lot) {
        ViabilityCurve known = courses.get(lot.id());
        if (known == null) {
            known = untested(lot);
            for (PollenTest test : testsOf(lot)) {
                known = test.teach(known);
            }
            courses.put(lot.id(), known);
        }
        return known;
    }

    private ViabilityCurve untested(PollenLot lot) {
        LotDetails d = lot.details();
        if (d.received() != null) {
            return d.received().pollen().curve(sheet(lot), keeping(lot));
        }
        if (!d.poured()) {
            return ViabilityCurve.collected(sheet(lot), keeping(lot));
        }
        List<ViabilityCurve.Part> parts = d.parts().entrySet().stream()
                .map(e -> new ViabilityCurve.Part(e.getValue(), course(lots.get(e.getKey()))))
                .toList();
        return ViabilityCurve.poured(sheet(lot), keeping(lot), parts);
    }

    /** Jars it was poured into. */
    List<PollenLot> blendedFrom(PollenLot lot) {
        return lots().filter(l -> l.details().parts().containsKey(lot.id())).toList();
    }

    LotView view(PollenLot lot, Instant at) {
        LotDetails d = lot.details();
        StorageHistory keeping = keeping(lot);
        Instant asked = at.isBefore(d.collectedAt()) ? d.collectedAt() : at;
        boolean open = keeping.storageAt(asked) == Storage.ROOM && !keeping.shutAt(asked);
        return new LotView(
                lot.id(),
                lot.code(),
                fatherNames(lot),
                sheet(lot).key(),
                fatherViews(lot),
                d.collectedAt(),
                keeping.storageAt(asked),
                open,
                keeping.dryAt(asked),
                keeping.dryBy(asked).orElse(null),
                d.method(),
                d.sources().values().stream().mapToInt(Integer::intValue).sum(),
                sources(d),
                parts(d),
                d.doses(),
                lot.dosesLeft(),
                viability(lot, asked),
                d.note(),
                received(d),
                lot.version());
    }

    private static LotView.@Nullable ReceivedView received(LotDetails d) {
        Received r = d.received();
        return r == null
                ? null
                : new LotView.ReceivedView(
                        r.how(),
                        r.from(),
                        r.pollen().receivedAt(),
                        r.pollen().dry(),
                        r.pollen().collectedAt(),
                        r.pollen().keptBefore(),
                        r.pollen().statedAlive());
    }

    String fatherNames(PollenLot lot) {
        return fathers(lot).keySet().stream()
                .map(v -> names.varieties().get(v).name())
                .collect(Collectors.joining(" + "));
    }

    private List<LotView.Father> fatherViews(PollenLot lot) {
        return fathers(lot).entrySet().stream()
                .map(e -> new LotView.Father(
                        e.getKey(), names.varieties().get(e.getKey()).name(), e.getValue()))
                .toList();
    }

    private List<LotView.SourceView> sources(LotDetails d) {
        return d.sources().entrySet().stream()
                .map(e -> new LotView.SourceView(
                        e.getKey(), names.trees().getOrDefault(e.getKey(), "(removed tree)"), e.getValue()))
                .sorted(Comparator.comparing(LotView.SourceView::treeName))
                .toList();
    }

    private List<LotView.PartView> parts(LotDetails d) {
        return d.parts().entrySet().stream()
                .map(e -> new LotView.PartView(
                        e.getKey(), lots.get(e.getKey()).code(), fatherNames(lots.get(e.getKey())), e.getValue()))
                .sorted(Comparator.comparing(LotView.PartView::code))
                .toList();
    }

    private LotView.Viability viability(PollenLot lot, Instant at) {
        ViabilityCurve course = course(lot);
        ViabilityCurve.Estimate now = course.at(at);
        Storage storage = course.keeping().storageAt(at);
        Optional<Instant> goodUntil = course.goodUntil(at);
        return new LotView.Viability(
                now.share(),
                now.low(),
                now.high(),
                now.spoiled(),
                course.fresh(),
                now.from(),
                now.fromAt(),
                testsOf(lot).stream().anyMatch(t -> t.seen().at().equals(now.fromAt())),
                now.halvings(),
                course.halfLifeHoursAt(at),
                sheet(lot)
                        .pollen()
                        .keeping()
                        .get(storage)
                        .halfLifeHours()
                        .basis()
                        .name(),
                TestAdvice.of(course, at).map(TestAdvice::say).orElse(null),
                goodUntil.orElse(null),
                goodUntil.map(until -> evenings(at, until)).orElse(0));
    }

    /** Sunsets from a moment until another; where the sun does not set, days. */
    private int evenings(Instant from, Instant until) {
        int evenings = 0;
        var last = until.atZone(site.zone()).toLocalDate();
        for (var day = from.atZone(site.zone()).toLocalDate();
                !day.isAfter(last) && evenings < MOST_EVENINGS;
                day = day.plusDays(1)) {
            Instant sunset = SunDay.of(site, day)
                    .sunset()
                    .moment()
                    .orElse(day.atTime(18, 0).atZone(site.zone()).toInstant());
            evenings += sunset.isBefore(from) || sunset.isAfter(until) ? 0 : 1;
        }
        return evenings;
    }
}
