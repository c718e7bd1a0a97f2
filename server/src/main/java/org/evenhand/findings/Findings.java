package org.evenhand.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.FruitTraits;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.findings.AdjustedOdds;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.fruitset.NaturalDrop;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.MantelHaenszelRatio;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.findings.FindingsView.EstimateView;
import org.evenhand.findings.FindingsView.FactorView;
import org.evenhand.findings.FindingsView.LevelView;
import org.evenhand.findings.FindingsView.SeasonView;
import org.evenhand.findings.FindingsView.SetRate;
import org.evenhand.fruitset.FlowerOutcomes;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Service;

/** What the counts of a season say, factor by factor. */
@Service
class Findings {
    /** Of more classes the rest is only counted: nobody reads hundreds of lines. */
    private static final int MOST_LEVELS = 12;

    private static final int MOST_CURVES = 6;
    private static final List<Factor> TOLD = List.of(
            Factor.LOT_AGE,
            Factor.STORAGE,
            Factor.HOUR,
            Factor.FATHER,
            Factor.VARIETY,
            Factor.STAGE,
            Factor.TEMPERATURE,
            Factor.DRY_AIR,
            Factor.STROKES,
            Factor.VISITS,
            Factor.TOOL,
            Factor.LIMB,
            Factor.HELPER,
            Factor.LOT,
            Factor.TREE,
            Factor.EVENING);

    /** The season whose model is kept as long as no outcome changes. */
    private record ModelKey(UUID orchard, int season, String crop, long version) {}

    private final Cache<ModelKey, Optional<AdjustedOdds>> models =
            Caffeine.newBuilder().maximumSize(200).build();
    private final FlowerOutcomes outcomes;
    private final FactorNames factorNames;
    private final CropCatalogue crops;
    private final FruitFindings fruit;

    Findings(FlowerOutcomes outcomes, FactorNames factorNames, CropCatalogue crops, FruitFindings fruit) {
        this.outcomes = outcomes;
        this.factorNames = factorNames;
        this.crops = crops;
        this.fruit = fruit;
    }

    /** @param season year of bloom; where none is asked the latest of which enough flowers are decided, or else the latest */
    FindingsView of(Caller caller, Integer season, String crop) {
        int waiting = outcomes.refresh(caller);
        List<SeasonView> seasons = seasons(caller);
        Optional<SeasonView> shown = shown(seasons, season, crop);
        return shown.map(s -> new Answer(caller, s).view(seasons, waiting))
                .orElse(new FindingsView(
                        seasons, null, waiting, null, 0, List.of(), null, List.of(), null, List.of(), List.of(), "",
                        List.of(), 0));
    }

    List<SeasonView> seasons(Caller caller) {
        return outcomes.seasons(caller).stream()
                .map(s -> new SeasonView(
                        s.season(), s.crop(), crops.of(caller, s.crop()).name(), s.flowers(), s.decided()))
                .toList();
    }

    static Optional<SeasonView> shown(List<SeasonView> seasons, Integer season, String crop) {
        if (season == null && crop == null) {
            // One that has just begun says little yet.
            return seasons.stream()
                    .filter(s -> s.decided() >= FactorContrast.FEW_FLOWERS)
                    .findFirst()
                    .or(() -> seasons.stream().findFirst());
        }
        return seasons.stream()
                .filter(s -> (season == null || s.season() == season)
                        && (crop == null || s.crop().equals(crop)))
                .findFirst();
    }

    SeasonView required(Caller caller, Integer season, String crop) {
        return shown(seasons(caller), season, crop)
                .orElseThrow(() -> new InvalidInputException("season", "has no records of this crop."));
    }

    static LevelView level(Factor factor, FlowerOutcomes.Level l, FactorNames.OfCrop names) {
        return new LevelView(
                l.level(),
                names.name(factor, l.level()),
                l.share().map(SetRate::of).orElse(null),
                l.undecided(),
                l.decided() < FactorContrast.FEW_FLOWERS);
    }

    /** One season of one crop. */
    private final class Answer {
        private final SeasonView season;
        private final FactorNames.OfCrop names;
        private final Map<Factor, List<FlowerOutcomes.Level>> levels;
        private final Caller caller;

        Answer(Caller caller, SeasonView season) {
            this.caller = caller;
            this.season = season;
            this.names = factorNames.of(caller, season.crop());
            this.levels = outcomes.levels(caller, season.season(), season.crop()).stream()
                    .collect(Collectors.groupingBy(FlowerOutcomes.Level::factor));
        }

        FindingsView view(List<SeasonView> seasons, int waiting) {
            Map<Evidence, FlowerOutcomes.Level> byEvidence =
                    outcomes.byEvidence(caller, season.season(), season.crop());
            Optional<FlowerOutcomes.Level> byHand = Optional.ofNullable(byEvidence.get(Evidence.ORDINARY));
            int comparisons = TOLD.stream()
                    .mapToInt(f -> Math.max(0, (int) comparable(f).count() - 1))
                    .sum();
            return new FindingsView(
                    seasons,
                    season,
                    waiting,
                    byHand.flatMap(FlowerOutcomes.Level::share).map(SetRate::of).orElse(null),
                    byHand.map(FlowerOutcomes.Level::undecided).orElse(0),
                    apart(byEvidence),
                    byHand.map(this::drop).orElse(null),
                    TOLD.stream().flatMap(f -> factor(f, comparisons).stream()).toList(),
                    hand(),
                    fruit.seeds(caller, season.season(), season.crop()),
                    fruit.byCover(caller, season.season(), season.crop()),
                    fruit.misshapen(caller, season.season(), season.crop())
                            .map(c -> FindingWords.contrast(c, Factor.STROKES, names))
                            .orElse(""),
                    fruit.yield(caller, season.season(), season.crop()),
                    comparisons);
        }

        private static List<FindingsView.ApartView> apart(Map<Evidence, FlowerOutcomes.Level> byEvidence) {
            return byEvidence.entrySet().stream()
                    .filter(e -> e.getKey() != Evidence.ORDINARY)
                    .map(e -> new FindingsView.ApartView(
                            e.getKey(),
                            FindingWords.apart(e.getKey()),
                            e.getValue().flowers(),
                            e.getValue().share().map(SetRate::of).orElse(null)))
                    .toList();
        }

        /** Nothing to tell where none fell and none is expected to. */
        private FindingsView.DropView drop(FlowerOutcomes.Level byHand) {
            Optional<Sourced> expected = crops.of(caller, season.crop()).fruit().flatMap(FruitTraits::naturalDrop);
            if (byHand.set() == 0 || (byHand.dropped() == 0 && expected.isEmpty())) {
                return null;
            }
            return new FindingsView.DropView(
                    SetRate.of(new Proportion(byHand.dropped(), byHand.set())),
                    expected.map(Sourced::value).orElse(null),
                    expected.map(e -> e.basis().name()).orElse(null),
                    expected.map(e -> new NaturalDrop(byHand.dropped(), byHand.set(), e.value()).moreThanNature())
                            .orElse(false),
                    FindingWords.drop(byHand.dropped(), byHand.set(), expected));
        }

        private Optional<FlowerOutcomes.Level> treatment(Treatment treatment) {
            return of(Factor.TREATMENT).stream()
                    .filter(l -> l.level().equals(treatment.name()))
                    .findFirst();
        }

        private List<FlowerOutcomes.Level> of(Factor factor) {
            return levels.getOrDefault(factor, List.of());
        }

        private Stream<FactorContrast.Class> comparable(Factor factor) {
            return of(factor).stream()
                    .filter(l -> !l.level().isEmpty() && l.decided() >= FactorContrast.LEAST_FLOWERS)
                    .map(l -> new FactorContrast.Class(l.level(), l.share().orElseThrow()));
        }

        /** A factor with at least two classes; those of one class alone compare nothing. */
        private Optional<FactorView> factor(Factor factor, int comparisons) {
            List<FlowerOutcomes.Level> all = of(factor);
            if (all.stream().filter(l -> !l.level().isEmpty()).count() < 2) {
                return Optional.empty();
            }
            Optional<FactorContrast> contrast =
                    FactorContrast.of(comparable(factor).toList());
            List<FlowerOutcomes.Level> shown = shown(factor, all);
            return Optional.of(new FactorView(
                    factor,
                    FactorNames.title(factor),
                    shown.stream().map(l -> level(factor, l, names)).toList(),
                    all.size() - shown.size(),
                    contrast.map(c -> FindingWords.contrast(c, factor, names))
                            .orElse("Too few flowers are decided to compare anything yet."),
                    contrast.map(c -> FindingWords.change(c, factor, names)).orElse(""),
                    contrast.filter(FactorContrast::sure).isPresent(),
                    contrast.filter(c -> c.sure() && c.sureAmong(comparisons)).isPresent()));
        }

        /** Those with most flowers; classes with an order in their order. */
        private List<FlowerOutcomes.Level> shown(Factor factor, List<FlowerOutcomes.Level> all) {
            List<FlowerOutcomes.Level> most = all.stream()
                    .sorted(Comparator.comparingInt(FlowerOutcomes.Level::flowers)
                            .reversed()
                            .thenComparing(FlowerOutcomes.Level::level))
                    .limit(MOST_LEVELS)
                    .toList();
            return factor.ordered() || factor == Factor.EVENING
                    ? most.stream()
                            .sorted(Comparator.comparing((FlowerOutcomes.Level l) ->
                                            l.level().isEmpty())
                                    .thenComparing(FlowerOutcomes.Level::level))
                            .toList()
                    : most;
        }

        private FindingsView.HandView hand() {
            List<FlowerOutcomes.Level> arms = of(Factor.TREATMENT);
            if (arms.size() < 2) {
                return null;
            }
            Optional<TwoProportions> two = treatment(Treatment.HAND)
                    .flatMap(FlowerOutcomes.Level::share)
                    .flatMap(h -> treatment(Treatment.NATURE)
                            .flatMap(FlowerOutcomes.Level::share)
                            .map(n -> new TwoProportions(h, n)));
            List<TwoProportions> trees = trees();
            Optional<TwoProportions.Estimate> difference = two.map(t -> t.difference(Proportion.USUAL_CONFIDENCE));
            return new FindingsView.HandView(
                    arms.stream().map(l -> level(Factor.TREATMENT, l, names)).toList(),
                    difference.map(EstimateView::of).orElse(null),
                    two.flatMap(t -> t.ratio(Proportion.USUAL_CONFIDENCE))
                            .map(EstimateView::of)
                            .orElse(null),
                    trees.isEmpty()
                            ? null
                            : MantelHaenszelRatio.of(trees, Proportion.USUAL_CONFIDENCE)
                                    .map(p -> EstimateView.of(p.ratio()))
                                    .orElse(null),
                    trees.size(),
                    two.map(t -> FindingWords.hand(t, difference.orElseThrow()))
                            .orElse(
                                    "Flowers left to nature are tagged; none of them, or none by hand, is decided yet."));
        }

        /** Trees that have flowers of both kinds, each compared within itself. */
        private List<TwoProportions> trees() {
            Map<String, Map<String, Proportion>> byTree = new HashMap<>();
            for (FlowerOutcomes.Level l : of(Factor.TREE_AND_TREATMENT)) {
                String[] parts = l.level().split(" ");
                l.share()
                        .ifPresent(s -> byTree.computeIfAbsent(parts[0], t -> new HashMap<>())
                                .put(parts[1], s));
            }
            return byTree.values().stream()
                    .filter(t -> t.containsKey(Treatment.HAND.name()) && t.containsKey(Treatment.NATURE.name()))
                    .map(t -> new TwoProportions(t.get(Treatment.HAND.name()), t.get(Treatment.NATURE.name())))
                    .toList();
        }
    }

    /** The curves of a factor's classes with most flowers. */
    FindingsView.RetentionView retention(Caller caller, Integer season, String crop, Factor factor) {
        outcomes.refresh(caller);
        SeasonView shown = required(caller, season, crop);
        FactorNames.OfCrop names = factorNames.of(caller, shown.crop());
        Map<String, List<KaplanMeier.At>> courses = outcomes.courses(caller, shown.season(), shown.crop(), factor);
        List<String> most = courses.entrySet().stream()
                .filter(e -> !e.getKey().isEmpty() || courses.size() == 1)
                .sorted(Comparator.comparingInt((Map.Entry<String, List<KaplanMeier.At>> e) -> -followed(e.getValue()))
                        .thenComparing(Map.Entry::getKey))
                .limit(MOST_CURVES)
                .map(Map.Entry::getKey)
                .sorted(factor.ordered() ? Comparator.naturalOrder() : (a, b) -> 0)
                .toList();
        Optional<KaplanMeier.Alike> alike =
                KaplanMeier.alike(most.stream().map(courses::get).toList());
        return new FindingsView.RetentionView(
                factor,
                FactorNames.title(factor),
                most.stream()
                        .map(level -> curve(level, names.name(factor, level), courses.get(level)))
                        .toList(),
                alike.map(KaplanMeier.Alike::p).orElse(null),
                alike.map(Findings::say).orElse("There is nothing to compare yet."));
    }

    private static int followed(List<KaplanMeier.At> course) {
        return course.stream().mapToInt(a -> a.lost() + a.censored()).sum();
    }

    private static String say(KaplanMeier.Alike alike) {
        return alike.p() < 0.05
                ? "They do not lose alike: so large a difference would come by chance in fewer than "
                        + (alike.p() < 0.001 ? "1 of 1000" : Math.max(1, Math.round(alike.p() * 100)) + " of 100")
                        + " such seasons (log-rank test)."
                : "Whether they lose differently is not sure: as large a difference would come by chance in "
                        + Math.round(alike.p() * 100) + " of 100 such seasons (log-rank test).";
    }

    private static FindingsView.CurveView curve(String level, String name, List<KaplanMeier.At> course) {
        KaplanMeier r = KaplanMeier.of(course, Proportion.USUAL_CONFIDENCE);
        List<FindingsView.StepView> steps = new ArrayList<>();
        for (KaplanMeier.Step s : r.steps()) {
            steps.add(new FindingsView.StepView(
                    (int) s.time(),
                    s.atRisk(),
                    s.share(),
                    s.interval().map(Proportion.Interval::lower).orElse(null),
                    s.interval().map(Proportion.Interval::upper).orElse(null)));
        }
        return new FindingsView.CurveView(
                level,
                name,
                r.followed(),
                r.lost(),
                (int) course.stream().mapToDouble(KaplanMeier.At::time).max().orElse(0),
                r.median().isPresent() ? (int) r.median().getAsDouble() : null,
                steps);
    }

    /** Several causes at once. */
    FindingsView.CausesView causes(Caller caller, Integer season, String crop) {
        outcomes.refresh(caller);
        SeasonView shown = required(caller, season, crop);
        FactorNames.OfCrop names = factorNames.of(caller, shown.crop());
        Optional<AdjustedOdds> model =
                AdjustedOdds.of(Factor.CAUSES, outcomes.patterns(caller, shown.season(), shown.crop()));
        Function<AdjustedOdds, List<FindingsView.EffectView>> effects = m -> m.effects().stream()
                .map(e -> new FindingsView.EffectView(
                        e.factor(),
                        FactorNames.title(e.factor()),
                        names.name(e.factor(), e.level()),
                        names.name(e.factor(), m.usual().get(e.factor())),
                        e.flowers(),
                        EstimateView.of(e.oddsRatio())))
                .toList();
        return new FindingsView.CausesView(
                model.map(AdjustedOdds::flowers).orElse(0),
                model.map(effects).orElse(List.of()),
                model.map(m -> m.leftOut().stream()
                                .map(l -> FindingWords.leftOut(l, names))
                                .toList())
                        .orElse(List.of()),
                model.isPresent()
                        ? "Each against the most common one of its kind, all else equal. An interval that holds 1 leaves open whether it matters."
                        : "The records do not separate several causes yet: too few flowers are decided, or everything was done the same.");
    }
}
