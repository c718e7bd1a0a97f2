package org.evenhand.pollen;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.bloom.Readings;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.pollen.FlowerTrial;
import org.evenhand.core.pollen.GerminationTest;
import org.evenhand.core.pollen.StorageHistory;
import org.evenhand.core.pollen.StorageStep;
import org.evenhand.core.pollen.StorageWarning;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What becomes of a jar after it was filled: moved, dried, tested, taken from by hand. */
@Service
class Jars {
    private static final int POINTS = 72;

    private final PollenLotRepository lots;
    private final PollenStepRepository steps;
    private final PollenTestRepository tests;
    private final PollenEntryRepository entries;
    private final LotBooks books;
    private final Ledger ledger;
    private final Orchards orchards;
    private final Weather weather;
    private final IdempotentWriter once;

    Jars(
            PollenLotRepository lots,
            PollenStepRepository steps,
            PollenTestRepository tests,
            PollenEntryRepository entries,
            LotBooks books,
            Ledger ledger,
            Orchards orchards,
            Weather weather,
            IdempotentWriter once) {
        this.lots = lots;
        this.steps = steps;
        this.tests = tests;
        this.entries = entries;
        this.books = books;
        this.ledger = ledger;
        this.orchards = orchards;
        this.weather = weather;
        this.once = once;
    }

    /** The jar's story, or "not found". */
    @Transactional(readOnly = true)
    public LotStory story(Caller caller, UUID lotId) {
        return story(caller, lots.require(caller, lotId));
    }

    /** The jar with a code, or "not found"; capitals do not matter. */
    @Transactional(readOnly = true)
    public LotView byCode(Caller caller, String code) {
        String wanted = Given.text("code", code, 40);
        PollenLot lot = lots.findByOrchardIdAndCodeIgnoreCaseAndVoidedAtIsNull(caller.orchardId(), wanted)
                .orElseThrow(() -> new NotFoundException("jar with the code " + wanted));
        return books.read(caller).view(lot, orchards.now(caller));
    }

    private LotStory story(Caller caller, PollenLot lot) {
        LotBook book = books.read(caller);
        Instant now = orchards.now(caller);
        ViabilityCurve course = book.course(lot);
        return new LotStory(
                book.view(lot, now),
                hour(caller, lot.details()).orElse(null),
                steps(book, lot),
                book.keeping(lot).hazardsUntil(now).stream()
                        .map(StorageWarning::say)
                        .toList(),
                tests(book, lot),
                points(course, now),
                course.fresh() * ViabilityCurve.USEFUL_SHARE_OF_FRESH,
                lines(book, lot),
                book.blendedFrom(lot).stream()
                        .map(l -> new LotView.PartView(
                                l.id(),
                                l.code(),
                                book.fatherNames(l),
                                l.details().parts().get(lot.id())))
                        .toList());
    }

    private Optional<LotStory.Hour> hour(Caller caller, LotDetails d) {
        if (d.sources().isEmpty()) {
            return Optional.empty();
        }
        Places places = weather.places(caller);
        Set<String> stood = d.sources().keySet().stream()
                .map(tree -> places.of(orchards.tree(caller, tree).block()))
                .collect(Collectors.toSet());
        WeatherSeries air = weather.air(
                caller, stood.size() == 1 ? stood.iterator().next() : Places.ORCHARD, d.collectedAt(), d.collectedAt());
        Instant at = d.collectedAt();
        OptionalDouble humidity = air.humidityAt(at);
        return Optional.of(new LotStory.Hour(
                air.temperatures().celsiusAt(at),
                humidity.isPresent() ? humidity.getAsDouble() : null,
                air.sourceAt(at)));
    }

    private static List<LotStory.Step> steps(LotBook book, PollenLot lot) {
        List<LotStory.Step> found = new ArrayList<>();
        book.firstSteps(lot).forEach(s -> found.add(step(null, s, 0)));
        book.stepsOf(lot).forEach(s -> found.add(step(s.id(), s.step(), s.version())));
        return found;
    }

    private static LotStory.Step step(UUID id, StorageStep s, long version) {
        return new LotStory.Step(
                id,
                s.at(),
                s.kind(),
                s.storage().orElse(null),
                s.celsius().orElse(null),
                s.humidity().orElse(null),
                version);
    }

    private static List<LotStory.Test> tests(LotBook book, PollenLot lot) {
        return book.testsOf(lot).stream().map(t -> test(book, lot, t)).toList();
    }

    private static LotStory.Test test(LotBook book, PollenLot lot, PollenTest test) {
        PollenTest.Seen seen = test.seen();
        ViabilityCurve course = book.course(lot);
        Optional<GerminationTest> g = seen.germination();
        Optional<FlowerTrial> t = seen.trial();
        return new LotStory.Test(
                test.id(),
                seen.at(),
                g.isPresent(),
                g.map(GerminationTest::grains)
                        .or(() -> t.map(FlowerTrial::flowers))
                        .orElseThrow(),
                g.map(GerminationTest::tubes)
                        .or(() -> t.map(FlowerTrial::taken))
                        .orElseThrow(),
                t.map(FlowerTrial::freshFlowers).orElse(0),
                t.map(FlowerTrial::freshTaken).orElse(0),
                g.map(x -> x.fields().size()).orElse(0),
                g.map(GerminationTest::clumping).orElse(1.0),
                course.at(seen.at().minusMillis(1)).share(),
                course.at(seen.at()).share(),
                seen.note(),
                test.version());
    }

    private static List<LotStory.Point> points(ViabilityCurve course, Instant now) {
        Instant from = course.keeping().collectedAt();
        Instant known = now.isAfter(from) ? now : from;
        Instant until = course.goodUntil(known).filter(known::isBefore).orElse(known);
        Duration all = Duration.between(from, until).multipliedBy(11).dividedBy(10);
        Duration step = all.compareTo(Duration.ofHours(POINTS)) < 0 ? Duration.ofHours(1) : all.dividedBy(POINTS);
        return IntStream.rangeClosed(0, POINTS)
                .mapToObj(i -> from.plus(step.multipliedBy(i)))
                .map(at -> point(at, course.at(at)))
                .toList();
    }

    private static LotStory.Point point(Instant at, ViabilityCurve.Estimate e) {
        return new LotStory.Point(at, e.share(), e.low(), e.high());
    }

    private List<LotStory.Line> lines(LotBook book, PollenLot lot) {
        List<PollenEntry> found = entries.findByLotIdOrderByIdDesc(lot.id());
        Set<Long> undone = found.stream().map(PollenEntry::undoes).collect(Collectors.toCollection(HashSet::new));
        Map<UUID, String> codes = new HashMap<>();
        book.lots().forEach(l -> codes.put(l.id(), l.code()));
        List<LotStory.Line> lines = new ArrayList<>();
        int left = lot.dosesLeft();
        for (PollenEntry e : found) {
            lines.add(new LotStory.Line(
                    e.key(),
                    e.at(),
                    e.kind(),
                    e.change(),
                    undone.contains(e.id()),
                    left,
                    codes.get(e.partOfId()),
                    e.note()));
            left -= e.change();
        }
        return lines;
    }

    // --- correcting ---

    /** Corrects hour and note; refuses an hour after anything was done with it, or before its trees were planted. */
    @Transactional
    public LotStory correct(Caller caller, UUID lotId, LotCorrection correction) {
        Instant at = Given.notInFuture("at", correction.at(), orchards.now(caller), zone(caller));
        PollenLot lot = lots.correct(caller, lotId, correction.version(), found -> {
            refuseAfterUse(caller, found, at);
            found.details()
                    .sources()
                    .keySet()
                    .forEach(
                            tree -> Readings.refuseUnlessStanding("at", orchards.tree(caller, tree), at, zone(caller)));
            found.correct(at, correction.note().strip());
        });
        return story(caller, lot);
    }

    private void refuseAfterUse(Caller caller, PollenLot lot, Instant at) {
        LotBook book = books.read(caller);
        Stream.of(
                        book.stepsOf(lot).stream().map(s -> s.step().at()),
                        book.testsOf(lot).stream().map(t -> t.seen().at()),
                        entries.findByLotIdOrderByIdDesc(lot.id()).stream()
                                .filter(e -> e.change() < 0)
                                .map(PollenEntry::at))
                .flatMap(Function.identity())
                .min(Comparator.naturalOrder())
                .filter(at::isAfter)
                .ifPresent(used -> {
                    throw new InvalidInputException(
                            "at",
                            "is " + Given.say(at, zone(caller)) + ", after something was done with " + lot.code()
                                    + " on " + Given.say(used, zone(caller)) + ".");
                });
    }

    // --- steps ---

    /** Corrects a step; asks as when it was written. */
    @Transactional
    public LotStory correctStep(Caller caller, UUID lotId, UUID id, JarRequests.Step request, Long version) {
        PollenLot lot = lots.require(caller, lotId);
        StorageStep step = step(caller, request);
        steps.correct(caller, id, version, found -> {
            steps.requirePartOf(lotId, found.lotId(), id);
            check(caller, lot, id, step, request.confirmed());
            found.correct(step);
        });
        return story(caller, lot);
    }

    private StorageStep step(Caller caller, JarRequests.Step request) {
        return new StorageStep(
                Given.notInFuture("at", request.at(), orchards.now(caller), zone(caller)),
                request.kind(),
                Optional.ofNullable(request.storage()),
                Optional.ofNullable(request.celsius()),
                Optional.ofNullable(request.humidity()));
    }

    public LotStory putStep(Caller caller, UUID lotId, UUID id, JarRequests.Step request) {
        PollenLot lot = lots.require(caller, lotId);
        StorageStep step = step(caller, request);
        return once.write(
                steps,
                caller,
                id,
                found -> same(
                        found.lotId().equals(lotId) && found.step().equals(step), "step", () -> story(caller, lot)),
                () -> {
                    check(caller, lot, id, step, request.confirmed());
                    steps.saveAndFlush(new PollenStep(id, caller, orchards.now(caller), zone(caller), lotId, step));
                    return story(caller, lot);
                });
    }

    private void check(Caller caller, PollenLot lot, UUID id, StorageStep step, List<String> confirmed) {
        LotBook book = books.read(caller);
        lot.refuseBefore(step.at(), zone(caller));
        step.storage().ifPresent(s -> PollenShelf.requireStorage("storage", book.sheet(lot), s));
        StorageHistory after = book.keeping(lot, other -> !other.id().equals(id))
                .until(step.at())
                .then(step);
        ask(StorageWarning.ofLastStep(after), confirmed);
    }

    /** Asks once for all that growers would warn of. */
    static void ask(List<StorageWarning> hazards, List<String> confirmed) {
        String key = hazards.stream().map(StorageWarning::name).collect(Collectors.joining("+"));
        if (!hazards.isEmpty() && !JarRequests.confirms(confirmed, key)) {
            throw new QuestionException(
                    key,
                    hazards.stream().map(StorageWarning::say).collect(Collectors.joining(" "))
                            + " Write it down all the same?");
        }
    }

    @Transactional
    public void voidStep(Caller caller, UUID lotId, UUID id, VoidRequest request) {
        steps.voidOnce(caller, id, request, orchards.now(caller), s -> steps.requirePartOf(lotId, s.lotId(), id));
    }

    /** Puts a removed step back, as long as its jar is there. */
    @Transactional
    void restoreStep(Caller caller, UUID id, Long version) {
        steps.restoreOnce(caller, id, version, step -> lots.current(caller, step.lotId()));
    }

    // --- tests ---

    @Transactional
    public LotStory correctTest(Caller caller, UUID lotId, UUID id, JarRequests.Test request, Long version) {
        PollenLot lot = lots.require(caller, lotId);
        PollenTest.Seen seen = seen(caller, request);
        lot.refuseBefore(seen.at(), zone(caller));
        tests.correct(caller, id, version, found -> {
            tests.requirePartOf(lotId, found.lotId(), id);
            found.correct(seen);
        });
        return story(caller, lot);
    }

    public LotStory putTest(Caller caller, UUID lotId, UUID id, JarRequests.Test request) {
        PollenLot lot = lots.require(caller, lotId);
        PollenTest.Seen seen = seen(caller, request);
        return once.write(
                tests,
                caller,
                id,
                found -> same(
                        found.lotId().equals(lotId) && found.seen().equals(seen), "test", () -> story(caller, lot)),
                () -> {
                    lot.refuseBefore(seen.at(), zone(caller));
                    tests.saveAndFlush(new PollenTest(id, caller, orchards.now(caller), zone(caller), lotId, seen));
                    return story(caller, lot);
                });
    }

    private PollenTest.Seen seen(Caller caller, JarRequests.Test r) {
        Instant at = Given.notInFuture("at", r.at(), orchards.now(caller), zone(caller));
        String note = Given.stripped(r.note());
        boolean onMedium = r.fields() != null;
        if (onMedium == (r.flowers() != null)) {
            throw new InvalidInputException("fields", "or flowers: give what was counted, one of the two.");
        }
        return onMedium
                ? new PollenTest.Seen(at, Optional.of(germination(r.fields())), Optional.empty(), note)
                : new PollenTest.Seen(at, Optional.empty(), Optional.of(trial(r)), note);
    }

    /** Every field of view that cannot be, by core's own rule. */
    private static GerminationTest germination(List<JarRequests.Field> given) {
        return new GerminationTest(
                Require.each("fields", given, f -> new GerminationTest.Field(f.grains(), f.tubes())));
    }

    private static FlowerTrial trial(JarRequests.Test r) {
        return new FlowerTrial(
                r.flowers(),
                Given.required("taken", r.taken()),
                r.freshFlowers() == null ? 0 : r.freshFlowers(),
                r.freshTaken() == null ? 0 : r.freshTaken());
    }

    @Transactional
    public void voidTest(Caller caller, UUID lotId, UUID id, VoidRequest request) {
        tests.voidOnce(caller, id, request, orchards.now(caller), t -> tests.requirePartOf(lotId, t.lotId(), id));
    }

    /** Puts a removed test back, as long as its jar is there. */
    @Transactional
    void restoreTest(Caller caller, UUID id, Long version) {
        tests.restoreOnce(caller, id, version, test -> lots.current(caller, test.lotId()));
    }

    // --- the ledger, by hand ---

    public LotStory putLine(Caller caller, UUID lotId, UUID id, JarRequests.Line request) {
        PollenLot lot = lots.require(caller, lotId);
        PollenEntry.Line line = line(caller, lotId, id, request);
        return once.write(
                "ledger line",
                id,
                () -> entries.findByKeyAndLotId(id, lotId),
                () -> entries.existsByKey(id),
                found -> same(
                        found.kind() == line.kind() && found.change() == line.change(),
                        "line",
                        () -> story(caller, lot)),
                () -> {
                    lot.refuseBefore(line.at(), zone(caller));
                    ledger.byHand(caller, line);
                    return story(caller, lots.require(caller, lotId));
                });
    }

    private PollenEntry.Line line(Caller caller, UUID lotId, UUID id, JarRequests.Line r) {
        if (!r.kind().byHand()) {
            throw new InvalidInputException("kind", "'" + r.kind() + "' is not written by hand.");
        }
        int doses = r.doses();
        return new PollenEntry.Line(
                id,
                lotId,
                r.kind(),
                r.kind().in() ? doses : -doses,
                Given.notInFuture("at", r.at(), orchards.now(caller), zone(caller)),
                Given.stripped(r.note()));
    }

    @Transactional
    public LotStory undoLine(Caller caller, UUID lotId, UUID id) {
        lots.require(caller, lotId);
        PollenEntry wrong = entries.findByKeyAndLotId(id, lotId).orElseThrow(() -> new NotFoundException("line", id));
        ledger.undo(caller, wrong);
        return story(caller, lots.require(caller, lotId));
    }

    private static LotStory same(boolean same, String what, Supplier<LotStory> story) {
        if (!same) {
            throw ConflictException.otherwise(what);
        }
        return story.get();
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
