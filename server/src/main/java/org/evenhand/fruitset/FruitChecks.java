package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.season.SeasonConventions;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.fruitset.CheckCalendar;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.WalkingOrder;
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
import org.evenhand.pollination.PollinationCorrected;
import org.evenhand.pollination.PollinationView;
import org.evenhand.pollination.PollinationVoided;
import org.evenhand.pollination.Pollinations;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks for fruit, written down and due. */
@Service
public class FruitChecks {
    private static final String PETALS_ON = "petals-still-on";
    private static final String FEWER = "fewer-than-before";
    private static final int MOST_ROWS = 300;
    private static final int MOST_LOOKED = 100;
    private static final int FORESEEN_DAYS = 60;

    private final FruitCheckRepository checks;
    private final FlowerOutcomes outcomes;
    private final Pollinations pollinations;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    FruitChecks(
            FruitCheckRepository checks,
            FlowerOutcomes outcomes,
            Pollinations pollinations,
            Orchards orchards,
            CropCatalogue crops,
            IdempotentWriter once) {
        this.checks = checks;
        this.outcomes = outcomes;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    /** Checks due and to come, and those of this season that want no check any more. */
    FruitSetView all(Caller caller) {
        int waiting = outcomes.refresh(caller);
        LocalDate today = orchards.today(caller);
        List<UUID> due = outcomes.due(caller, today, MOST_ROWS);
        List<UUID> coming = outcomes.due(caller, today.plusDays(FORESEEN_DAYS), due.size() + MOST_ROWS);
        List<UUID> looked =
                outcomes.looked(caller, today.minusDays(SeasonConventions.WORKING_SEASON.toDays()), MOST_LOOKED);
        List<UUID> ids = Stream.of(coming, looked).flatMap(List::stream).toList();
        Map<UUID, FruitSetView.Row> rows = rows(caller, ids, today);
        return new FruitSetView(
                today,
                outcomes.countDue(caller, today),
                waiting,
                // Others write while the lists are read one after the other: what moved on in between stands once,
                // where it came first.
                Stream.of(inWalkingOrder(there(due, rows)), there(coming, rows), there(looked, rows))
                        .flatMap(List::stream)
                        .distinct()
                        .toList());
    }

    private static List<FruitSetView.Row> there(List<UUID> ids, Map<UUID, FruitSetView.Row> rows) {
        return ids.stream().map(rows::get).filter(Objects::nonNull).toList();
    }

    private static List<FruitSetView.Row> inWalkingOrder(List<FruitSetView.Row> rows) {
        // Flowers of one tree stay together, so that the way is sought past trees.
        Map<UUID, List<FruitSetView.Row>> byTree = rows.stream()
                .collect(Collectors.groupingBy(r -> r.pollination().treeId(), LinkedHashMap::new, Collectors.toList()));
        return WalkingOrder.past(
                        List.copyOf(byTree.values()),
                        t -> new Place(
                                t.get(0).block(), t.get(0).row(), t.get(0).position()),
                        Optional.empty())
                .stream()
                .flatMap(List::stream)
                .toList();
    }

    private Map<UUID, FruitSetView.Row> rows(Caller caller, List<UUID> ids, LocalDate today) {
        ZoneId zone = orchards.details(caller).site().zone();
        Map<UUID, List<FruitCheck>> made = checks
                .findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAtAscIdAsc(caller.orchardId(), ids)
                .stream()
                .collect(Collectors.groupingBy(FruitCheck::pollinationId));
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        return pollinations.withIds(caller, ids).stream()
                .map(p -> row(
                        caller,
                        p,
                        trees.computeIfAbsent(p.treeId(), removed -> orchards.tree(caller, removed)),
                        made.getOrDefault(p.id(), List.of()),
                        zone,
                        today))
                .collect(Collectors.toMap(r -> r.pollination().id(), Function.identity()));
    }

    private FruitSetView.Row row(
            Caller caller, PollinationView p, TreeView tree, List<FruitCheck> done, ZoneId zone, LocalDate today) {
        LocalDate pollinatedOn = p.doneAt().atZone(zone).toLocalDate();
        List<CheckCalendar.Check> taken = done.stream()
                .map(c -> new CheckCalendar.Check(c.checkedAt().atZone(zone).toLocalDate(), c.outcome()))
                .toList();
        // Nothing is looked for on a tree that was felled.
        FruitSetView.Due due = !tree.standing()
                ? null
                : CheckCalendar.next(crops.of(caller, p.crop()), pollinatedOn, taken)
                        .map(d ->
                                new FruitSetView.Due(d.due(), !today.isBefore(d.due()), d.day(), d.name(), d.lookFor()))
                        .orElse(null);
        return new FruitSetView.Row(
                p,
                tree.block(),
                tree.row(),
                tree.position(),
                pollinatedOn,
                done.stream().map(FruitCheck::view).toList(),
                due);
    }

    public CheckView put(Caller caller, UUID id, CheckRequest request) {
        return once.write(checks, caller, id, found -> again(found, request), () -> insert(caller, id, request));
    }

    private static CheckView again(FruitCheck found, CheckRequest request) {
        CheckView now = found.view();
        boolean same = now.pollinationId().equals(request.pollinationId())
                && Optional.of(now.taken()).equals(Optional.ofNullable(request.taken()))
                && Optional.of(now.failed()).equals(Optional.ofNullable(request.failed()))
                && Optional.of(now.unknown()).equals(Optional.ofNullable(request.unknown()))
                && now.dropped() == (request.dropped() == null ? 0 : request.dropped())
                && now.thinned() == (request.thinned() == null ? 0 : request.thinned())
                && now.lost() == (request.lost() == null ? 0 : request.lost());
        if (!same) {
            throw ConflictException.otherwise("check");
        }
        return now;
    }

    /** Corrects a check; the pollination whose flowers were looked at stays. */
    @Transactional
    public CheckView correct(Caller caller, UUID id, CheckRequest request, Long version) {
        return checks.correct(caller, id, version, check -> {
                    if (!check.pollinationId().equals(request.pollinationId())) {
                        throw new InvalidInputException(
                                "pollinationId", "is another one. Remove this check, and write down a new one there.");
                    }
                    Found found = found(caller, request);
                    check.correct(found.at(), found.outcome(), found.detail(), Given.stripped(request.note()));
                })
                .view();
    }

    /** What a check found, looked through. */
    private record Found(UUID pollination, Instant at, CheckOutcome outcome, CheckDetail detail) {}

    private CheckView insert(Caller caller, UUID id, CheckRequest request) {
        Found found = found(caller, request);
        askWhereLessIsKnown(
                caller, id, found, request, orchards.details(caller).site().zone());
        return checks.saveAndFlush(new FruitCheck(
                        id,
                        caller,
                        orchards.now(caller),
                        orchards.details(caller).site().zone(),
                        found.pollination(),
                        found.at(),
                        found.outcome(),
                        found.detail(),
                        Given.stripped(request.note())))
                .view();
    }

    private Found found(Caller caller, CheckRequest request) {
        PollinationView pollination = pollinations.pollination(caller, request.pollinationId());
        ZoneId zone = orchards.details(caller).site().zone();
        Instant checkedAt = Given.notInFuture("checkedAt", request.checkedAt(), orchards.now(caller), zone);
        refuseBeforePollination(caller, checkedAt, pollination);
        CheckOutcome outcome = new CheckOutcome(
                pollination.flowers(),
                request.taken(),
                request.failed(),
                request.dropped() == null ? 0 : request.dropped(),
                request.unknown(),
                request.thinned() == null ? 0 : request.thinned(),
                request.lost() == null ? 0 : request.lost());
        CheckDetail detail = request.detail() == null ? CheckDetail.NONE : request.detail();
        detail.check(outcome);
        askWhilePetalsAreOn(pollination, checkedAt, outcome, zone, request);
        return new Found(pollination.id(), checkedAt, outcome, detail);
    }

    private void refuseBeforePollination(Caller caller, Instant checkedAt, PollinationView pollination) {
        if (checkedAt.isBefore(pollination.doneAt())) {
            throw Refusal.of(
                    "checkedAt",
                    orchards.details(caller).site().zone(),
                    Text.of("refused.before-pollination", "at", checkedAt, "atPollinated", pollination.doneAt()));
        }
    }

    /** With the petals on nobody can tell, least of all where their nick is the only mark. */
    private static void askWhilePetalsAreOn(
            PollinationView pollination, Instant checkedAt, CheckOutcome outcome, ZoneId zone, CheckRequest request) {
        long day = ChronoUnit.DAYS.between(
                pollination.doneAt().atZone(zone).toLocalDate(),
                checkedAt.atZone(zone).toLocalDate());
        boolean told = outcome.taken() + outcome.gone() > 0;
        boolean early = CheckCalendar.petalsOn(day) && pollination.markLasts() == Mark.Lasts.PETALS;
        if (told && early && !confirms(request, PETALS_ON)) {
            throw new QuestionException(PETALS_ON, zone, Text.of("asked.petals-on", "days", day));
        }
    }

    private static boolean confirms(CheckRequest request, String key) {
        return request.confirmed() != null && request.confirmed().contains(key);
    }

    /** Each number is of all flowers up to that day; who counts only those found since the check before is asked. */
    private void askWhereLessIsKnown(Caller caller, UUID id, Found found, CheckRequest request, ZoneId zone) {
        if (confirms(request, FEWER)) {
            return;
        }
        checks
                .findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAtAscIdAsc(
                        caller.orchardId(), List.of(found.pollination()))
                .stream()
                .filter(c -> !c.id().equals(id) && !c.checkedAt().isAfter(found.at()))
                .reduce((a, b) -> b)
                .filter(before -> found.outcome().knowsLessThan(before.outcome()))
                .ifPresent(before -> {
                    throw new QuestionException(
                            FEWER,
                            zone,
                            Text.of(
                                    "asked.fewer-than-before",
                                    "now",
                                    found.outcome().decided(),
                                    "before",
                                    before.outcome().decided(),
                                    "at",
                                    before.checkedAt()));
                });
    }

    @Transactional
    public void voidCheck(Caller caller, UUID id, VoidRequest request) {
        checks.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts a removed check back, where its flowers are still there and it still fits them. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        checks.restoreOnce(caller, id, version, check -> {
            PollinationView pollination = pollinations.pollination(caller, check.pollinationId());
            refuseBeforePollination(caller, check.checkedAt(), pollination);
            // Refuses more flowers than the corrected pollination has.
            check.outcome();
        });
    }

    /** A check never tells of more flowers than there are, nor of a time before they were pollinated. */
    @EventListener
    void fitCorrectedPollinations(PollinationCorrected event) {
        checks.findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAtAscIdAsc(
                        event.orchardId(), List.of(event.pollinationId()))
                .forEach(check -> {
                    if (check.outcome().accountedFor() > event.flowers()) {
                        throw new InvalidInputException(
                                "flowers",
                                "are " + event.flowers() + ", but a check found "
                                        + check.outcome().accountedFor() + ". Correct the check first.");
                    }
                    if (check.checkedAt().isBefore(event.doneAt())) {
                        throw new InvalidInputException(
                                "doneAt", "lies after a check of these flowers. Correct the check first.");
                    }
                });
    }

    @EventListener
    void keepPollinationsWithChecks(PollinationVoided event) {
        if (checks.existsByOrchardIdAndPollinationIdAndVoidedAtIsNull(event.orchardId(), event.pollinationId())) {
            throw new InvalidInputException(
                    "reason", "does not help: its fruit has been checked already. Remove the checks first.");
        }
    }
}
