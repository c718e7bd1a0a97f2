package org.evenhand.mating;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.bloom.Seasons;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.AllelesOfChild;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.mating.Kinship;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.Pedigrees;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Answers who can father whom. */
@Service
class Mates {
    private static final Duration WEEK = Duration.ofDays(7);

    private final Crosses crosses;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final PollenShelf shelf;
    private final Forecasts forecasts;
    private final Seasons seasons;

    Mates(
            Crosses crosses,
            Orchards orchards,
            CropCatalogue crops,
            PollenShelf shelf,
            Forecasts forecasts,
            Seasons seasons) {
        this.crosses = crosses;
        this.orchards = orchards;
        this.crops = crops;
        this.shelf = shelf;
        this.forecasts = forecasts;
        this.seasons = seasons;
    }

    @Transactional(readOnly = true)
    public MatesView all(Caller caller) {
        CrossBook book = crosses.book(caller);
        Map<UUID, Integer> trees = orchards.standing(caller).stream()
                .collect(Collectors.groupingBy(TreeView::varietyId, Collectors.summingInt(t -> 1)));
        Map<UUID, Integer> doses = shelf.all(caller, orchards.now(caller)).stream()
                .filter(l -> l.fathers().size() == 1 && !l.viability().spoiled())
                .collect(Collectors.groupingBy(
                        l -> l.fathers().get(0).varietyId(), Collectors.summingInt(LotView::dosesLeft)));
        Map<String, List<VarietyView>> groups = new TreeMap<>(orchards.varieties(caller).stream()
                .collect(Collectors.groupingBy(v -> crops.of(caller, v.crop()).pollenGroup())));
        return new MatesView(groups.values().stream()
                .map(varieties -> group(caller, book, varieties, trees, doses))
                .toList());
    }

    private MatesView.Group group(
            Caller caller,
            CrossBook book,
            List<VarietyView> varieties,
            Map<UUID, Integer> trees,
            Map<UUID, Integer> doses) {
        List<MatesView.Party> parties = varieties.stream()
                .sorted(Comparator.comparing(VarietyView::crop).thenComparing(VarietyView::name))
                .map(v -> new MatesView.Party(
                        v.id(),
                        v.name(),
                        v.crop(),
                        trees.getOrDefault(v.id(), 0),
                        doses.getOrDefault(v.id(), 0),
                        book.partner(v.id()).alleles().say()))
                .toList();
        List<MatesView.Party> mothers = parties.stream()
                .filter(p -> book.partner(p.varietyId()).sheet().receives())
                .toList();
        List<MatesView.Party> fathers = parties.stream()
                .filter(p -> book.partner(p.varietyId()).sheet().sheds())
                .toList();
        String name = varieties.stream()
                .map(v -> crops.of(caller, v.crop()).name())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
        return new MatesView.Group(name, mothers, fathers, cells(book, mothers, fathers), doubts(book, varieties));
    }

    private static List<String> doubts(CrossBook book, List<VarietyView> varieties) {
        return varieties.stream()
                .map(v -> AllelesOfChild.doubt(
                        book.partner(v.id()),
                        Optional.ofNullable(v.breeding().motherId()).map(book::partner),
                        Optional.ofNullable(v.breeding().fatherId()).map(book::partner)))
                .flatMap(Optional::stream)
                .toList();
    }

    private static List<String> cells(CrossBook book, List<MatesView.Party> mothers, List<MatesView.Party> fathers) {
        return mothers.stream()
                .map(m -> fathers.stream()
                        .map(f -> book.cross(m.varietyId(), f.varietyId())
                                .verdict()
                                .name()
                                .substring(0, 1))
                        .collect(Collectors.joining()))
                .toList();
    }

    @Transactional(readOnly = true)
    public MatesView.Pair pair(Caller caller, UUID motherId, UUID fatherId) {
        VarietyView mother = orchards.variety(caller, motherId);
        VarietyView father = orchards.variety(caller, fatherId);
        CrossBook book = crosses.book(caller);
        double inbreeding = inbreeding(book, motherId, fatherId);
        CrossEvidence seen = book.evidence(motherId, fatherId);
        List<LotView> jars = shelf.all(caller, orchards.now(caller)).stream()
                .filter(l -> l.dosesLeft() > 0
                        && l.fathers().stream().anyMatch(f -> f.varietyId().equals(fatherId)))
                .toList();
        return new MatesView.Pair(
                motherId,
                mother.name(),
                fatherId,
                father.name(),
                MatesView.Answer.of(book.explained(motherId, fatherId)),
                MatesView.Answer.of(book.explained(fatherId, motherId)),
                inbreeding,
                kin(book, motherId, fatherId, inbreeding),
                bloom(caller, motherId, fatherId),
                seen.flowers(),
                seen.taken(),
                jars);
    }

    private static double inbreeding(CrossBook book, UUID mother, UUID father) {
        Pedigrees pedigrees = book.partners().pedigrees();
        String m = pedigrees.name(mother);
        String f = pedigrees.name(father);
        return Kinship.among(pedigrees.pedigree(), List.of(m, f)).ofSeedlings(m, f);
    }

    private static String kin(CrossBook book, UUID mother, UUID father, double inbreeding) {
        if (book.partner(mother).genotype().equals(book.partner(father).genotype())) {
            return String.format(
                    Locale.ROOT, "One clone: seedlings would be as from selfing, inbred by %.1f %%.", 100 * inbreeding);
        }
        return inbreeding == 0
                ? "No common ancestor is known; ancestors that are not written down count as unrelated."
                : String.format(
                        Locale.ROOT,
                        "They have ancestors in common: seedlings would be inbred by %.1f %%.",
                        100 * inbreeding);
    }

    private MatesView.Bloom bloom(Caller caller, UUID mother, UUID father) {
        Map<UUID, BloomProgress> courses = seasons.courses(caller);
        if (!courses.containsKey(mother) || !courses.containsKey(father)) {
            return null;
        }
        Overlap o = Overlap.of(courses.get(father), courses.get(mother));
        return new MatesView.Bloom(
                o.kind(),
                o.fresh().map(BloomProgress.Days::first).orElse(null),
                o.fresh().map(BloomProgress.Days::last).orElse(null),
                o.keepDays());
    }

    /** "What can this jar serve?": every tree of its kind, those with the most to gain first. */
    @Transactional(readOnly = true)
    public List<MatesView.Served> servedBy(Caller caller, UUID lotId) {
        LotView lot = shelf.lot(caller, lotId);
        CrossBook book = crosses.book(caller);
        Instant now = orchards.now(caller);
        CropSheet sheet = crops.of(caller, lot.crop());
        return forecasts.all(caller, now).stream()
                .filter(t -> t.sheet().pollenGroup().equals(sheet.pollenGroup()))
                .map(t -> served(t, book.cross(t.tree().varietyId(), lot), now))
                .sorted(Comparator.comparingDouble((MatesView.Served s) ->
                                -s.answer().compatibilityFactor() * (s.most() == null ? 0 : s.most()))
                        .thenComparing(s -> -s.answer().compatibilityFactor())
                        .thenComparing(MatesView.Served::tree))
                .toList();
    }

    private static MatesView.Served served(Foreseen tree, CrossCompatibility cross, Instant now) {
        List<ForecastPoint> week = tree.known() ? tree.forecast().at(week(now)) : List.of();
        ForecastPoint most = most(week, p -> p.receptive().mean());
        return new MatesView.Served(
                tree.tree().id(),
                tree.tree().name(),
                tree.tree().varietyName(),
                MatesView.Answer.of(cross),
                week.isEmpty() ? null : week.get(0).receptive().mean(),
                most == null ? null : most.receptive().mean(),
                most == null ? null : most.at());
    }

    private static ForecastPoint most(List<ForecastPoint> points, ToDoubleFunction<ForecastPoint> flowers) {
        return points.stream().max(Comparator.comparingDouble(flowers)).orElse(null);
    }

    private static List<Instant> week(Instant now) {
        return IntStream.rangeClosed(0, (int) WEEK.toHours())
                .mapToObj(h -> now.plus(Duration.ofHours(h)))
                .toList();
    }

    /** "Who can serve this tree this week?": jars with something left and alive, and trees that will give pollen. */
    @Transactional(readOnly = true)
    public MatesView.Servers serversOf(Caller caller, UUID treeId) {
        TreeView tree = orchards.tree(caller, treeId);
        CrossBook book = crosses.book(caller);
        Instant now = orchards.now(caller);
        String group = crops.of(caller, tree.crop()).pollenGroup();
        List<MatesView.JarServer> jars = shelf.all(caller, now).stream()
                .filter(l -> l.dosesLeft() > 0 && !l.viability().spoiled())
                .filter(l -> crops.of(caller, l.crop()).pollenGroup().equals(group))
                .map(l -> new MatesView.JarServer(l, MatesView.Answer.of(book.cross(tree.varietyId(), l))))
                .sorted(Comparator.comparingDouble((MatesView.JarServer j) ->
                        -j.answer().compatibilityFactor() * j.lot().viability().share()))
                .toList();
        return new MatesView.Servers(
                tree.id(), tree.name(), tree.varietyName(), jars, shedding(caller, tree, book, group, now));
    }

    private List<MatesView.TreeServer> shedding(
            Caller caller, TreeView tree, CrossBook book, String group, Instant now) {
        List<MatesView.TreeServer> shedding = new ArrayList<>();
        for (Foreseen other : forecasts.all(caller, now)) {
            if (other.known() && other.sheet().pollenGroup().equals(group)) {
                ForecastPoint most =
                        most(other.forecast().at(week(now)), p -> p.shedding().mean());
                if (most.shedding().mean() >= TreeOutlook.THERE) {
                    CrossCompatibility cross =
                            book.cross(tree.varietyId(), other.tree().varietyId());
                    shedding.add(new MatesView.TreeServer(
                            other.tree().id(),
                            other.tree().name(),
                            other.tree().varietyName(),
                            MatesView.Answer.of(cross),
                            most.shedding().mean(),
                            most.at()));
                }
            }
        }
        shedding.sort(Comparator.comparingDouble(
                (MatesView.TreeServer t) -> -t.answer().compatibilityFactor() * t.most()));
        return shedding;
    }
}
