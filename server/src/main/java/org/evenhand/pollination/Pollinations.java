package org.evenhand.pollination;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.Settings;
import org.evenhand.availability.Strokes;
import org.evenhand.bloom.Readings;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.fruitset.CheckCalendar;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.LearnedPace;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.VoidRequest;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotName;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Flowers given pollen, written down and looked up. */
@Service
public class Pollinations {
    /** What stands in place of a jar where flowers serve one another. */
    public static final String FLOWER_TO_FLOWER = "from flower to flower";

    private static final Map<Treatment, String> WITHOUT_JAR = Map.of(
            Treatment.HAND,
            FLOWER_TO_FLOWER,
            Treatment.NATURE,
            "left to nature",
            Treatment.BAGGED,
            "bagged, no pollen");

    private final PollinationRepository pollinations;
    private final Orchards orchards;
    private final PollenShelf shelf;
    private final Crosses crosses;
    private final IdempotentWriter once;
    private final CropCatalogue crops;
    private final WalkRecords walks;
    private final CrossFlowers controlledCrosses;
    private final SecondVisitRules second;
    private final Settings settings;
    private final ApplicationEventPublisher events;

    Pollinations(
            PollinationRepository pollinations,
            Orchards orchards,
            PollenShelf shelf,
            Crosses crosses,
            IdempotentWriter once,
            CropCatalogue crops,
            WalkRecords walks,
            CrossFlowers controlledCrosses,
            SecondVisitRules second,
            Settings settings,
            ApplicationEventPublisher events) {
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.shelf = shelf;
        this.crosses = crosses;
        this.once = once;
        this.crops = crops;
        this.walks = walks;
        this.controlledCrosses = controlledCrosses;
        this.second = second;
        this.settings = settings;
        this.events = events;
    }

    /** The latest 500, second visits to the same flowers left out; the latest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> latest(Caller caller) {
        return views(
                caller,
                pollinations.findTop500ByOrchardIdAndAgainIsFalseAndVoidedAtIsNullOrderByDoneAtDescIdDesc(
                        caller.orchardId()));
    }

    /** Those by hand done after a moment, second visits to the same flowers left out; the earliest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> since(Caller caller, Instant after) {
        return views(caller, pollinations.byHandSince(caller.orchardId(), after));
    }

    /** What was written down at stops of the latest walks, for how fast one is. */
    @Transactional(readOnly = true)
    public List<LearnedPace.AtStop> atStops(Caller caller) {
        Map<UUID, String> crops =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::crop));
        return pollinations
                .findTop2000ByOrchardIdAndWalkIdIsNotNullAndVoidedAtIsNullOrderByDoneAtDescIdDesc(caller.orchardId())
                .stream()
                .filter(p -> crops.containsKey(p.treeId()))
                .map(p -> new LearnedPace.AtStop(
                        p.walkId(), p.recordedBy(), crops.get(p.treeId()), p.flowers(), p.doneAt()))
                .toList();
    }

    /** All visits by hand after a moment; the earliest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> visitsSince(Caller caller, Instant after) {
        return views(
                caller,
                pollinations.findByOrchardIdAndTreatmentAndDoneAtAfterAndVoidedAtIsNullOrderByDoneAtAscIdAsc(
                        caller.orchardId(), Treatment.HAND, after));
    }

    /** Those with these ids, in no order; voided ones and those of others are left out. */
    @Transactional(readOnly = true)
    public List<PollinationView> withIds(Caller caller, Collection<UUID> ids) {
        return views(
                caller,
                pollinations.findByOrchardIdAndIdIn(caller.orchardId(), ids).stream()
                        .filter(p -> !p.voided())
                        .toList());
    }

    /** A place of a comparison that was done. */
    public record Done(UUID comparisonId, int slot, UUID pollinationId) {}

    /** The places of comparisons that were done. */
    @Transactional(readOnly = true)
    public List<Done> ofComparisons(Caller caller, Collection<UUID> comparisonIds) {
        return pollinations
                .findByOrchardIdAndComparisonIdInAndVoidedAtIsNull(caller.orchardId(), comparisonIds)
                .stream()
                .map(p -> new Done(p.comparisonId(), p.slot(), p.id()))
                .toList();
    }

    /** Those of a tree in a stretch of time, the earliest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> ofTree(Caller caller, UUID treeId, Instant from, Instant until) {
        return views(caller, pollinations.ofTree(caller.orchardId(), treeId, from, until));
    }

    /** The pollination, or "not found"; a voided one is not found either. */
    @Transactional(readOnly = true)
    public PollinationView pollination(Caller caller, UUID id) {
        Pollination found = pollinations.require(caller, id);
        if (found.voided()) {
            throw new NotFoundException("pollination", id);
        }
        return views(caller, List.of(found)).get(0);
    }

    public PollinationView put(Caller caller, UUID id, PollinationRequest request) {
        return once.write(
                pollinations, caller, id, found -> again(caller, found, request), () -> insert(caller, id, request));
    }

    private PollinationView again(Caller caller, Pollination found, PollinationRequest request) {
        boolean same = found.treeId().equals(request.treeId())
                && Objects.equals(found.lotId(), request.lotId())
                && request.flowers() != null
                && found.flowers() == request.flowers();
        if (!same) {
            throw ConflictException.otherwise("pollination");
        }
        return views(caller, List.of(found)).get(0);
    }

    /**
     * Corrects a pollination. What it belongs to (walk, cross, trial, first visit) stays, and where it belongs to a cross, a trial or a
     * first visit, so do tree, jar and flowers. Doses go back into the jar they were drawn from and are drawn anew.
     */
    @Transactional
    public PollinationView correct(Caller caller, UUID id, PollinationRequest request, Long version) {
        Pollination corrected = pollinations.correct(caller, id, version, p -> {
            if (p.how().treatment() != treatment(request)) {
                throw new InvalidInputException(
                        "how.treatment", "cannot be corrected. Remove this record, and write down a new one.");
            }
            refuseOtherFlowers(caller, p, request);
            second.refuseOutOfOrder(caller, p, request.doneAt());
            TreeView tree = orchards.tree(caller, request.treeId());
            ZoneId zone = orchards.details(caller).site().zone();
            Optional<LotView> lot = jar(caller, tree, request);
            Instant doneAt = doneAt(caller, tree, lot, zone, request);
            events.publishEvent(new PollinationCorrected(caller.orchardId(), id, request.flowers(), doneAt));
            UUID before = p.lotId();
            int flowers = p.flowers();
            p.correct(corrected(caller, p, tree, lot, doneAt, zone, request), zone);
            drawAnew(caller, p, before, flowers);
        });
        return views(caller, List.of(corrected)).get(0);
    }

    /** A jar that a file brought was used up by the file: its flowers draw nothing of their own. */
    private void drawAnew(Caller caller, Pollination p, UUID before, int flowers) {
        boolean otherJar = !Objects.equals(before, p.lotId());
        boolean drew = before != null && shelf.drewFrom(before, p.id());
        if (drew && (otherJar || flowers != p.flowers())) {
            shelf.giveBack(caller, before, p.id());
        }
        if (p.lotId() != null && (otherJar || (drew && flowers != p.flowers()))) {
            shelf.draw(caller, p.lotId(), p.id(), p.flowers(), p.doneAt());
        }
    }

    /** Flowers of a cross, a trial or a first visit are counted elsewhere too. */
    private void refuseOtherFlowers(Caller caller, Pollination p, PollinationRequest request) {
        boolean same = p.treeId().equals(request.treeId())
                && Objects.equals(p.lotId(), request.lotId())
                && p.flowers() == request.flowers();
        boolean bound = p.crossId() != null || p.comparisonId() != null || p.again() || second.hasSecond(caller, p);
        if (bound && !same) {
            throw new InvalidInputException(
                    "flowers",
                    "tree and jar belong to a cross, a trial or a second visit. Remove this record, and write down a new one.");
        }
    }

    private Pollination.Done corrected(
            Caller caller,
            Pollination p,
            TreeView tree,
            Optional<LotView> lot,
            Instant doneAt,
            ZoneId zone,
            PollinationRequest request) {
        Marked marked = marked(caller, p.id(), tree, p.crossId() != null, doneAt, zone, request);
        return new Pollination.Done(
                tree.id(),
                lot.map(LotView::id).orElse(null),
                request.flowers(),
                doneAt,
                marked.mark(),
                marked.lasts(),
                Given.stripped(request.colour()),
                marked.tag(),
                p.walkId(),
                p.stop(),
                p.crossId(),
                p.again(),
                p.againOf(),
                how(caller, tree, request),
                p.comparisonId(),
                p.slot());
    }

    private Instant doneAt(
            Caller caller, TreeView tree, Optional<LotView> lot, ZoneId zone, PollinationRequest request) {
        Instant doneAt = Given.notInFuture("doneAt", request.doneAt(), orchards.now(caller), zone);
        Readings.refuseUnlessStanding("doneAt", tree, doneAt, zone);
        lot.ifPresent(l -> {
            refuseBeforeCollection(l, doneAt, zone);
            refuseWhatDoesNotServe(caller, tree, l);
        });
        return doneAt;
    }

    private PollinationView insert(Caller caller, UUID id, PollinationRequest request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        Optional<LotView> lot = jar(caller, tree, request);
        ZoneId zone = orchards.details(caller).site().zone();
        int flowers = request.flowers();
        Instant doneAt = doneAt(caller, tree, lot, zone, request);
        Pollination pollination = new Pollination(
                id, caller, orchards.now(caller), zone, done(caller, id, tree, lot, flowers, doneAt, zone, request));
        pollinations.saveAndFlush(pollination);
        lot.ifPresent(l -> shelf.draw(caller, l.id(), id, flowers, doneAt));
        return views(caller, List.of(pollination)).get(0);
    }

    /** The jar; none only where the crop's own flowers serve one another. */
    private Optional<LotView> jar(Caller caller, TreeView tree, PollinationRequest request) {
        if (treatment(request) != Treatment.HAND && (request.lotId() != null || request.crossId() != null)) {
            throw new InvalidInputException("lotId", "does not go with flowers that nobody pollinates; leave it out.");
        }
        boolean without = treatment(request) != Treatment.HAND
                || (request.lotId() == null
                        && request.crossId() == null
                        && crops.of(caller, tree.crop()).hand().flowerToFlower());
        return without ? Optional.empty() : Optional.of(shelf.lot(caller, Given.required("lotId", request.lotId())));
    }

    private static Treatment treatment(PollinationRequest request) {
        boolean said = request.how() != null && request.how().treatment() != null;
        return said ? request.how().treatment() : Treatment.HAND;
    }

    private PollinationHow how(Caller caller, TreeView tree, PollinationRequest request) {
        PollinationHow said = request.how() == null ? PollinationHow.UNSAID : request.how();
        boolean byHand = treatment(request) == Treatment.HAND;
        if (said.stage() != null
                && crops.of(caller, tree.crop()).stages().stream()
                        .noneMatch(s -> s.key().equals(said.stage()))) {
            throw new InvalidInputException("how.stage", "is '" + said.stage() + "', no stage of this crop.");
        }
        Strokes strokes = said.strokes() == null && byHand ? settings.of(caller).strokes() : said.strokes();
        return new PollinationHow(
                treatment(request),
                said.stage(),
                strokes == Strokes.AS_SHEET ? null : strokes,
                Given.stripped(said.tool()),
                said.limb());
    }

    private void refusePlaceTwice(Caller caller, UUID comparisonId, Integer slot) {
        if (comparisonId != null
                && pollinations
                        .findByOrchardIdAndComparisonIdAndSlotAndVoidedAtIsNull(caller.orchardId(), comparisonId, slot)
                        .isPresent()) {
            throw new InvalidInputException("slot", "was done already; somebody was first.");
        }
    }

    private Pollination.Done done(
            Caller caller,
            UUID id,
            TreeView tree,
            Optional<LotView> lot,
            int flowers,
            Instant doneAt,
            ZoneId zone,
            PollinationRequest request) {
        Optional<CrossFlowers.Cross> cross = cross(caller, tree, lot, flowers, doneAt, request);
        Marked marked = marked(caller, id, tree, cross.isPresent(), doneAt, zone, request);
        if ((request.comparisonId() == null) != (request.slot() == null)) {
            throw new InvalidInputException("slot", "and comparison belong together: give both or neither.");
        }
        refusePlaceTwice(caller, request.comparisonId(), request.slot());
        if (request.againOf() != null) {
            second.check(caller, request, tree, lot, flowers, doneAt);
        }
        if ((request.walkId() == null) != (request.stop() == null)) {
            throw new InvalidInputException("stop", "and walk belong together: give both or neither.");
        }
        if (request.walkId() != null) {
            walks.require(caller, request.walkId());
        }
        return new Pollination.Done(
                tree.id(),
                lot.map(LotView::id).orElse(null),
                flowers,
                doneAt,
                marked.mark(),
                marked.lasts(),
                Given.stripped(request.colour()),
                marked.tag(),
                request.walkId(),
                request.stop(),
                cross.map(CrossFlowers.Cross::id).orElse(null),
                Boolean.TRUE.equals(request.again()) || request.againOf() != null,
                request.againOf(),
                how(caller, tree, request),
                request.comparisonId(),
                request.slot());
    }

    /** How the flowers are marked, and for how long the mark lasts. */
    private record Marked(String mark, Mark.Lasts lasts, String tag) {}

    private Marked marked(
            Caller caller,
            UUID id,
            TreeView tree,
            boolean ofCross,
            Instant doneAt,
            ZoneId zone,
            PollinationRequest request) {
        String mark = Given.stripped(request.mark());
        String tag = Given.stripped(request.tag());
        if (!tag.isEmpty()) {
            refuseTagTwice(caller, id, tag, doneAt, zone);
        }
        Mark.Lasts lasts = crops.of(caller, tree.crop()).hand().marks().stream()
                .filter(m -> m.name().equals(mark))
                .map(Mark::lasts)
                .findFirst()
                .orElse(null);
        return new Marked(
                ofCross && mark.isEmpty() ? "cross label" : mark,
                tag.isEmpty() && !ofCross ? lasts : Mark.Lasts.HARVEST,
                tag);
    }

    /** The cross whose flowers are given pollen: its tree, its father and no more flowers than there are. */
    private Optional<CrossFlowers.Cross> cross(
            Caller caller,
            TreeView tree,
            Optional<LotView> lot,
            int flowers,
            Instant doneAt,
            PollinationRequest request) {
        if (request.crossId() == null) {
            if (Boolean.TRUE.equals(request.again()) && request.againOf() == null) {
                throw new InvalidInputException(
                        "again",
                        "is for flowers that had pollen before: name the cross, or the first visit as 'againOf'.");
            }
            return Optional.empty();
        }
        CrossFlowers.Cross cross = controlledCrosses.cross(caller, request.crossId());
        if (!cross.treeId().equals(tree.id())) {
            throw Refusal.of("treeId", Text.of("refused.tree-of-cross", "tree", tree.name(), "cross", cross.label()));
        }
        List<UUID> fathers = lot.orElseThrow().fathers().stream()
                .map(LotView.Father::varietyId)
                .toList();
        if (!fathers.equals(List.of(cross.fatherId()))) {
            throw Refusal.of(
                    "lotId",
                    Text.of(
                            "refused.father-of-cross",
                            "jar",
                            lot.get().code(),
                            "variety",
                            lot.get().varietyName(),
                            "cross",
                            cross.label(),
                            "father",
                            orchards.variety(caller, cross.fatherId()).name()));
        }
        CrossProtocol.Step visit = Boolean.TRUE.equals(request.again())
                ? CrossProtocol.Step.POLLINATE_AGAIN
                : CrossProtocol.Step.POLLINATE;
        controlledCrosses.refuseMoreThanThere(caller, cross.id(), visit, flowers, doneAt);
        return Optional.of(cross);
    }

    /** A tag number says one flower's story only. */
    private void refuseTagTwice(Caller caller, UUID id, String tag, Instant doneAt, ZoneId zone) {
        controlledCrosses.holdNumbers(caller);
        controlledCrosses.labelled(caller, doneAt.atZone(zone).getYear(), tag).ifPresent(cross -> {
            throw Refusal.of(
                    "tag",
                    Text.of(
                            "refused.tag-of-cross",
                            "tag",
                            tag,
                            "tree",
                            orchards.tree(caller, cross.treeId()).name()));
        });
        pollinations
                .tagged(caller.orchardId(), doneAt.atZone(zone).getYear(), tag)
                .filter(other -> !other.id().equals(id))
                .ifPresent(other -> {
                    throw Refusal.of(
                            "tag",
                            zone,
                            Text.of(
                                    "refused.tag-used",
                                    "tag",
                                    tag,
                                    "tree",
                                    orchards.tree(caller, other.treeId()).name(),
                                    "at",
                                    other.doneAt()));
                });
    }

    /** Those of one walk, the earliest first. */
    @Transactional(readOnly = true)
    public List<PollinationView> ofWalk(Caller caller, UUID walkId) {
        return views(
                caller,
                pollinations.findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderByDoneAtAscIdAsc(
                        caller.orchardId(), walkId));
    }

    /** How many flowers were done on each of these walks; walks without any are left out. */
    @Transactional(readOnly = true)
    public Map<UUID, Integer> flowersOfWalks(Caller caller, List<UUID> walkIds) {
        return pollinations.findByOrchardIdAndWalkIdInAndVoidedAtIsNull(caller.orchardId(), walkIds).stream()
                .collect(Collectors.groupingBy(Pollination::walkId, Collectors.summingInt(Pollination::flowers)));
    }

    private static void refuseBeforeCollection(LotView lot, Instant doneAt, ZoneId zone) {
        if (doneAt.isBefore(lot.hereSince())) {
            throw Refusal.of(
                    "doneAt",
                    zone,
                    Text.of(
                            "refused.before-collected",
                            "at",
                            doneAt,
                            "jar",
                            lot.code(),
                            "atCollected",
                            lot.hereSince()));
        }
    }

    private void refuseWhatDoesNotServe(Caller caller, TreeView tree, LotView lot) {
        CrossCompatibility cross = crosses.book(caller).cross(tree.varietyId(), lot);
        if (!cross.serves()) {
            throw new InvalidInputException(
                    "lotId", lot.code() + " cannot serve " + tree.name() + ": " + cross.why() + " Take another jar.");
        }
    }

    @Transactional
    public void voidPollination(Caller caller, UUID id, VoidRequest request) {
        pollinations
                .voidOnce(caller, id, request, orchards.now(caller), p -> {
                    second.refuseVoidingFirst(caller, p);
                    events.publishEvent(new PollinationVoided(caller.orchardId(), id));
                })
                .filter(p -> p.lotId() != null)
                .ifPresent(p -> shelf.giveBack(caller, p.lotId(), id));
    }

    /** Puts a removed pollination back: its doses are drawn again, and no other may have its tag or its place by now. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        pollinations
                .restoreOnce(caller, id, version, p -> {
                    orchards.requireStanding(caller, p.treeId());
                    if (p.crossId() != null || p.again()) {
                        throw new InvalidInputException(
                                "version",
                                "is of a cross or a second visit, whose steps went on since. Write it down anew instead.");
                    }
                    ZoneId zone = orchards.details(caller).site().zone();
                    if (!p.tag().isEmpty()) {
                        refuseTagTwice(caller, id, p.tag(), p.doneAt(), zone);
                    }
                    refusePlaceTwice(caller, p.comparisonId(), p.slot());
                })
                .filter(p -> p.lotId() != null && shelf.drewFrom(p.lotId(), id))
                .ifPresent(p -> shelf.draw(caller, p.lotId(), id, p.flowers(), p.doneAt()));
    }

    private List<PollinationView> views(Caller caller, List<Pollination> found) {
        if (found.isEmpty()) {
            return List.of();
        }
        Map<UUID, LotName> lots = shelf.names(caller);
        Map<UUID, String> labels = controlledCrosses.labels(
                caller,
                found.stream()
                        .map(Pollination::crossId)
                        .filter(Objects::nonNull)
                        .collect(Collectors.toSet()));
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        return found.stream()
                .map(p -> view(
                        caller,
                        p,
                        trees.computeIfAbsent(p.treeId(), t -> orchards.tree(caller, t)),
                        p.lotId() == null ? null : lots.get(p.lotId()),
                        p.crossId() == null ? null : labels.get(p.crossId())))
                .toList();
    }

    /** @param lot none where the brush went from flower to flower */
    private PollinationView view(Caller caller, Pollination p, TreeView tree, LotName lot, String crossLabel) {
        return new PollinationView(
                p.id(),
                tree.id(),
                tree.name(),
                tree.crop(),
                p.lotId(),
                lot == null ? WITHOUT_JAR.get(p.how().treatment()) : lot.code(),
                lot == null ? withoutJar(p, tree) : lot.varietyName(),
                p.flowers(),
                p.doneAt(),
                p.mark(),
                p.markLasts(),
                p.colour(),
                p.tag(),
                warning(caller, p, tree),
                p.walkId(),
                p.stop(),
                p.crossId(),
                crossLabel,
                p.again(),
                p.againOf(),
                p.how(),
                p.comparisonId(),
                p.slot(),
                p.recordedBy(),
                p.version());
    }

    private static String withoutJar(Pollination p, TreeView tree) {
        return p.how().treatment() == Treatment.HAND ? tree.varietyName() : "";
    }

    /** Where the only mark will be gone before anybody looks. */
    private String warning(Caller caller, Pollination p, TreeView tree) {
        OptionalInt days = CheckCalendar.markGoneBefore(crops.of(caller, tree.crop()), p.markLasts());
        return days.isEmpty()
                ? null
                : "The petals with this mark fall within days, and the first check is due after " + days.getAsInt()
                        + " days: add a tie or a tag that lasts.";
    }
}
