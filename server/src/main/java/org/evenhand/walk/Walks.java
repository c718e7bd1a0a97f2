package org.evenhand.walk;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.availability.Settings;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.crossing.CrossWords;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.Ids;
import org.evenhand.kit.Messages;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.planning.RoundView;
import org.evenhand.planning.Rounds;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.pollination.CrossFlowers;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Rounds that are walked, by one or by several at once. */
@Service
class Walks {
    /** A walk that is begun without an hour is of a visit within this time. */
    private static final Duration SOON = Duration.ofHours(24);

    /** A walk older than this is no longer offered to be taken up. */
    private static final Duration OFFERED = Duration.ofDays(7);

    /** How often the rest of a walk is planned while others on it go on writing down what they do. */
    private static final int PLANNED_ANEW_AT_MOST = 3;

    private final WalkRepository walks;
    private final WalkWordRepository words;
    private final WalkPhotoRepository photos;
    private final Rounds rounds;
    private final Pollinations pollinations;
    private final ControlledCrosses controlledCrosses;
    private final Orchards orchards;
    private final Settings settings;
    private final CropCatalogue crops;
    private final PollenShelf shelf;
    private final IdempotentWriter once;
    private final TransactionTemplate transactions;
    private final InstantSource clock;

    Walks(
            WalkRepository walks,
            WalkWordRepository words,
            WalkPhotoRepository photos,
            Rounds rounds,
            Pollinations pollinations,
            ControlledCrosses controlledCrosses,
            Orchards orchards,
            Settings settings,
            CropCatalogue crops,
            PollenShelf shelf,
            IdempotentWriter once,
            PlatformTransactionManager transactions,
            InstantSource clock) {
        this.walks = walks;
        this.words = words;
        this.photos = photos;
        this.rounds = rounds;
        this.pollinations = pollinations;
        this.controlledCrosses = controlledCrosses;
        this.orchards = orchards;
        this.settings = settings;
        this.crops = crops;
        this.shelf = shelf;
        this.once = once;
        this.transactions = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** Begins a walk with the stops as they are planned now. */
    public WalkView begin(Caller caller, UUID id, WalkRequests.Begin request) {
        Optional<Walk> begun = once.written(walks, caller, id);
        if (begun.isPresent()) {
            return view(caller, begun.get());
        }
        // Planned before anything is written: nothing is locked meanwhile.
        RoundView round = plan(caller, request.at());
        return once.write(walks, caller, id, found -> view(caller, found), () -> {
            List<WalkView.Collecting> collects = collects(round);
            Walk walk = walks.saveAndFlush(new Walk(
                    id,
                    caller,
                    orchards.now(caller),
                    zone(caller),
                    round.at(),
                    collects,
                    fromTheirJars(round.stops(), collects),
                    round.cautions()));
            walk.change(beginCrosses(caller, walk));
            return view(caller, walks.saveAndFlush(walk));
        });
    }

    /** The visit of an hour, or the next; refused where there is nothing to walk. */
    private RoundView plan(Caller caller, Instant at) {
        RoundView round = rounds.plan(caller, at);
        if (round.stops().isEmpty() && round.collect().isEmpty()) {
            throw Refusal.of("at", Text.of("refused.no-stop"));
        }
        if (at == null && round.at().isAfter(orchards.now(caller).plus(SOON))) {
            throw Refusal.of("at", zone(caller), Text.of("refused.no-stop-soon", "at", round.at()));
        }
        return round;
    }

    /**
     * Plans what is left of a walk anew, with what its jars really hold; see {@link RestOfWalk}. Where somebody else on the walk has done so
     * already, theirs is answered: two phones that ask at once get one plan.
     */
    public WalkView planAnew(Caller caller, UUID id) {
        Optional<WalkView> anew = Optional.empty();
        for (int left = PLANNED_ANEW_AT_MOST; anew.isEmpty(); left--) {
            anew = planAnewOnce(caller, walks.require(caller, id), left == 1);
        }
        return anew.get();
    }

    /** Nothing where others wrote down more while it was planned, unless it is the last try. */
    private Optional<WalkView> planAnewOnce(Caller caller, Walk before, boolean last) {
        refuseEnded(before);
        if (!stale(caller, before)) {
            return Optional.of(view(caller, before));
        }
        RestOfWalk.Walked then = walked(caller, before);
        Instant now = orchards.now(caller);
        RoundView round = rounds.plan(caller, before.plannedFor().isAfter(now) ? before.plannedFor() : now);
        return transactions.execute(status -> {
            Walk walk = walks.held(caller, before.id());
            refuseEnded(walk);
            RestOfWalk.Walked walked = walked(caller, walk);
            if (walk.version() != before.version() || !last && !walked.equals(then)) {
                return Optional.empty();
            }
            walk.change(RestOfWalk.of(
                    walked, round, () -> Ids.newVersion7(clock.instant()), stop -> crops.of(caller, stop.crop())));
            walk.change(beginCrosses(caller, walk));
            return Optional.of(view(caller, walks.saveAndFlush(walk)));
        });
    }

    private static void refuseEnded(Walk walk) {
        if (walk.closedAt() != null) {
            throw new ConflictException(Text.of("conflict.walk-ended"));
        }
    }

    private RestOfWalk.Walked walked(Caller caller, Walk walk) {
        Map<Integer, Integer> done = new HashMap<>();
        pollinations.ofWalk(caller, walk.id()).forEach(p -> done.merge(p.stop(), p.flowers(), Integer::sum));
        controlledCrosses.stepsOfWalk(caller, walk.id()).stream()
                .filter(s -> s.stop() != null && !s.pollination())
                .forEach(s -> done.merge(s.stop(), s.flowers(), Math::max));
        return new RestOfWalk.Walked(walk.collects(), walk.stops(), done, filled(caller, walk));
    }

    /** Doses collected into the jars of a walk; none in those that were filled and then removed. */
    private Map<UUID, Integer> filled(Caller caller, Walk walk) {
        if (walk.collects().isEmpty()) {
            return Map.of();
        }
        Map<UUID, Integer> doses = shelf.all(caller, orchards.now(caller)).stream()
                .collect(Collectors.toMap(LotView::id, LotView::dosesCollected));
        Set<UUID> known = shelf.names(caller).keySet();
        return walk.collects().stream()
                .map(WalkView.Collecting::lotId)
                .filter(known::contains)
                .collect(Collectors.toMap(Function.identity(), lot -> doses.getOrDefault(lot, 0)));
    }

    private boolean stale(Caller caller, Walk walk) {
        Map<UUID, Integer> filled = filled(caller, walk);
        return walk.closedAt() == null
                && walk.collects().stream().anyMatch(c -> filled.getOrDefault(c.lotId(), c.doses()) != c.doses());
    }

    /** Each with the id that its jar is to have, so that everybody on the walk means the same. */
    private List<WalkView.Collecting> collects(RoundView round) {
        return round.collect().stream()
                .map(c -> new WalkView.Collecting(Ids.newVersion7(clock.instant()), c, null))
                .toList();
    }

    private static List<RoundView.StopView> fromTheirJars(
            List<RoundView.StopView> stops, List<WalkView.Collecting> collects) {
        Map<UUID, UUID> jars =
                collects.stream().collect(Collectors.toMap(c -> c.pollen().varietyId(), WalkView.Collecting::lotId));
        return stops.stream()
                .map(s -> s.collectOf() != null ? s.fromJar(jars.get(s.collectOf())) : s)
                .toList();
    }

    /** Crosses that are only planned get their numbers now, so that labels can be written under the tree. */
    private List<RoundView.StopView> beginCrosses(Caller caller, Walk walk) {
        Map<List<UUID>, RoundView.Cross> begun = new HashMap<>();
        return walk.stops().stream()
                .map(s -> s.cross() == null || s.cross().crossId() != null || !preparable(caller, s)
                        ? s
                        : s.of(begun.computeIfAbsent(
                                List.of(s.treeId(), s.cross().crossRequestId()), key -> begin(caller, walk, s))))
                .toList();
    }

    private boolean preparable(Caller caller, RoundView.StopView stop) {
        return crops.of(caller, stop.crop()).cross().isPresent();
    }

    private RoundView.Cross begin(Caller caller, Walk walk, RoundView.StopView stop) {
        RoundView.Cross planned = stop.cross();
        CrossFlowers.Cross controlledCross = controlledCrosses.begin(
                caller,
                Ids.newVersion7(clock.instant()),
                new ControlledCrosses.Begun(
                        stop.treeId(),
                        planned.fatherId(),
                        planned.crossRequestId(),
                        walk.id(),
                        stop.flowers(),
                        ControlledCrosses.USUAL,
                        ""));
        return new RoundView.Cross(
                controlledCross.id(),
                planned.crossRequestId(),
                planned.fatherId(),
                planned.father(),
                controlledCross.label());
    }

    @Transactional(readOnly = true)
    public WalkView walk(Caller caller, UUID id) {
        return view(caller, walks.require(caller, id));
    }

    /** The walk on one page. */
    @Transactional(readOnly = true)
    public byte[] paper(Caller caller, UUID id) {
        Walk walk = walks.require(caller, id);
        OrchardDetails orchard = orchards.details(caller);
        String title = "Visit of " + Given.say(walk.plannedFor(), orchard.site().zone()) + ", " + orchard.name();
        List<String> flowers = walk.live().stream().map(s -> flowers(caller, s)).toList();
        List<String> notes = Stream.concat(walk.collects().stream().map(Walks::collect), walk.cautions().stream())
                .toList();
        return new PaperRound(
                        title,
                        walk.live(),
                        flowers,
                        notes,
                        Messages.english(orchard.site().zone()))
                .pdf();
    }

    private static String collect(WalkView.Collecting c) {
        return "First collect " + Plural.of(c.pollen().flowers(), "male flower") + " of "
                + c.pollen().variety() + " for " + Plural.of(c.pollen().doses(), "dose") + ".";
    }

    private String flowers(Caller caller, RoundView.StopView stop) {
        CropSheet sheet = crops.of(caller, stop.crop());
        String step = CrossWords.name(stop.kind());
        return (step.isEmpty() ? "" : step + ": ")
                + (stop.byStage().isEmpty() ? Plural.of(stop.flowers(), "flower") : stages(sheet, stop));
    }

    private static String stages(CropSheet sheet, RoundView.StopView stop) {
        return stop.byStage().stream()
                .map(b -> b.flowers() + " "
                        + sheet.stages().get(sheet.indexOf(b.stage())).name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }

    /** Walks that nobody ended, the latest first. */
    @Transactional(readOnly = true)
    public List<WalkView.Open> open(Caller caller) {
        List<Walk> open =
                walks.findByOrchardIdAndVoidedAtIsNullAndClosedAtIsNullAndRecordedAtAfterOrderByRecordedAtDescIdDesc(
                        caller.orchardId(), orchards.now(caller).minus(OFFERED));
        Map<UUID, Integer> done =
                pollinations.flowersOfWalks(caller, open.stream().map(Walk::id).toList());
        return open.stream()
                .map(w -> new WalkView.Open(
                        w.id(),
                        w.recordedAt(),
                        w.live().size(),
                        done.getOrDefault(w.id(), 0),
                        w.live().stream().mapToInt(RoundView.StopView::flowers).sum()))
                .toList();
    }

    @Transactional
    public WalkView close(Caller caller, UUID id) {
        Walk walk = walks.require(caller, id);
        if (walk.closedAt() == null) {
            walk.close(orchards.now(caller));
            controlledCrosses.dropIdle(caller, id);
            walks.saveAndFlush(walk);
        }
        return view(caller, walk);
    }

    public WalkView putWord(Caller caller, UUID walkId, UUID id, WalkRequests.Word request) {
        Walk walk = walks.require(caller, walkId);
        requireWord(caller, walk, request);
        once.write(
                words,
                caller,
                id,
                found -> {
                    if (found.kind() != request.kind() || found.stop() != request.stop()) {
                        throw ConflictException.otherwise("note");
                    }
                    return found;
                },
                () -> words.saveAndFlush(
                        new WalkWord(id, caller, orchards.now(caller), zone(caller), walkId, request)));
        return view(caller, walk);
    }

    /** Corrects what was found, when, and the note; its stop stays. */
    @Transactional
    public WalkView correctWord(Caller caller, UUID walkId, UUID id, WalkRequests.Word request, Long version) {
        Walk walk = walks.require(caller, walkId);
        requireWord(caller, walk, request);
        words.correct(caller, id, version, found -> {
            words.requirePartOf(walkId, found.walkId(), id);
            found.correct(request);
        });
        return view(caller, walk);
    }

    private void requireWord(Caller caller, Walk walk, WalkRequests.Word request) {
        Require.within("stop", request.stop(), 0, walk.stops().size() - 1);
        Given.notInFuture("at", request.at(), orchards.now(caller), zone(caller));
        if (request.kind() == WalkWord.Kind.NOTE
                && Given.stripped(request.note()).isEmpty()) {
            throw Refusal.of("note", Text.of("refused.empty"));
        }
    }

    @Transactional
    public void voidWord(Caller caller, UUID walkId, UUID id, VoidRequest request) {
        words.voidOnce(caller, id, request, orchards.now(caller), w -> words.requirePartOf(walkId, w.walkId(), id));
    }

    // --- pictures ---

    public WalkView putPhoto(Caller caller, UUID walkId, UUID id, WalkRequests.Photo request) {
        Walk walk = walks.require(caller, walkId);
        WalkRequests.Photo photo = checked(caller, walk, request);
        once.write(
                photos,
                caller,
                id,
                found -> {
                    if (!found.walkId().equals(walkId)) {
                        throw new ConflictException(Text.of("conflict.picture"));
                    }
                    return found;
                },
                () -> photos.saveAndFlush(
                        new WalkPhoto(id, caller, orchards.now(caller), zone(caller), walkId, clean(photo))));
        return view(caller, walk);
    }

    /** Where it was taken is dropped here unless the orchard wants it kept. */
    private WalkRequests.Photo checked(Caller caller, Walk walk, WalkRequests.Photo r) {
        int stop = Require.within("stop", r.stop(), 0, walk.stops().size() - 1);
        boolean placed = r.latitude() != null
                && r.longitude() != null
                && settings.of(caller).keepPhotoPlace();
        return new WalkRequests.Photo(
                stop,
                Given.notInFuture("at", r.at(), orchards.now(caller), zone(caller)),
                r.data(),
                placed ? r.latitude() : null,
                placed ? r.longitude() : null);
    }

    /** The picture drawn anew, without what the camera wrote beside it. */
    private static WalkRequests.Photo clean(WalkRequests.Photo p) {
        return new WalkRequests.Photo(p.stop(), p.at(), CleanPicture.of(p.data()), p.latitude(), p.longitude());
    }

    @Transactional(readOnly = true)
    public byte[] photo(Caller caller, UUID walkId, UUID id) {
        WalkPhoto photo = photos.current(caller, id);
        photos.requirePartOf(walkId, photo.walkId(), id);
        return photo.jpeg();
    }

    @Transactional
    public void voidPhoto(Caller caller, UUID walkId, UUID id, VoidRequest request) {
        photos.voidOnce(caller, id, request, orchards.now(caller), p -> photos.requirePartOf(walkId, p.walkId(), id));
    }

    @Transactional
    void restoreWord(Caller caller, UUID id, Long version) {
        words.restoreOnce(caller, id, version, w -> {});
    }

    @Transactional
    void restorePhoto(Caller caller, UUID id, Long version) {
        photos.restoreOnce(caller, id, version, p -> {});
    }

    private WalkView view(Caller caller, Walk w) {
        return new WalkView(
                w.id(),
                w.plannedFor(),
                w.recordedAt(),
                w.closedAt(),
                w.collects(),
                w.stops(),
                w.replaced(),
                stale(caller, w),
                w.cautions(),
                pollinations.ofWalk(caller, w.id()),
                controlledCrosses.stepsOfWalk(caller, w.id()),
                words
                        .findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderBySaidAtAscIdAsc(caller.orchardId(), w.id())
                        .stream()
                        .map(x -> new WalkView.Word(
                                x.id(), x.stop(), x.kind(), x.note(), x.saidAt(), x.recordedBy(), x.version()))
                        .toList(),
                photos.ofWalk(caller.orchardId(), w.id()),
                w.version());
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
