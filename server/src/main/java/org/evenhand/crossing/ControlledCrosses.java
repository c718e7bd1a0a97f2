package org.evenhand.crossing;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.season.SeasonConventions;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.VoidRequest;
import org.evenhand.mating.CrossRequests;
import org.evenhand.mating.Crosses;
import org.evenhand.mating.WantedCross;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollination.CrossFlowers;
import org.evenhand.pollination.PollinationBook;
import org.evenhand.pollination.WalkRecords;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Crosses that are made: their numbers, their steps and what comes next on each. */
@Service
public class ControlledCrosses implements CrossFlowers {

    /** What is done where nobody chose otherwise: covered, visited twice. */
    public static final CrossProtocol.Method USUAL = new CrossProtocol.Method(true, CrossProtocol.Visits.TWICE);

    private final ControlledCrossRepository controlledCrosses;
    private final CrossStepRepository steps;
    private final PollinationBook pollinations;
    private final ControlledCrossBooks books;
    private final WalkRecords walks;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Crosses crosses;
    private final CrossRequests crossRequests;
    private final IdempotentWriter once;
    private final JdbcTemplate jdbc;

    ControlledCrosses(
            ControlledCrossRepository controlledCrosses,
            CrossStepRepository steps,
            PollinationBook pollinations,
            ControlledCrossBooks books,
            WalkRecords walks,
            Orchards orchards,
            CropCatalogue crops,
            Crosses crosses,
            CrossRequests crossRequests,
            IdempotentWriter once,
            JdbcTemplate jdbc) {
        this.controlledCrosses = controlledCrosses;
        this.steps = steps;
        this.pollinations = pollinations;
        this.books = books;
        this.walks = walks;
        this.orchards = orchards;
        this.crops = crops;
        this.crosses = crosses;
        this.crossRequests = crossRequests;
        this.once = once;
        this.jdbc = jdbc;
    }

    @EventListener
    void merge(VarietiesMerged merged) {
        controlledCrosses
                .findByOrchardIdAndFatherId(merged.caller().orchardId(), merged.from())
                .forEach(cross -> {
                    cross.mergeFather(merged.into());
                    controlledCrosses.saveAndFlush(cross);
                });
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                ControlledCross.class,
                controlledCrosses,
                ControlledCross::fatherId,
                (now, was) -> now.mergeFather(was.fatherId()));
    }

    @Transactional(readOnly = true)
    public ControlledCrossView.All all(Caller caller) {
        ControlledCrossBook book = books.read(caller, thisSeason(caller));
        return new ControlledCrossView.All(
                book.controlledCrosses().stream().map(book::view).toList(),
                crossRequests.wanted(caller).stream().map(book::wanted).toList());
    }

    /** What crosses ask of the rounds to come. */
    @Transactional(readOnly = true)
    public CrossNeeds needs(Caller caller) {
        ControlledCrossBook book = books.read(caller, thisSeason(caller));
        Map<UUID, WantedCross> wanted =
                crossRequests.wanted(caller).stream().collect(Collectors.toMap(WantedCross::id, Function.identity()));
        return new CrossNeeds(
                book.controlledCrosses().stream()
                        .filter(c -> !book.over(c))
                        .map(c -> book.open(c, wanted.get(c.crossRequestId())))
                        .toList(),
                wanted.values().stream()
                        .map(w -> new CrossNeeds.Requested(w, book.wanted(w).more()))
                        .filter(w -> w.more() > 0)
                        .toList());
    }

    private List<ControlledCross> thisSeason(Caller caller) {
        ZoneId zone = zone(caller);
        return controlledCrosses
                .findByOrchardIdAndVoidedAtIsNullAndRecordedAtAfterOrderByYearDescNumberDesc(
                        caller.orchardId(), orchards.now(caller).minus(SeasonConventions.WORKING_SEASON))
                .stream()
                .filter(c -> !c.ofEarlierYear(zone))
                .toList();
    }

    // --- beginning and changing ---

    public ControlledCrossView put(Caller caller, UUID id, ControlledCrossRequests.Cross request) {
        return once.write(
                controlledCrosses,
                caller,
                id,
                found -> view(caller, change(caller, found, request)),
                () -> view(caller, insert(caller, id, request)));
    }

    private ControlledCross change(Caller caller, ControlledCross found, ControlledCrossRequests.Cross request) {
        if (request.version() == null) {
            return found;
        }
        found.requireVersion("cross", request.version());
        refuseOther("treeId", found, found.treeId(), request.treeId());
        refuseOther("fatherId", found, found.fatherId(), request.fatherId());
        found.change(planned(request), method(request), Given.stripped(request.note()));
        return controlledCrosses.saveAndFlush(found);
    }

    /** Its steps and pollinations are of one mother and one father. */
    private static void refuseOther(String field, ControlledCross found, UUID now, UUID wanted) {
        if (!now.equals(wanted)) {
            throw new InvalidInputException(
                    field,
                    "is another than that of cross " + found.label() + ". Remove that one and write it down anew.");
        }
    }

    private ControlledCross insert(Caller caller, UUID id, ControlledCrossRequests.Cross request) {
        if (request.crossRequestId() != null) {
            WantedCross crossRequest = crossRequests.wantedCross(caller, request.crossRequestId());
            TreeView tree = orchards.tree(caller, request.treeId());
            if (!crossRequest.motherId().equals(tree.varietyId())
                    || !crossRequest.fatherId().equals(request.fatherId())) {
                throw new InvalidInputException(
                        "crossRequestId",
                        "is " + crossRequest.mother() + " with " + crossRequest.father()
                                + ", another cross than this. Choose again.");
            }
        }
        return insert(
                caller,
                id,
                new Begun(
                        request.treeId(),
                        request.fatherId(),
                        request.crossRequestId(),
                        null,
                        planned(request),
                        method(request),
                        Given.stripped(request.note())),
                yearMade(caller, request),
                request.number());
    }

    /** Refuses a year to come, and one in which the tree was not there yet. */
    private int yearMade(Caller caller, ControlledCrossRequests.Cross request) {
        LocalDate today = orchards.today(caller);
        if (request.year() == null) {
            return today.getYear();
        }
        if (request.year() > today.getYear()) {
            throw new InvalidInputException("year", "is still to come; a cross is begun in the year it is made.");
        }
        LocalDate planted = orchards.tree(caller, request.treeId()).plantedOn();
        if (planted != null && planted.getYear() > request.year()) {
            throw new InvalidInputException("year", "is before the tree was planted, in " + planted.getYear() + ".");
        }
        return request.year();
    }

    private static int planned(ControlledCrossRequests.Cross request) {
        return request.planned();
    }

    private static CrossProtocol.Method method(ControlledCrossRequests.Cross request) {
        return new CrossProtocol.Method(
                request.bag() == null ? USUAL.bag() : request.bag(),
                request.visits() == null ? USUAL.visits() : request.visits(),
                request.emasculate() == null ? USUAL.emasculate() : request.emasculate());
    }

    /** A cross to begin. */
    public record Begun(
            UUID treeId,
            UUID fatherId,
            UUID crossRequestId,
            UUID walkId,
            int planned,
            CrossProtocol.Method method,
            String note) {}

    /** Begins a cross under the next free number of the year. */
    public Cross begin(Caller caller, UUID id, Begun begun) {
        return named(insert(caller, id, begun, orchards.today(caller).getYear(), null));
    }

    /** @param number it carries already; null where it gets the next one */
    private ControlledCross insert(Caller caller, UUID id, Begun begun, int year, Integer number) {
        TreeView tree = orchards.tree(caller, begun.treeId());
        VarietyView father = orchards.variety(caller, begun.fatherId());
        if (crops.of(caller, tree.crop()).cross().isEmpty()) {
            throw new InvalidInputException(
                    "treeId",
                    "is " + tree.name() + ", whose crop sheet does not say how a flower is made ready for a cross.");
        }
        CrossCompatibility cross = crosses.book(caller).cross(tree.varietyId(), father.id());
        if (!cross.serves()) {
            throw new InvalidInputException(
                    "fatherId", "is " + father.name() + ", whose pollen does not serve this tree: " + cross.why());
        }
        ZoneId zone = orchards.details(caller).site().zone();
        return controlledCrosses.saveAndFlush(new ControlledCross(
                id,
                caller,
                orchards.now(caller),
                zone,
                new ControlledCross.Made(
                        tree.id(),
                        father.id(),
                        begun.crossRequestId(),
                        begun.walkId(),
                        year,
                        number == null ? nextNumber(caller, year) : freeNumber(caller, year, number),
                        begun.planned(),
                        begun.method(),
                        begun.note())));
    }

    /** Holds the orchard's row until the transaction ends, so that of two who take a number at once the second sees the first. */
    @Override
    public void holdNumbers(Caller caller) {
        jdbc.queryForObject("select id from orchard where id = ? for no key update", UUID.class, caller.orchardId());
    }

    private int freeNumber(Caller caller, int year, int number) {
        holdNumbers(caller);
        if (controlledCrosses.isTaken(caller.orchardId(), year, number)) {
            throw new InvalidInputException(
                    "number",
                    "is " + number + ", but " + ControlledCross.label(year, number)
                            + " is another cross already. Choose another, or leave it empty.");
        }
        return number;
    }

    private int nextNumber(Caller caller, int year) {
        holdNumbers(caller);
        int next = controlledCrosses.lastNumber(caller.orchardId(), year) + 1;
        while (pollinations.tagged(caller, year, ControlledCross.label(year, next))) {
            next++;
        }
        return next;
    }

    // --- steps ---

    public ControlledCrossView putStep(Caller caller, UUID crossId, UUID id, ControlledCrossRequests.Step request) {
        ControlledCross controlledCross = controlledCrosses.current(caller, crossId);
        return once.write(
                steps,
                caller,
                id,
                found -> {
                    if (!found.crossId().equals(crossId) || found.kind() != request.kind()) {
                        throw ConflictException.otherwise("step");
                    }
                    return view(caller, controlledCross);
                },
                () -> {
                    steps.saveAndFlush(new CrossStep(
                            id,
                            caller,
                            orchards.now(caller),
                            zone(caller),
                            crossId,
                            checked(caller, controlledCross, id, request)));
                    return view(caller, controlledCross);
                });
    }

    /** Corrects flowers, hour, note and whether it was skipped; what was done stays. */
    @Transactional
    public ControlledCrossView correctStep(
            Caller caller, UUID crossId, UUID id, ControlledCrossRequests.Step request, Long version) {
        ControlledCross controlledCross = controlledCrosses.current(caller, crossId);
        ControlledCrossRequests.Step step = checked(caller, controlledCross, id, request);
        steps.correct(caller, id, version, found -> {
            steps.requirePartOf(crossId, found.crossId(), id);
            if (found.kind() != step.kind()) {
                throw ConflictException.otherwise("step");
            }
            found.correct(step);
        });
        return view(caller, controlledCross);
    }

    private ControlledCrossRequests.Step checked(
            Caller caller, ControlledCross controlledCross, UUID id, ControlledCrossRequests.Step r) {
        CrossProtocol.Step kind = r.kind();
        boolean skipped = Boolean.TRUE.equals(r.skipped());
        if (skipped) {
            Given.text("note", r.note(), 2000);
        }
        if (kind.givesPollen() && !skipped) {
            throw new InvalidInputException(
                    "kind", "is " + kind + "; pollen that was given is written down as a pollination, with its jar.");
        }
        Instant doneAt = Given.notInFuture("doneAt", r.doneAt(), orchards.now(caller), zone(caller));
        int flowers = r.flowers();
        refuseMoreThanThere(caller, controlledCross, id, kind, flowers, doneAt);
        if (!skipped
                && kind == CrossProtocol.Step.EMASCULATE
                && !controlledCross.method().emasculate()) {
            throw new InvalidInputException(
                    "kind",
                    "is not part of cross " + controlledCross.label()
                            + ", which keeps its own pollen under the cover.");
        }
        if ((r.walkId() == null) != (r.stop() == null)) {
            throw new InvalidInputException("stop", "and walk belong together: give both or neither.");
        }
        if (r.walkId() != null) {
            walks.require(caller, r.walkId());
        }
        return new ControlledCrossRequests.Step(
                kind, flowers, doneAt, Given.stripped(r.note()), r.walkId(), r.stop(), skipped);
    }

    @Override
    public void refuseMoreThanThere(Caller caller, UUID crossId, CrossProtocol.Step step, int flowers, Instant at) {
        refuseMoreThanThere(caller, controlledCrosses.current(caller, crossId), null, step, flowers, at);
    }

    /**
     * Flowers get fewer from step to step, never more; and no more are given pollen in a visit than there are.
     *
     * @param id of the step that is written, which is no step before itself
     */
    private void refuseMoreThanThere(
            Caller caller, ControlledCross controlledCross, UUID id, CrossProtocol.Step kind, int flowers, Instant at) {
        List<ControlledCrossView.Done> before =
                books
                        .doneOn(caller, List.of(controlledCross.id()))
                        .getOrDefault(controlledCross.id(), List.of())
                        .stream()
                        .filter(d -> !d.id().equals(id) && !d.doneAt().isAfter(at))
                        .toList();
        int given = before.stream()
                .filter(d -> d.pollination() && d.kind() == kind)
                .mapToInt(ControlledCrossView.Done::flowers)
                .sum();
        before.stream()
                .filter(d -> !d.pollination())
                .reduce((a, b) -> b)
                .filter(last -> given + flowers > last.flowers())
                .ifPresent(last -> {
                    throw Refusal.of(
                            "flowers",
                            Text.of(
                                    "refused.more-than-step",
                                    "flowers",
                                    flowers,
                                    "given",
                                    given,
                                    "left",
                                    last.flowers(),
                                    "cross",
                                    controlledCross.label()));
                });
    }

    @Transactional
    public void voidStep(Caller caller, UUID crossId, UUID id, VoidRequest request) {
        steps.voidOnce(caller, id, request, orchards.now(caller), s -> steps.requirePartOf(crossId, s.crossId(), id));
    }

    /** Puts a removed step back, where the flowers of the steps before it allow it still. */
    @Transactional
    void restoreStep(Caller caller, UUID id, Long version) {
        steps.restoreOnce(
                caller,
                id,
                version,
                s -> refuseMoreThanThere(
                        caller, controlledCrosses.current(caller, s.crossId()), id, s.kind(), s.flowers(), s.doneAt()));
    }

    /** Puts a removed cross back under its number, where no other has it by now; its tree and its father must be there. */
    @Transactional
    void restoreCross(Caller caller, UUID id, Long version) {
        controlledCrosses.restoreOnce(caller, id, version, c -> {
            orchards.requireStanding(caller, c.treeId());
            orchards.variety(caller, c.fatherId());
            freeNumber(caller, c.year(), c.number());
        });
    }

    @Transactional
    public void voidCross(Caller caller, UUID id, VoidRequest request) {
        controlledCrosses.voidOnce(caller, id, request, orchards.now(caller), c -> {
            if (!pollinations.onCrosses(caller, List.of(id)).isEmpty()) {
                throw new InvalidInputException(
                        "reason", "does not help: its flowers were pollinated. Remove those pollinations first.");
            }
        });
    }

    /** Crosses that a walk began and on which nothing was done are taken out, so that their numbers do not look used. */
    public void dropIdle(Caller caller, UUID walkId) {
        List<ControlledCross> begun =
                controlledCrosses.findByOrchardIdAndWalkIdAndVoidedAtIsNull(caller.orchardId(), walkId);
        Map<UUID, List<ControlledCrossView.Done>> done =
                books.doneOn(caller, begun.stream().map(ControlledCross::id).toList());
        begun.stream()
                .filter(c -> !done.containsKey(c.id()))
                .forEach(c -> c.voidBecause("the walk ended without it", orchards.now(caller)));
    }

    /** Steps that were done on a walk. */
    public List<ControlledCrossView.Done> stepsOfWalk(Caller caller, UUID walkId) {
        return steps.findByOrchardIdAndWalkIdAndVoidedAtIsNull(caller.orchardId(), walkId).stream()
                .map(CrossStep::view)
                .toList();
    }

    /** The cross when it is there and not taken out. */
    @Override
    public Cross cross(Caller caller, UUID id) {
        return named(controlledCrosses.current(caller, id));
    }

    /** Crosses by their ids, taken out or not: what grew from their flowers is told by their numbers still. */
    public Map<UUID, Cross> withIds(Caller caller, Collection<UUID> ids) {
        return ids.isEmpty()
                ? Map.of()
                : controlledCrosses.findByOrchardIdAndIdIn(caller.orchardId(), ids).stream()
                        .collect(Collectors.toMap(ControlledCross::id, ControlledCrosses::named));
    }

    /** Crosses of all years. */
    public List<Cross> everMade(Caller caller) {
        return controlledCrosses.findByOrchardIdAndVoidedAtIsNullOrderByYearAscNumberAsc(caller.orchardId()).stream()
                .map(ControlledCrosses::named)
                .toList();
    }

    /** The same, as they are shown to choose from. */
    @Transactional(readOnly = true)
    List<ControlledCrossView.Made> made(Caller caller) {
        return everMade(caller).stream()
                .map(c -> new ControlledCrossView.Made(c.id(), c.label(), c.treeId(), c.fatherId()))
                .toList();
    }

    private static Cross named(ControlledCross c) {
        return new Cross(c.id(), c.label(), c.treeId(), c.fatherId());
    }

    @Override
    public Optional<Cross> labelled(Caller caller, int year, String tag) {
        return controlledCrosses.findByOrchardIdAndYear(caller.orchardId(), year).stream()
                .filter(c -> c.label().equalsIgnoreCase(tag))
                .findFirst()
                .map(ControlledCrosses::named);
    }

    @Override
    public Map<UUID, String> labels(Caller caller, Collection<UUID> ids) {
        return withIds(caller, ids).values().stream().collect(Collectors.toMap(Cross::id, Cross::label));
    }

    private ControlledCrossView view(Caller caller, ControlledCross controlledCross) {
        return books.read(caller, List.of(controlledCross)).view(controlledCross);
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
