package org.evenhand.bloom;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.bloom.forecast.ReadingConventions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Readings of flowers, written down and looked up. */
@Service
public class Readings {

    private final ReadingRepository readings;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Forecasts forecasts;
    private final IdempotentWriter once;

    Readings(
            ReadingRepository readings,
            Orchards orchards,
            CropCatalogue crops,
            Forecasts forecasts,
            IdempotentWriter once) {
        this.readings = readings;
        this.orchards = orchards;
        this.crops = crops;
        this.forecasts = forecasts;
        this.once = once;
    }

    /** The tree's readings, the latest first. */
    @Transactional(readOnly = true)
    public List<ReadingView> ofTree(Caller caller, UUID treeId) {
        TreeView tree = orchards.tree(caller, treeId);
        return readings
                .findTop20ByOrchardIdAndTreeIdAndVoidedAtIsNullOrderByTakenAtDesc(caller.orchardId(), tree.id())
                .stream()
                .map(r -> view(r, crops.of(caller, tree.crop())))
                .toList();
    }

    /** Every reading that counts, of trees that stand, the earliest first. */
    @Transactional(readOnly = true)
    List<ReadingView> all(Caller caller) {
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        return readings.withCounts(caller.orchardId(), trees.keySet(), Instant.EPOCH, orchards.now(caller)).stream()
                .map(r -> view(r, crops.of(caller, trees.get(r.treeId()).crop())))
                .toList();
    }

    /** The version of a reading now. */
    long version(Caller caller, UUID id) {
        return readings.require(caller, id).version();
    }

    /** The latest reading of a tree that was taken no later than a moment. */
    @Transactional(readOnly = true)
    public Optional<FlowerReading> latestUpTo(Caller caller, TreeView tree, Instant at) {
        return readings
                .findTop20ByOrchardIdAndTreeIdAndVoidedAtIsNullOrderByTakenAtDesc(caller.orchardId(), tree.id())
                .stream()
                .filter(r -> !r.takenAt().isAfter(at))
                .findFirst()
                .map(r -> r.asCore(crops.of(caller, tree.crop())));
    }

    public ReadingView put(Caller caller, UUID id, ReadingRequest request) {
        return once.write(
                readings, caller, id, found -> again(caller, found, request), () -> insert(caller, id, request));
    }

    private ReadingView again(Caller caller, Reading found, ReadingRequest request) {
        CropSheet sheet = crops.of(caller, orchards.tree(caller, found.treeId()).crop());
        boolean same = found.treeId().equals(request.treeId())
                && found.takenAt().equals(Given.moment("takenAt", request.takenAt()))
                && found.details().equals(details(sheet, request));
        if (!same) {
            throw ConflictException.otherwise("reading");
        }
        return view(found, sheet);
    }

    /** Corrects a reading. What it showed is held against those before it anew. */
    @Transactional
    public ReadingView correct(Caller caller, UUID id, ReadingRequest request, Long version) {
        TreeView tree = orchards.tree(caller, request.treeId());
        CropSheet sheet = crops.of(caller, tree.crop());
        Reading corrected = readings.correct(caller, id, version, reading -> {
            reading.correct(tree.id(), takenAt(caller, tree, request), details(sheet, request));
            surprise(caller, tree, sheet, reading);
        });
        return view(corrected, sheet);
    }

    private Instant takenAt(Caller caller, TreeView tree, ReadingRequest request) {
        ZoneId zone = orchards.details(caller).site().zone();
        Instant takenAt = Given.notInFuture("takenAt", request.takenAt(), orchards.now(caller), zone);
        refuseUnlessStanding("takenAt", tree, takenAt, zone);
        return takenAt;
    }

    private ReadingView insert(Caller caller, UUID id, ReadingRequest request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        CropSheet sheet = crops.of(caller, tree.crop());
        ZoneId zone = orchards.details(caller).site().zone();
        Reading reading = new Reading(
                id,
                caller,
                orchards.now(caller),
                zone,
                tree.id(),
                takenAt(caller, tree, request),
                details(sheet, request));
        surprise(caller, tree, sheet, reading);
        return view(readings.saveAndFlush(reading), sheet);
    }

    /** A reading that does not fit those before it is kept, and says so. */
    private void surprise(Caller caller, TreeView tree, CropSheet sheet, Reading reading) {
        List<FlowerReading> before = readings
                .findTop20ByOrchardIdAndTreeIdAndVoidedAtIsNullOrderByTakenAtDesc(caller.orchardId(), tree.id())
                .stream()
                .filter(r -> !r.id().equals(reading.id())
                        && r.limb().equals(reading.limb())
                        && r.takenAt().isBefore(reading.takenAt())
                        && r.takenAt().isAfter(reading.takenAt().minus(ReadingConventions.OVER_AFTER)))
                .sorted(Comparator.comparing(Reading::takenAt))
                .map(r -> r.asCore(sheet))
                .toList();
        boolean lately = !before.isEmpty()
                && before.get(before.size() - 1).at().isAfter(reading.takenAt().minus(ReadingConventions.HELD_AGAINST))
                && reading.takenAt().isAfter(orchards.now(caller).minus(ReadingConventions.OVER_AFTER));
        if (lately) {
            forecasts.surprise(caller, tree, before, reading.asCore(sheet)).ifPresent(reading::surprises);
        }
    }

    private static Reading.Details details(CropSheet sheet, ReadingRequest request) {
        double share = request.share() == null ? 1 : request.share();
        return new Reading.Details(
                checkedCounts(sheet, request.counts()),
                Given.stripped(request.limb()),
                share,
                Given.stripped(request.note()));
    }

    /** Refuses a moment at which the tree was not there yet. */
    public static void refuseUnlessStanding(String field, TreeView tree, Instant at, ZoneId zone) {
        LocalDate date = at.atZone(zone).toLocalDate();
        if (tree.plantedOn() != null && date.isBefore(tree.plantedOn())) {
            throw Refusal.of(
                    field,
                    Text.of(
                            "refused.before-planting",
                            "day",
                            date,
                            "tree",
                            tree.name(),
                            "dayPlanted",
                            tree.plantedOn()));
        }
        if (tree.stoodUntil() != null && date.isAfter(tree.stoodUntil())) {
            throw Refusal.of(
                    field,
                    Text.of("refused.after-standing", "day", date, "tree", tree.name(), "dayLast", tree.stoodUntil()));
        }
    }

    private static Map<String, Integer> checkedCounts(CropSheet sheet, Map<String, Integer> given) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        given.forEach((stage, flowers) -> {
            String field = "counts." + stage;
            if (!sheet.hasStage(stage)) {
                throw new InvalidInputException(field, "is no stage of " + sheet.name() + ".");
            }
            counts.put(stage, Require.within(field, Given.required(field, flowers), 0, FlowerReading.MOST_FLOWERS));
        });
        sheet.stages().stream().map(StageSheet::key).forEach(stage -> counts.putIfAbsent(stage, 0));
        return counts;
    }

    @Transactional
    public void voidReading(Caller caller, UUID id, VoidRequest request) {
        readings.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts a removed reading back, where its tree still stands. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        readings.restoreOnce(caller, id, version, reading -> orchards.requireStanding(caller, reading.treeId()));
    }

    @Transactional(readOnly = true)
    String treeOf(Caller caller, UUID id) {
        return orchards.tree(caller, readings.require(caller, id).treeId()).name();
    }

    static ReadingView view(Reading r, CropSheet sheet) {
        Map<String, Integer> inOrder = new LinkedHashMap<>();
        sheet.stages().forEach(s -> inOrder.put(s.key(), r.counts().getOrDefault(s.key(), 0)));
        int flowers = inOrder.values().stream().mapToInt(Integer::intValue).sum();
        return new ReadingView(
                r.id(),
                r.treeId(),
                r.takenAt(),
                inOrder,
                flowers,
                r.details().note(),
                r.limb(),
                r.details().share(),
                r.surpriseStage(),
                r.surpriseExpected(),
                r.version());
    }
}
