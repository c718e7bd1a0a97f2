package org.evenhand.cropload;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.Settings;
import org.evenhand.core.crop.CropLoadTraits;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.CrossResults;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;

/** Tells what the plan has learned from flowers, beside what it began with. */
@Service
public class LearnedNumbers {
    private final Targets targets;
    private final Settings settings;
    private final Crosses crosses;
    private final TreeResults results;
    private final Orchards orchards;
    private final CropCatalogue crops;

    LearnedNumbers(
            Targets targets,
            Settings settings,
            Crosses crosses,
            @Lazy TreeResults results,
            Orchards orchards,
            CropCatalogue crops) {
        this.targets = targets;
        this.settings = settings;
        this.crosses = crosses;
        this.results = results;
        this.orchards = orchards;
        this.crops = crops;
    }

    public LearnedView of(Caller caller) {
        return new LearnedView(settings.of(caller).useLearned(), varieties(caller), pairs(caller), strokes(caller));
    }

    private List<LearnedView.OfVariety> varieties(Caller caller) {
        Map<UUID, LearnedView.OfVariety> varieties = new LinkedHashMap<>();
        for (TargetView.Budget b : targets.budgetsAsLearned(caller)) {
            Optional<CropLoadTraits> load = crops.of(caller, b.crop()).load();
            if (b.learnedFrom() > 0) {
                varieties.putIfAbsent(
                        b.varietyId(),
                        new LearnedView.OfVariety(
                                b.variety(),
                                b.crop(),
                                load.map(l -> l.setShare().value()).orElse(null),
                                load.map(l -> l.setShare().basis().name()).orElse(null),
                                b.share(),
                                b.shareLow(),
                                b.shareHigh(),
                                b.learnedFrom()));
            }
        }
        return List.copyOf(varieties.values());
    }

    private List<LearnedView.OfCross> pairs(Caller caller) {
        CrossBook book = crosses.book(caller);
        Map<UUID, VarietyView> names =
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity()));
        List<LearnedView.OfCross> pairs = new ArrayList<>();
        book.results().values().stream().flatMap(m -> m.values().stream()).forEach((CrossResults.Result r) -> {
            if (names.containsKey(r.motherId()) && names.containsKey(r.fatherId())) {
                pairs.add(new LearnedView.OfCross(
                        names.get(r.motherId()).name(),
                        names.get(r.fatherId()).name(),
                        r.taken(),
                        r.flowers(),
                        book.cross(r.motherId(), r.fatherId()).compatibilityFactor(),
                        book.weighed(r.motherId(), r.fatherId()).compatibilityFactor()));
            }
        });
        return pairs;
    }

    private List<LearnedView.OfStrokes> strokes(Caller caller) {
        List<TreeResults.Technique> all = results.techniques(caller);
        return all.stream()
                .filter(t -> t.strokes() != null)
                .map(t -> new LearnedView.OfStrokes(
                        crops.of(caller, t.crop()).name(),
                        t.strokes(),
                        t.taken(),
                        t.flowers(),
                        TreeResults.factor(all, t.crop(), t.strokes()).value()))
                .toList();
    }
}
