package org.evenhand.pollen;

import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.bloom.Readings;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.evenhand.orchard.VarietyView;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The jars, what is in them, and who takes from them. */
@Service
public class PollenShelf {
    private static final String NO_MALE_FLOWERS = "no-male-flowers";

    private final PollenLotRepository lots;
    private final LotBooks books;
    private final Ledger ledger;
    private final Orchards orchards;
    private final Readings readings;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    PollenShelf(
            PollenLotRepository lots,
            LotBooks books,
            Ledger ledger,
            Orchards orchards,
            Readings readings,
            CropCatalogue crops,
            IdempotentWriter once) {
        this.lots = lots;
        this.books = books;
        this.ledger = ledger;
        this.orchards = orchards;
        this.readings = readings;
        this.crops = crops;
        this.once = once;
    }

    @EventListener
    void merge(VarietiesMerged merged) {
        lots.findByOrchardIdAndVarietyId(merged.caller().orchardId(), merged.from())
                .forEach(lot -> {
                    lot.mergeVariety(merged.into());
                    lots.saveAndFlush(lot);
                });
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                PollenLot.class,
                lots,
                lot -> Optional.ofNullable(lot.details().varietyId()),
                (now, was) -> now.mergeVariety(was.details().varietyId()));
    }

    /** Every jar that is not voided, viability estimated for a moment. */
    @Transactional(readOnly = true)
    public List<LotView> all(Caller caller, Instant at) {
        LotBook book = books.read(caller);
        return book.lots().map(lot -> book.view(lot, at)).toList();
    }

    /** What should be alive at each of several moments of every jar that is not voided; 0 where it is mouldy or not yet filled. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Double>> alive(Caller caller, List<Instant> moments) {
        LotBook book = books.read(caller);
        return book.lots()
                .collect(Collectors.toMap(
                        PollenLot::id,
                        lot -> moments.stream()
                                .map(at -> lot.details().hereSince().isAfter(at)
                                        ? 0.0
                                        : book.course(lot).shareAt(at))
                                .toList()));
    }

    /** What is alive over time in each jar, removed ones too, reckoned when it is asked for. */
    @Transactional(readOnly = true)
    public Function<UUID, ViabilityCurve> courses(Caller caller) {
        LotBook book = books.read(caller);
        return book::course;
    }

    /** The names of every jar, removed ones too. */
    @Transactional(readOnly = true)
    public Map<UUID, LotName> names(Caller caller) {
        return books.read(caller).names();
    }

    /** The jar, or "not found". */
    @Transactional(readOnly = true)
    public LotView lot(Caller caller, UUID id) {
        return view(caller, lots.require(caller, id));
    }

    public LotView put(Caller caller, UUID id, LotRequest request) {
        return once.write(lots, caller, id, found -> again(caller, found, request), () -> insert(caller, id, request));
    }

    private LotView again(Caller caller, PollenLot found, LotRequest request) {
        if (found.voided()) {
            throw new ConflictException(Text.of("conflict.jar-removed"));
        }
        LotDetails now = found.details();
        boolean same = now.sources().equals(sources(request))
                && now.collectedAt().equals(Given.moment("collectedAt", request.collectedAt()))
                && now.storage() == request.storage();
        if (!same) {
            throw ConflictException.otherwise("jar");
        }
        return view(caller, found);
    }

    private LotView insert(Caller caller, UUID id, LotRequest request) {
        ZoneId zone = orchards.details(caller).site().zone();
        List<TreeView> trees = sources(request).keySet().stream()
                .map(tree -> orchards.tree(caller, tree))
                .toList();
        VarietyView variety = oneVariety(caller, trees);
        CropSheet sheet = crops.of(caller, variety.crop());
        Instant at = Given.notInFuture("collectedAt", request.collectedAt(), orchards.now(caller), zone);
        trees.forEach(tree -> Readings.refuseUnlessStanding("collectedAt", tree, at, zone));
        requireStorage("storage", sheet, request.storage());
        requireMethod(sheet, request.method());
        boolean shedding = request.method() != CollectionMethod.BALLOON;
        if (shedding && !request.confirms(NO_MALE_FLOWERS)) {
            trees.forEach(tree -> askWhereNoMaleFlowers(caller, tree, sheet, at, zone));
        }
        LotDetails details = new LotDetails(
                variety.id(),
                at,
                request.storage(),
                request.method(),
                doses(sheet, variety, request),
                Given.stripped(request.note()),
                sources(request),
                Map.of(),
                null);
        String code = books.nextCode(caller, prefix(variety.name()));
        PollenLot lot = new PollenLot(id, caller, orchards.now(caller), zone, code, details);
        return view(caller, lots.saveAndFlush(lot));
    }

    private static Map<UUID, Integer> sources(LotRequest request) {
        Map<UUID, Integer> sources = new LinkedHashMap<>();
        List<LotRequest.Source> given = request.sources();
        for (int i = 0; i < given.size(); i++) {
            String field = "sources[" + i + "]";
            UUID tree = given.get(i).treeId();
            int flowers = given.get(i).flowers();
            if (sources.put(tree, flowers) != null) {
                throw Refusal.of(field + ".treeId", Text.of("refused.tree-twice"));
            }
        }
        if (sources.isEmpty()) {
            throw Refusal.of("sources", Text.of("refused.no-sources"));
        }
        return sources;
    }

    private VarietyView oneVariety(Caller caller, List<TreeView> trees) {
        List<UUID> varieties =
                trees.stream().map(TreeView::varietyId).distinct().toList();
        if (varieties.size() > 1) {
            throw Refusal.of(
                    "sources",
                    Text.of(
                            "refused.varieties",
                            "varieties",
                            trees.stream().map(TreeView::varietyName).distinct().collect(Collectors.joining(", "))));
        }
        return orchards.variety(caller, varieties.get(0));
    }

    static void requireStorage(String field, CropSheet sheet, Storage storage) {
        if (!sheet.pollen().keeping().containsKey(storage)) {
            throw Refusal.of(field, Text.of("refused.storage", "storage", storage.key(), "sheet", sheet.name()));
        }
    }

    private void askWhereNoMaleFlowers(Caller caller, TreeView tree, CropSheet sheet, Instant at, ZoneId zone) {
        Optional<FlowerReading> latest = readings.latestUpTo(caller, tree, at);
        if (latest.isEmpty()) {
            throw new QuestionException(NO_MALE_FLOWERS, zone, Text.of("asked.not-read", "tree", tree.name()));
        }
        if (latest.get().shedding(sheet) == 0) {
            throw new QuestionException(
                    NO_MALE_FLOWERS,
                    zone,
                    Text.of(
                            "asked.none-shedding",
                            "tree",
                            tree.name(),
                            "at",
                            latest.get().at()));
        }
    }

    private static void requireMethod(CropSheet sheet, CollectionMethod method) {
        if (method != null && !sheet.pollen().collect().contains(method)) {
            throw new InvalidInputException(
                    "method",
                    "'" + method + "' is not how " + sheet.name() + " pollen is collected; its crop sheet knows "
                            + sheet.pollen().collect() + ".");
        }
    }

    private static int doses(CropSheet sheet, VarietyView variety, LotRequest request) {
        if (request.doses() != null) {
            return request.doses();
        }
        int flowers =
                sources(request).values().stream().mapToInt(Integer::intValue).sum();
        double each = variety.dosesPerFlower(sheet);
        return Math.max(1, (int) Math.floor(flowers * each));
    }

    /** Two letters that begin a jar's code. */
    static String prefix(String varietyName) {
        String letters = varietyName.replaceAll("[^\\p{L}]", "").toUpperCase(Locale.ROOT);
        String[] words = varietyName.split("\\s+");
        return words.length > 1
                ? (words[0].substring(0, 1) + words[1].substring(0, 1)).toUpperCase(Locale.ROOT)
                : (letters + "XX").substring(0, 2);
    }

    @Transactional
    public void voidLot(Caller caller, UUID id, VoidRequest request) {
        lots.voidOnce(caller, id, request, orchards.now(caller), PollenShelf::refuseUsed)
                .ifPresent(lot -> ledger.pourBack(caller, id, lot.details().parts()));
    }

    private static void refuseUsed(PollenLot lot) {
        if (lot.dosesLeft() < lot.details().doses()) {
            throw new InvalidInputException(
                    "reason",
                    "does not help: pollen of " + lot.code()
                            + " is on flowers already, or went elsewhere. Remove those pollinations first.");
        }
    }

    /** Takes one dose a flower out of a jar, in the caller's transaction; refuses when fewer are left. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void draw(Caller caller, UUID lotId, UUID pollinationId, int doses, Instant at) {
        ledger.draw(caller, lotId, pollinationId, doses, at);
    }

    /** Doses that a pollination has of a jar. */
    public int drawn(UUID lotId, UUID pollinationId) {
        return ledger.drawn(lotId, pollinationId);
    }

    /** Whether a pollination ever drew from a jar; one that a file brought with its jar did not. */
    public boolean drewFrom(UUID lotId, UUID pollinationId) {
        return ledger.drewFrom(lotId, pollinationId);
    }

    /** Puts a removed jar back on the shelf; of a blend what went back into its jars is poured once more, where it is there still. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        lots.restoreOnce(caller, id, version, lot -> {})
                .ifPresent(lot -> ledger.pour(caller, id, lot.details().parts(), orchards.now(caller)));
    }

    /** Puts back what a pollination had drawn, and no more. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveBack(Caller caller, UUID lotId, UUID pollinationId) {
        ledger.giveBack(caller, lotId, pollinationId);
    }

    private LotView view(Caller caller, PollenLot lot) {
        return books.read(caller).view(lot, orchards.now(caller));
    }
}
