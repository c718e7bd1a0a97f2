package org.evenhand.pollen;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.ArrayList;
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
import org.evenhand.core.Require;
import org.evenhand.core.bloom.FlowerReading;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.PollenHabit;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.PollenKeeping;
import org.evenhand.core.pollen.TestAdvice;
import org.evenhand.core.pollen.ViabilityCourse;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OnceWriter;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The jars, what is in them, and who takes from them. */
@Service
public class PollenShelf {
    private static final String NO_MALE_FLOWERS = "no-male-flowers";

    private final PollenLotRepository lots;
    private final PollenEntryRepository entries;
    private final Orchards orchards;
    private final Readings readings;
    private final CropCatalogue crops;
    private final OnceWriter once;
    private final InstantSource clock;

    PollenShelf(
            PollenLotRepository lots,
            PollenEntryRepository entries,
            Orchards orchards,
            Readings readings,
            CropCatalogue crops,
            OnceWriter once,
            InstantSource clock) {
        this.lots = lots;
        this.entries = entries;
        this.orchards = orchards;
        this.readings = readings;
        this.crops = crops;
        this.once = once;
        this.clock = clock;
    }

    /** Every jar that is not voided, viability estimated for a moment. */
    @Transactional(readOnly = true)
    public List<LotView> all(Caller caller, Instant at) {
        Names names = names(caller);
        return lots.findByOrchardIdAndVoidedAtIsNullOrderByCollectedAtDesc(caller.orchardId()).stream()
                .map(lot -> view(caller, lot, names, at))
                .toList();
    }

    /** The jar, or "not found". */
    @Transactional(readOnly = true)
    public LotView lot(Caller caller, UUID id) {
        return view(caller, require(caller, id), names(caller), orchards.now(caller));
    }

    public LotView put(Caller caller, UUID id, LotRequest request) {
        return once.write(
                "pollen_lot",
                id,
                () -> lots.findByIdAndOrchardId(id, caller.orchardId()),
                found -> again(caller, found, request),
                () -> insert(caller, id, request));
    }

    private LotView again(Caller caller, PollenLot found, LotRequest request) {
        LotDetails now = found.details();
        boolean same = now.sources().equals(sources(request))
                && now.collectedAt().equals(Given.moment("collectedAt", request.collectedAt()))
                && now.storage() == request.storage();
        if (!same) {
            throw new ConflictException("This lot is already written down otherwise. Void it and record it again.");
        }
        return view(caller, found, names(caller), orchards.now(caller));
    }

    private LotView insert(Caller caller, UUID id, LotRequest request) {
        ZoneId zone = orchards.details(caller).site().zone();
        List<TreeView> trees = sources(request).keySet().stream()
                .map(tree -> orchards.tree(caller, tree))
                .toList();
        VarietyView variety = oneVariety(caller, trees);
        CropSheet sheet = crops.of(caller, variety.crop());
        Instant at = Given.notInFuture("collectedAt", request.collectedAt(), orchards.now(caller), zone);
        trees.forEach(tree -> Readings.refuseBeforePlanting("collectedAt", tree, at, zone));
        requireStorage(sheet, request.storage());
        if (!request.confirms(NO_MALE_FLOWERS)) {
            trees.forEach(tree -> askWhereNoMaleFlowers(caller, tree, sheet, at, zone));
        }
        LotDetails details = new LotDetails(
                variety.id(),
                at,
                request.storage(),
                doses(sheet, request),
                Given.optionalText("note", request.note(), 2000),
                sources(request));
        PollenLot lot = new PollenLot(id, caller, clock.instant(), zone, nextCode(caller, variety), details);
        return view(caller, lots.saveAndFlush(lot), names(caller), orchards.now(caller));
    }

    private static Map<UUID, Integer> sources(LotRequest request) {
        Map<UUID, Integer> sources = new LinkedHashMap<>();
        List<LotRequest.Source> given = Given.required("sources", request.sources());
        for (int i = 0; i < given.size(); i++) {
            String field = "sources[" + i + "]";
            UUID tree = Given.required(field + ".treeId", given.get(i).treeId());
            int flowers = Given.required(field + ".flowers", given.get(i).flowers());
            if (sources.put(tree, Require.within(field + ".flowers", flowers, 1, FlowerReading.MOST_FLOWERS)) != null) {
                throw new InvalidInputException(field + ".treeId", "names a tree twice; put its flowers together.");
            }
        }
        if (sources.isEmpty()) {
            throw new InvalidInputException("sources", "are none; say which trees the flowers came from.");
        }
        return sources;
    }

    private VarietyView oneVariety(Caller caller, List<TreeView> trees) {
        List<UUID> varieties =
                trees.stream().map(TreeView::varietyId).distinct().toList();
        if (varieties.size() > 1) {
            throw new InvalidInputException(
                    "sources",
                    "are of different varieties: "
                            + trees.stream()
                                    .map(TreeView::varietyName)
                                    .distinct()
                                    .toList()
                            + ". One jar holds one father; record a lot for each.");
        }
        return orchards.variety(caller, varieties.get(0));
    }

    private static void requireStorage(CropSheet sheet, Storage storage) {
        if (!sheet.pollen().keeping().containsKey(Given.required("storage", storage))) {
            throw new InvalidInputException(
                    "storage", "'" + storage.key() + "' is not advised for " + sheet.name() + " on its crop sheet.");
        }
    }

    private void askWhereNoMaleFlowers(Caller caller, TreeView tree, CropSheet sheet, Instant at, ZoneId zone) {
        Optional<FlowerReading> latest = readings.latestUpTo(caller, tree, at);
        if (latest.isEmpty()) {
            throw new QuestionException(
                    NO_MALE_FLOWERS,
                    tree.name() + " had not been read by then, so nobody knows whether its flowers gave pollen. "
                            + "Record the lot all the same?");
        }
        if (latest.get().giving(sheet) == 0) {
            throw new QuestionException(
                    NO_MALE_FLOWERS,
                    tree.name() + " had no flower giving pollen when it was read on "
                            + Given.say(latest.get().at(), zone) + ". Record the lot all the same?");
        }
    }

    private static int doses(CropSheet sheet, LotRequest request) {
        if (request.doses() != null) {
            return Require.within("doses", request.doses(), 1, 1_000_000);
        }
        int flowers =
                sources(request).values().stream().mapToInt(Integer::intValue).sum();
        return Math.max(
                1, (int) Math.floor(flowers * sheet.pollen().dosesPerFlower().value()));
    }

    private String nextCode(Caller caller, VarietyView variety) {
        lots.lockCodes(caller.orchardId());
        String letters = variety.name().replaceAll("[^\\p{L}]", "").toUpperCase(Locale.ROOT);
        String[] words = variety.name().split("\\s+");
        String prefix = words.length > 1
                ? (words[0].substring(0, 1) + words[1].substring(0, 1)).toUpperCase(Locale.ROOT)
                : (letters + "XX").substring(0, 2);
        long number = lots.countByOrchardIdAndCodeStartingWith(caller.orchardId(), prefix + "-") + 1;
        return String.format(Locale.ROOT, "%s-%02d", prefix, number);
    }

    @Transactional
    public void voidLot(Caller caller, UUID id, VoidRequest request) {
        PollenLot lot = require(caller, id);
        if (lot.voided()) {
            return;
        }
        lot.requireVersion("lot", request.version());
        if (lot.dosesLeft() < lot.details().doses()) {
            throw new InvalidInputException(
                    "reason",
                    "does not help: pollen of " + lot.code()
                            + " is on flowers already. Void those pollinations first.");
        }
        lot.voidBecause(request.reason(), clock.instant());
    }

    /** Takes one dose a flower out of a jar, in the caller's transaction; refuses when fewer are left. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void draw(Caller caller, UUID lotId, UUID pollinationId, int doses) {
        if (lots.draw(lotId, caller.orchardId(), doses) == 0) {
            PollenLot lot = require(caller, lotId);
            throw new InvalidInputException(
                    "flowers",
                    "need " + doses + (doses == 1 ? " dose" : " doses") + ", but "
                            + (lot.dosesLeft() == 0 ? "none is" : "only " + lot.dosesLeft())
                            + " left in " + lot.code()
                            + ". Somebody else may have taken some; do fewer, or take another jar.");
        }
        entries.save(new PollenEntry(lotId, pollinationId, PollenEntry.Kind.DRAWN, doses, clock.instant()));
    }

    /** Puts back what a voided pollination had drawn. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveBack(Caller caller, UUID lotId, UUID pollinationId, int doses) {
        entries.save(new PollenEntry(lotId, pollinationId, PollenEntry.Kind.RETURNED, doses, clock.instant()));
        lots.giveBack(lotId, caller.orchardId(), doses);
    }

    private PollenLot require(Caller caller, UUID id) {
        return lots.findByIdAndOrchardId(id, caller.orchardId()).orElseThrow(() -> new NotFoundException("lot", id));
    }

    /** Names that a jar's view needs, looked up once for all jars. */
    private record Names(Map<UUID, VarietyView> varieties, Map<UUID, String> trees) {}

    private Names names(Caller caller) {
        return new Names(
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name)));
    }

    private LotView view(Caller caller, PollenLot lot, Names names, Instant at) {
        LotDetails d = lot.details();
        VarietyView variety = names.varieties().get(d.varietyId());
        List<LotView.SourceView> sources = new ArrayList<>();
        d.sources()
                .forEach((tree, flowers) -> sources.add(
                        new LotView.SourceView(tree, names.trees().getOrDefault(tree, "(removed tree)"), flowers)));
        return new LotView(
                lot.id(),
                lot.code(),
                d.varietyId(),
                variety.name(),
                variety.crop(),
                d.collectedAt(),
                d.storage(),
                d.sources().values().stream().mapToInt(Integer::intValue).sum(),
                sources,
                d.doses(),
                lot.dosesLeft(),
                viability(lot, crops.of(caller, variety.crop()), at),
                d.note(),
                lot.version());
    }

    private static LotView.Viability viability(PollenLot lot, CropSheet sheet, Instant at) {
        ViabilityCourse course = ViabilityCourse.collected(sheet, PollenKeeping.of(sheet, lot.steps()));
        Instant collected = course.keeping().collectedAt();
        Instant asked = at.isBefore(collected) ? collected : at;
        ViabilityCourse.Estimate now = course.at(asked);
        PollenHabit.KeepingHabit habit =
                sheet.pollen().keeping().get(course.keeping().storageAt(asked));
        return new LotView.Viability(
                now.share(),
                now.low(),
                now.high(),
                now.spoiled(),
                now.from(),
                course.halfLifeHoursAt(asked),
                Duration.between(collected, asked).toMillis() / 3_600_000.0,
                habit.halfLifeHours().basis().name(),
                TestAdvice.of(course, asked).map(TestAdvice::say).orElse(null),
                course.goodUntil(asked).orElse(null));
    }
}
