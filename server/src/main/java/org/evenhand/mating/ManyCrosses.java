package org.evenhand.mating;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.bloom.Seasons;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.PollenStoragePlan;
import org.evenhand.core.pollen.FlowersToCollect;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.Pedigrees;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The table of many crosses: mothers against fathers, with what all of it takes. */
@Service
class ManyCrosses {
    static final int MOST_PAIRS = 5000;

    private final Crosses crosses;
    private final CrossRequests requests;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Seasons seasons;
    private final PollenShelf shelf;

    ManyCrosses(
            Crosses crosses,
            CrossRequests requests,
            Orchards orchards,
            CropCatalogue crops,
            Seasons seasons,
            PollenShelf shelf) {
        this.crosses = crosses;
        this.requests = requests;
        this.orchards = orchards;
        this.crops = crops;
        this.seasons = seasons;
        this.shelf = shelf;
    }

    /** A father on a mother. */
    private record Pair(UUID mother, UUID father) {}

    /** @throws InvalidInputException where they are too many pairs, or a variety is not there */
    @Transactional(readOnly = true)
    ManyCrossesView of(Caller caller, ManyCrossesRequest request) {
        Set<UUID> mothers = new LinkedHashSet<>(request.mothers());
        Set<UUID> fathers = new LinkedHashSet<>(request.fathers());
        if ((long) mothers.size() * fathers.size() > MOST_PAIRS) {
            throw new InvalidInputException(
                    "mothers",
                    "and fathers make " + (long) mothers.size() * fathers.size() + " crosses; at most " + MOST_PAIRS
                            + " are shown at once. Choose fewer.");
        }
        return new Answer(caller, request).of(mothers, fathers);
    }

    private static Set<Pair> pairs(List<ManyCrossesRequest.Cross> crosses) {
        return crosses == null
                ? Set.of()
                : crosses.stream()
                        .map(c -> new Pair(c.motherId(), c.fatherId()))
                        .collect(Collectors.toSet());
    }

    /** One question, with all that it needs read once. */
    private final class Answer {
        private final Caller caller;
        private final int flowers;
        private final Set<Pair> leftOut;
        private final Set<Pair> also;
        private final CrossBook book;
        private final Map<UUID, VarietyView> varieties;
        private final Map<UUID, BloomProgress> courses;
        private final Map<UUID, Integer> trees;
        private final Map<Pair, Integer> wanted = new HashMap<>();
        private final LocalDate today;
        private final ZoneId zone;

        Answer(Caller caller, ManyCrossesRequest request) {
            this.caller = caller;
            this.flowers = request.flowers();
            this.leftOut = pairs(request.leftOut());
            this.also = pairs(request.also());
            this.book = crosses.book(caller);
            this.varieties = Pedigrees.byId(orchards.varieties(caller));
            this.courses = seasons.courses(caller);
            this.trees = orchards.standing(caller).stream()
                    .collect(Collectors.groupingBy(TreeView::varietyId, Collectors.summingInt(t -> 1)));
            requests.wanted(caller).forEach(w -> wanted.put(new Pair(w.motherId(), w.fatherId()), w.flowers()));
            this.today = orchards.today(caller);
            this.zone = orchards.details(caller).site().zone();
        }

        ManyCrossesView of(Set<UUID> mothers, Set<UUID> fathers) {
            List<ManyCrossesView.Row> rows = new ArrayList<>();
            int pairs = 0;
            for (UUID mother : mothers) {
                for (UUID father : fathers) {
                    boolean there = book.partner(require("mothers", mother).id())
                                    .sheet()
                                    .receives()
                            && book.partner(require("fathers", father).id())
                                    .sheet()
                                    .sheds();
                    pairs += there && !mother.equals(father) ? 1 : 0;
                    if (there
                            && !mother.equals(father)
                            && book.cross(mother, father).serves()) {
                        rows.add(row(new Pair(mother, father)));
                    }
                }
            }
            rows.sort(Comparator.comparing((ManyCrossesView.Row r) -> !r.meant())
                    .thenComparing(ManyCrossesView.Row::father)
                    .thenComparing(ManyCrossesView.Row::motherFrom, Comparator.nullsLast(Comparator.naturalOrder()))
                    .thenComparing(ManyCrossesView.Row::mother));
            List<ManyCrossesView.Row> meant =
                    rows.stream().filter(ManyCrossesView.Row::meant).toList();
            int fit = (int) rows.stream()
                    .filter(r -> r.verdict() != CrossCompatibility.Verdict.UNKNOWN)
                    .count();
            return new ManyCrossesView(pairs, fit, meant.size(), rows, sums(meant));
        }

        private VarietyView require(String field, UUID id) {
            VarietyView found = varieties.get(id);
            if (found == null) {
                throw new InvalidInputException(field, "name a variety that is not in this orchard.");
            }
            return found;
        }

        private ManyCrossesView.Row row(Pair pair) {
            CrossCompatibility cross = book.cross(pair.mother(), pair.father());
            VarietyView mother = varieties.get(pair.mother());
            VarietyView father = varieties.get(pair.father());
            Optional<PollenStoragePlan> plan = plan(pair, father);
            Optional<Integer> doses = plan.flatMap(p -> p.doses(flowers));
            Integer already = wanted.get(pair);
            boolean possible =
                    already == null && trees.containsKey(mother.id()) && (plan.isEmpty() || doses.isPresent());
            boolean meets = doses.isPresent() && cross.verdict() != CrossCompatibility.Verdict.UNKNOWN;
            Optional<BloomProgress.Days> use = plan.flatMap(PollenStoragePlan::use);
            Optional<BloomProgress.Days> fresh = plan.flatMap(PollenStoragePlan::fresh);
            return new ManyCrossesView.Row(
                    mother.id(),
                    mother.name(),
                    trees.getOrDefault(mother.id(), 0),
                    father.id(),
                    father.name(),
                    cross.verdict(),
                    cross.why(),
                    plan.map(PollenStoragePlan::kind).orElse(null),
                    use.map(BloomProgress.Days::first).orElse(null),
                    use.map(BloomProgress.Days::last).orElse(null),
                    fresh.map(BloomProgress.Days::first).orElse(null),
                    fresh.map(BloomProgress.Days::last).orElse(null),
                    plan.map(PollenStoragePlan::days).orElse(0L),
                    doses.orElse(null),
                    already,
                    possible,
                    possible && (meets && !leftOut.contains(pair) || also.contains(pair)));
        }

        private Optional<PollenStoragePlan> plan(Pair pair, VarietyView father) {
            BloomProgress sheds = courses.get(pair.father());
            BloomProgress receives = courses.get(pair.mother());
            return sheds == null || receives == null
                    ? Optional.empty()
                    : Optional.of(PollenStoragePlan.of(
                            crops.of(caller, father.crop()),
                            father.smallFlowers(),
                            sheds,
                            receives,
                            flowers,
                            today,
                            zone));
        }

        private List<ManyCrossesView.FatherSum> sums(List<ManyCrossesView.Row> meant) {
            Map<UUID, Integer> stored = stored();
            Map<UUID, List<ManyCrossesView.Row>> byFather = meant.stream()
                    .collect(Collectors.groupingBy(
                            ManyCrossesView.Row::fatherId, LinkedHashMap::new, Collectors.toList()));
            return byFather.entrySet().stream()
                    .map(e -> sum(varieties.get(e.getKey()), e.getValue(), stored.getOrDefault(e.getKey(), 0)))
                    .toList();
        }

        private ManyCrossesView.FatherSum sum(VarietyView father, List<ManyCrossesView.Row> rows, int stored) {
            // Where it is not known how the pollen gets there, fresh pollen is the least it takes.
            int doses = rows.stream()
                    .mapToInt(r -> r.doses() == null ? flowers : r.doses())
                    .sum();
            return new ManyCrossesView.FatherSum(
                    father.id(),
                    father.name(),
                    rows.size(),
                    rows.size() * flowers,
                    doses,
                    stored,
                    FlowersToCollect.of(father.dosesPerFlower(crops.of(caller, father.crop())), doses)
                            .sure());
        }

        /** Good doses on the shelf, blends left out. */
        private Map<UUID, Integer> stored() {
            Instant now = orchards.now(caller);
            return shelf.all(caller, now).stream()
                    .filter(l -> l.fathers().size() == 1 && l.viability().goodUntil() != null)
                    .collect(Collectors.groupingBy(
                            l -> l.fathers().get(0).varietyId(), Collectors.summingInt(l -> l.dosesLeft())));
        }
    }
}
