package org.evenhand.judging;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.judging.CrossForecast;
import org.evenhand.core.judging.Merit;
import org.evenhand.core.judging.Repeatability;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.statistics.MeanInterval;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.cross.SeedlingView;
import org.evenhand.cross.Seedlings;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.Pedigrees;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plants by their scores, and which crosses promise most by them. */
@Service
class Judging {
    /** Crosses that are shown; further down a list nobody reads. */
    private static final int MOST_PAIRS = 50;

    private final Scores scores;
    private final Seedlings seedlings;
    private final Orchards orchards;
    private final Crosses crosses;
    private final ControlledCrosses made;

    Judging(Scores scores, Seedlings seedlings, Orchards orchards, Crosses crosses, ControlledCrosses made) {
        this.scores = scores;
        this.seedlings = seedlings;
        this.orchards = orchards;
        this.crosses = crosses;
        this.made = made;
    }

    @Transactional(readOnly = true)
    JudgingView of(Caller caller, String crop) {
        Scored scored = new Scored(caller, crop);
        List<UUID> plants = List.copyOf(scored.byPlant.keySet());
        List<Merit> merits = Merit.of(
                scored.traits.stream()
                        .map(t -> column(
                                t,
                                plants.stream()
                                        .map(p -> scored.mean(p, t.id()).map(MeanInterval::mean))
                                        .toList()))
                        .toList(),
                plants.size());
        List<JudgingView.Plant> views = new ArrayList<>();
        for (int i = 0; i < plants.size(); i++) {
            scored.plant(plants.get(i), merits.get(i)).ifPresent(views::add);
        }
        views.sort(Comparator.comparing(JudgingView.Plant::merit).reversed().thenComparing(JudgingView.Plant::name));
        return new JudgingView(scored.traits.stream().map(scored::view).toList(), views);
    }

    private static Merit.Column column(Trait trait, List<Optional<Double>> values) {
        List<Double> orNull = new ArrayList<>();
        values.forEach(v -> orNull.add(v.orElse(null)));
        return new Merit.Column(trait.better(), trait.weight(), orNull);
    }

    @Transactional(readOnly = true)
    JudgingView.Crosses crosses(Caller caller, String crop) {
        Scored scored = new Scored(caller, crop);
        Map<UUID, List<CrossForecast.Family>> families = scored.families();
        CrossBook book = crosses.book(caller);
        List<VarietyView> parents = scored.varieties.values().stream()
                .filter(v -> scored.byPlant.containsKey(v.id()))
                .toList();
        Pedigrees pedigrees = Pedigrees.of(List.copyOf(scored.varieties.values()));
        Kinship kinship = Kinship.among(
                pedigrees.pedigree(),
                parents.stream().map(v -> pedigrees.name(v.id())).toList());
        Map<List<UUID>, List<String>> madeBefore = madeBefore(caller);
        List<JudgingView.Pair> pairs = new ArrayList<>();
        for (VarietyView mother : parents) {
            for (VarietyView father : parents) {
                CrossCompatibility fit = book.cross(mother.id(), father.id());
                if (mother.equals(father) || !fit.serves()) {
                    continue;
                }
                pairs.add(new JudgingView.Pair(
                        mother.id(),
                        mother.name(),
                        father.id(),
                        father.name(),
                        kinship.ofSeedlings(pedigrees.name(mother.id()), pedigrees.name(father.id())),
                        fit.verdict() != CrossCompatibility.Verdict.UNKNOWN,
                        scored.foretold(mother.id(), father.id(), families),
                        madeBefore.getOrDefault(List.of(mother.id(), father.id()), List.of()),
                        0,
                        0));
            }
        }
        return new JudgingView.Crosses(best(scored.traits, pairs), pairs.size());
    }

    private static List<JudgingView.Pair> best(List<Trait> traits, List<JudgingView.Pair> pairs) {
        List<Merit> merits = Merit.of(
                traits.stream()
                        .map(t -> column(
                                t,
                                pairs.stream()
                                        .map(p -> p.traits().stream()
                                                .filter(f -> f.traitId().equals(t.id()))
                                                .map(JudgingView.Foretold::mean)
                                                .findFirst())
                                        .toList()))
                        .toList(),
                pairs.size());
        List<JudgingView.Pair> weighed = new ArrayList<>();
        for (int i = 0; i < pairs.size(); i++) {
            weighed.add(pairs.get(i).with(merits.get(i)));
        }
        return weighed.stream()
                .sorted(Comparator.comparing(JudgingView.Pair::merit)
                        .reversed()
                        .thenComparing(JudgingView.Pair::mother)
                        .thenComparing(JudgingView.Pair::father))
                .limit(MOST_PAIRS)
                .toList();
    }

    /** Labels of crosses of any year, by mother and father. */
    private Map<List<UUID>, List<String>> madeBefore(Caller caller) {
        Map<UUID, UUID> varietyOf =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::varietyId));
        Map<List<UUID>, List<String>> labels = new HashMap<>();
        made.everMade(caller).stream()
                .filter(c -> varietyOf.containsKey(c.treeId()))
                .forEach(c -> labels.computeIfAbsent(
                                List.of(varietyOf.get(c.treeId()), c.fatherId()), k -> new ArrayList<>())
                        .add(c.label()));
        return labels;
    }

    /** Scores of a crop, read once. */
    private final class Scored {
        private final List<Trait> traits;
        private final List<Score> all;
        /** By seedling or variety, then by trait. */
        private final Map<UUID, Map<UUID, List<Double>>> byPlant = new LinkedHashMap<>();

        private final Map<UUID, SeedlingView.Row> seedlingsById;
        private final Map<UUID, VarietyView> varieties;

        Scored(Caller caller, String crop) {
            this.traits = scores.traits(caller, crop);
            this.all = scores.of(caller, traits);
            all.forEach(s -> byPlant.computeIfAbsent(s.plant(), p -> new HashMap<>())
                    .computeIfAbsent(s.traitId(), t -> new ArrayList<>())
                    .add(s.value()));
            this.seedlingsById = seedlings.all(caller).stream().collect(Collectors.toMap(SeedlingView.Row::id, r -> r));
            this.varieties = Pedigrees.byId(orchards.varieties(caller));
        }

        Optional<MeanInterval> mean(UUID plant, UUID trait) {
            return Optional.ofNullable(byPlant.getOrDefault(plant, Map.of()).get(trait))
                    .map(MeanInterval::of);
        }

        JudgingView.OfTrait view(Trait t) {
            List<List<Double>> plants = byPlant.values().stream()
                    .map(p -> p.getOrDefault(t.id(), List.of()))
                    .filter(s -> !s.isEmpty())
                    .toList();
            return new JudgingView.OfTrait(
                    t.id(),
                    t.crop(),
                    t.name(),
                    t.unit(),
                    t.low(),
                    t.high(),
                    t.better(),
                    t.weight(),
                    plants.stream().mapToInt(List::size).sum(),
                    Repeatability.of(plants)
                            .map(r -> new JudgingView.Agreement(
                                    r.share(),
                                    r.interval().lower(),
                                    r.interval().upper(),
                                    r.plants(),
                                    r.scores(),
                                    r.verdict()))
                            .orElse(null),
                    t.version());
        }

        /** Empty for one that was removed. */
        Optional<JudgingView.Plant> plant(UUID id, Merit merit) {
            SeedlingView.Row seedling = seedlingsById.get(id);
            VarietyView variety = varieties.get(id);
            if (seedling == null && variety == null) {
                return Optional.empty();
            }
            return Optional.of(new JudgingView.Plant(
                    seedling == null ? JudgingView.Kind.VARIETY : JudgingView.Kind.SEEDLING,
                    id,
                    seedling == null ? variety.name() : seedling.number(),
                    seedling == null ? null : seedling.mother(),
                    seedling == null ? null : seedling.father(),
                    traits.stream()
                            .flatMap(t -> mean(id, t.id()).map(m -> view(t, m)).stream())
                            .toList(),
                    merit.value(),
                    merit.unknown()));
        }

        private static JudgingView.Mean view(Trait trait, MeanInterval m) {
            Optional<Proportion.Interval> interval =
                    m.interval(CrossForecast.CONFIDENCE).map(trait.scale()::onScale);
            return new JudgingView.Mean(
                    trait.id(),
                    m.mean(),
                    m.n(),
                    interval.map(Proportion.Interval::lower).orElse(null),
                    interval.map(Proportion.Interval::upper).orElse(null));
        }

        /** Crosses that were made and scored, by trait: those of which both parents are scored. */
        Map<UUID, List<CrossForecast.Family>> families() {
            Map<List<UUID>, List<UUID>> seedlingsOf = new LinkedHashMap<>();
            seedlingsById.values().stream()
                    .filter(s -> s.fatherId() != null && byPlant.containsKey(s.id()))
                    .forEach(s -> seedlingsOf
                            .computeIfAbsent(List.of(s.motherId(), s.fatherId()), k -> new ArrayList<>())
                            .add(s.id()));
            Map<UUID, List<CrossForecast.Family>> families = new HashMap<>();
            for (Trait trait : traits) {
                seedlingsOf.forEach((parents, children) -> {
                    List<Double> means = children.stream()
                            .flatMap(c -> mean(c, trait.id()).map(MeanInterval::mean).stream())
                            .toList();
                    if (!means.isEmpty()) {
                        ofParents(parents.get(0), parents.get(1), trait.id())
                                .ifPresent(mid -> families.computeIfAbsent(trait.id(), t -> new ArrayList<>())
                                        .add(new CrossForecast.Family(mid, means)));
                    }
                });
            }
            return families;
        }

        private Optional<Double> ofParents(UUID mother, UUID father, UUID trait) {
            return mean(mother, trait).flatMap(m -> mean(father, trait).map(f -> (m.mean() + f.mean()) / 2));
        }

        List<JudgingView.Foretold> foretold(UUID mother, UUID father, Map<UUID, List<CrossForecast.Family>> families) {
            return traits.stream()
                    .flatMap(t -> ofParents(mother, father, t.id())
                            .map(mid -> view(t, CrossForecast.of(mid, families.getOrDefault(t.id(), List.of()))))
                            .stream())
                    .toList();
        }

        private static JudgingView.Foretold view(Trait trait, CrossForecast f) {
            Optional<Proportion.Interval> ofMean = f.ofMean().map(trait.scale()::onScale);
            Optional<Proportion.Interval> ofOne = f.ofOne().map(trait.scale()::onScale);
            return new JudgingView.Foretold(
                    trait.id(),
                    f.mean(),
                    ofMean.map(Proportion.Interval::lower).orElse(null),
                    ofMean.map(Proportion.Interval::upper).orElse(null),
                    ofOne.map(Proportion.Interval::lower).orElse(null),
                    ofOne.map(Proportion.Interval::upper).orElse(null),
                    f.slope().orElse(null),
                    f.crosses(),
                    f.seedlings());
        }
    }
}
