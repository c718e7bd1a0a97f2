package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.FruitTraits;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.fruitset.FallenFruit;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollination.PollinationView;
import org.evenhand.pollination.Pollinations;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Single fruits: numbered, harvested, found fallen. */
@Service
public class Fruits {
    /** The question that is asked where there are more seeds than ovules. */
    public static final String MANY_SEEDS = "more-seeds-than-ovules";

    private static final int MOST_SOURCES = 300;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);

    private final FruitRepository fruits;
    private final FlowerOutcomes outcomes;
    private final Pollinations pollinations;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    Fruits(
            FruitRepository fruits,
            FlowerOutcomes outcomes,
            Pollinations pollinations,
            Orchards orchards,
            CropCatalogue crops,
            IdempotentWriter once) {
        this.fruits = fruits;
        this.outcomes = outcomes;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    /** The fruits of this season, and those of earlier ones that have not ended. */
    FruitsView all(Caller caller) {
        outcomes.refresh(caller);
        int year = year(caller, orchards.now(caller));
        List<Fruit> found = fruits.ofSeasonOrHanging(caller.orchardId(), year);
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        Map<UUID, PollinationView> from = pollinationsOf(caller, found);
        ZoneId zone = orchards.details(caller).site().zone();
        return new FruitsView(
                year,
                1
                        + found.stream()
                                .filter(f -> f.number() != null && f.year() == year)
                                .mapToInt(Fruit::number)
                                .max()
                                .orElse(0),
                found.stream()
                        .sorted(Comparator.comparing(Fruit::year)
                                .thenComparing(Fruit::number, Comparator.nullsLast(Comparator.naturalOrder()))
                                .thenComparing(Fruit::id))
                        .map(f -> view(
                                f,
                                trees.computeIfAbsent(f.treeId(), removed -> orchards.tree(caller, removed)),
                                from.get(f.pollinationId()),
                                zone))
                        .toList(),
                sources(caller, year, zone));
    }

    /** Seeds in fruits of this season and the one before that were harvested and opened, by tree, pollen and year of the harvest. */
    public List<HarvestedSeeds> harvestedSeeds(Caller caller) {
        ZoneId zone = orchards.details(caller).site().zone();
        List<Fruit> opened = fruits.harvestedWithSeeds(caller.orchardId(), year(caller, orchards.now(caller)) - 1);
        Map<UUID, PollinationView> from = pollinationsOf(caller, opened);
        Map<List<Object>, HarvestedSeeds> sums = new LinkedHashMap<>();
        for (Fruit f : opened) {
            PollinationView of = from.get(f.pollinationId());
            HarvestedSeeds one = seeds(f, of, zone);
            sums.merge(
                    Arrays.asList(
                            one.treeId(),
                            one.crossId(),
                            one.pollenOf(),
                            one.harvestedOn().getYear()),
                    one,
                    HarvestedSeeds::and);
        }
        return List.copyOf(sums.values());
    }

    /** The pollinations that fruits grew from, as far as they are known, by their ids. */
    private Map<UUID, PollinationView> pollinationsOf(Caller caller, List<Fruit> of) {
        List<UUID> ids = of.stream()
                .map(Fruit::pollinationId)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        return pollinations.withIds(caller, ids).stream()
                .collect(Collectors.toMap(PollinationView::id, Function.identity()));
    }

    private static HarvestedSeeds seeds(Fruit f, PollinationView from, ZoneId zone) {
        UUID crossId = from == null ? null : from.crossId();
        boolean byHand = crossId == null && from != null && from.how().treatment() == Treatment.HAND;
        int empty = f.end().emptySeeds() == null ? 0 : f.end().emptySeeds();
        LocalDate on = f.end().at().atZone(zone).toLocalDate();
        return new HarvestedSeeds(
                f.treeId(),
                crossId,
                byHand ? from.pollenParent() : null,
                on,
                1,
                f.end().seeds() - empty,
                empty);
    }

    private static FruitsView.FruitView view(Fruit f, TreeView tree, PollinationView from, ZoneId zone) {
        return new FruitsView.FruitView(
                f.id(),
                tree.id(),
                tree.name(),
                tree.crop(),
                f.pollinationId(),
                from == null ? "not known from which flower" : say(from, zone),
                f.year(),
                f.number(),
                f.numberedAt(),
                f.end(),
                f.version());
    }

    private static String say(PollinationView p, ZoneId zone) {
        String day = DAY.format(p.doneAt().atZone(zone));
        String who = p.how().treatment() == Treatment.HAND ? "with " + p.pollenParent() : p.lotCode();
        String cross = p.crossLabel() == null ? "" : "cross " + p.crossLabel() + ", ";
        return cross + who + ", " + day;
    }

    /** Flowers of the season that hold fruit, and of the one before whose fruit may hang still. */
    private List<FruitsView.Source> sources(Caller caller, int season, ZoneId zone) {
        LocalDate today = orchards.today(caller);
        Map<UUID, Integer> holding = new HashMap<>(outcomes.holding(caller, season - 1, MOST_SOURCES));
        Map<UUID, Integer> now = outcomes.holding(caller, season, MOST_SOURCES);
        holding.putAll(now);
        Set<UUID> standing =
                orchards.standing(caller).stream().map(TreeView::id).collect(Collectors.toSet());
        Map<UUID, int[]> known = new HashMap<>();
        for (Fruit f :
                fruits.findByOrchardIdAndPollinationIdInAndVoidedAtIsNull(caller.orchardId(), holding.keySet())) {
            int[] ended = known.computeIfAbsent(f.pollinationId(), id -> new int[2]);
            ended[f.end() == null ? 1 : 0]++;
        }
        return pollinations.withIds(caller, holding.keySet()).stream()
                .map(p -> source(
                        p,
                        crops.of(caller, p.crop()).fruit(),
                        today,
                        holding.get(p.id()),
                        known.getOrDefault(p.id(), new int[2]),
                        zone))
                .filter(s -> s.hanging() > 0 && standing.contains(s.treeId()))
                .filter(s -> now.containsKey(s.pollinationId()) || mayHang(caller, s, today))
                .sorted(Comparator.comparing(FruitsView.Source::tree).thenComparing(FruitsView.Source::on))
                .toList();
    }

    private boolean mayHang(Caller caller, FruitsView.Source source, LocalDate today) {
        return crops.of(caller, source.crop())
                .fruit()
                .filter(traits -> !today.isAfter(traits.mayHangUntil(source.on())))
                .isPresent();
    }

    private static FruitsView.Source source(
            PollinationView p, Optional<FruitTraits> traits, LocalDate today, int holding, int[] known, ZoneId zone) {
        LocalDate on = p.doneAt().atZone(zone).toLocalDate();
        LocalDate number =
                traits.map(h -> on.plusDays((long) h.numberAtDays().value())).orElse(null);
        int hanging = Math.max(0, holding - known[0]);
        return new FruitsView.Source(
                p.id(),
                p.treeId(),
                p.treeName(),
                p.crop(),
                say(p, zone),
                on,
                hanging,
                Math.max(0, hanging - known[1]),
                p.markLasts() == Mark.Lasts.FRUIT,
                number,
                number != null && !today.isBefore(number),
                traits.map(h -> on.plusDays((long) h.ripeAtDays().value())).orElse(null));
    }

    /** The flowers a fruit found under a tree can have come from, the likeliest first. */
    List<FruitsView.Candidate> fallen(Caller caller, UUID treeId, Boolean sepalsMissing) {
        orchards.tree(caller, treeId);
        Map<String, FruitsView.Source> sources = all(caller).sources().stream()
                .filter(s -> s.treeId().equals(treeId))
                .collect(Collectors.toMap(s -> s.pollinationId().toString(), Function.identity()));
        return FallenFruit.candidates(
                        sources.entrySet().stream()
                                .map(e -> new FallenFruit.Source(
                                        e.getKey(),
                                        e.getValue().unnumbered(),
                                        e.getValue().calyxCut()))
                                .toList(),
                        sepalsMissing)
                .stream()
                .map(c -> new FruitsView.Candidate(
                        sources.get(c.source().name()).pollinationId(),
                        sources.get(c.source().name()).from(),
                        c.source().hanging(),
                        c.share()))
                .toList();
    }

    private int year(Caller caller, Instant at) {
        var site = orchards.details(caller).site();
        return site.bloomYear(at.atZone(site.zone()).toLocalDate());
    }

    public FruitsView.FruitView put(Caller caller, UUID id, FruitRequests.Fruit request) {
        try {
            Fruit written =
                    once.write(fruits, caller, id, found -> again(found, request), () -> insert(caller, id, request));
            return view(caller, written);
        } catch (DataIntegrityViolationException e) {
            throw numberTaken(request.number());
        }
    }

    private static InvalidInputException numberTaken(Integer number) {
        return new InvalidInputException(
                "number", "is " + number + ", which another fruit has. Take the next free one.");
    }

    private FruitsView.FruitView view(Caller caller, Fruit f) {
        PollinationView from = f.pollinationId() == null ? null : pollinations.pollination(caller, f.pollinationId());
        return view(
                f,
                orchards.tree(caller, f.treeId()),
                from,
                orchards.details(caller).site().zone());
    }

    private static Fruit again(Fruit found, FruitRequests.Fruit request) {
        if (!found.treeId().equals(request.treeId()) || !Objects.equals(found.number(), request.number())) {
            throw ConflictException.otherwise("fruit");
        }
        return found;
    }

    private Fruit insert(Caller caller, UUID id, FruitRequests.Fruit request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        ZoneId zone = orchards.details(caller).site().zone();
        PollinationView from = from(caller, tree, request.pollinationId());
        if (request.number() == null && request.end() == null) {
            throw new InvalidInputException("number", "is missing; give the fruit its number, or say how it ended.");
        }
        Instant numberedAt = request.number() == null
                ? null
                : Given.notInFuture("numberedAt", request.numberedAt(), orchards.now(caller), zone);
        Instant when =
                numberedAt == null ? Given.required("end.at", request.end().at()) : numberedAt;
        int year = from == null ? year(caller, when) : year(caller, from.doneAt());
        refuseTakenNumber(caller, year, request.number());
        Fruit fruit = new Fruit(
                id,
                caller,
                orchards.now(caller),
                zone,
                tree.id(),
                request.pollinationId(),
                year,
                request.number(),
                numberedAt);
        if (request.end() != null) {
            fruit.end(end(caller, tree, from, request.end(), request.confirmed()), request.pollinationId());
        }
        return fruits.saveAndFlush(fruit);
    }

    private PollinationView from(Caller caller, TreeView tree, UUID pollinationId) {
        if (pollinationId == null) {
            return null;
        }
        PollinationView from = pollinations.pollination(caller, pollinationId);
        if (!from.treeId().equals(tree.id())) {
            throw new InvalidInputException(
                    "pollinationId", "is of " + from.treeName() + ", not of " + tree.name() + ".");
        }
        return from;
    }

    /** The end as it is kept; asks where there are more seeds than ovules. */
    private FruitEnd end(Caller caller, TreeView tree, PollinationView from, FruitEnd given, List<String> confirmed) {
        ZoneId zone = orchards.details(caller).site().zone();
        Instant at = Given.notInFuture("end.at", given.at(), orchards.now(caller), zone);
        if (from != null && at.isBefore(from.doneAt())) {
            throw new InvalidInputException(
                    "end.at",
                    "is " + Given.say(at, zone) + ", before the pollination on " + Given.say(from.doneAt(), zone)
                            + ".");
        }
        FruitEnd end = given.checked(at);
        crops.of(caller, tree.crop()).cross().ifPresent(traits -> {
            int ovules = traits.seedsHeld(1);
            boolean asked = confirmed == null || !confirmed.contains(MANY_SEEDS);
            if (end.seeds() != null && end.seeds() > ovules && asked) {
                throw new QuestionException(
                        MANY_SEEDS,
                        end.seeds() + " seeds are more than a fruit of this crop holds, " + ovules
                                + " by its crop sheet. Did a second fruit slip in? Write it down all the same?");
            }
        });
        return end;
    }

    /** One fruit, of whichever season. */
    @Transactional(readOnly = true)
    public FruitsView.FruitView fruit(Caller caller, UUID id) {
        return view(caller, fruits.require(caller, id));
    }

    /** Tells how a fruit ended; the same told twice is once, and something else only under the version that was seen. */
    public FruitsView.FruitView end(Caller caller, UUID id, FruitRequests.End request) {
        Fruit fruit = endOnce(caller, id, request);
        return view(caller, fruit);
    }

    private Fruit endOnce(Caller caller, UUID id, FruitRequests.End request) {
        Fruit fruit = fruits.current(caller, id);
        TreeView tree = orchards.tree(caller, fruit.treeId());
        ZoneId zone = orchards.details(caller).site().zone();
        FruitEnd end = end(caller, tree, from(caller, tree, fruit.pollinationId()), request.end(), request.confirmed());
        if (fruit.end() != null) {
            if (fruit.end().equals(end)) {
                return fruit;
            }
            if (request.version() != null) {
                fruit.requireVersion("fruit", request.version());
                fruit.end(end, null);
                return fruits.saveAndFlush(fruit);
            }
            throw new InvalidInputException(
                    "end.kind",
                    "was recorded already: "
                            + fruit.end().kind().name().toLowerCase(Locale.ROOT).replace('_', ' ') + " on "
                            + Given.say(fruit.end().at(), zone)
                            + ". A fruit ends once; remove that record if it is wrong.");
        }
        fruit.end(end, null);
        return fruits.saveAndFlush(fruit);
    }

    /** Takes the end of a numbered fruit back, as where an import said it. */
    @Transactional
    void hang(Caller caller, UUID id, Long version) {
        fruits.correct(caller, id, version, Fruit::hang);
    }

    @Transactional
    public void voidFruit(Caller caller, UUID id, VoidRequest request) {
        fruits.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts a removed fruit back, where no other has its number by now. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        fruits.restoreOnce(caller, id, version, fruit -> {
            orchards.requireStanding(caller, fruit.treeId());
            refuseTakenNumber(caller, fruit.year(), fruit.number());
        });
    }

    private void refuseTakenNumber(Caller caller, int year, Integer number) {
        if (number != null
                && fruits.findByOrchardIdAndYearAndNumberAndVoidedAtIsNull(caller.orchardId(), year, number)
                        .isPresent()) {
            throw numberTaken(number);
        }
    }
}
