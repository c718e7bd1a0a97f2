package org.evenhand.fruitset;

import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.fruitset.CheckCalendar;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OnceWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.round.PollinationView;
import org.evenhand.round.PollinationVoided;
import org.evenhand.round.Pollinations;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks for fruit, written down and due. */
@Service
public class FruitChecks {
    private final FruitCheckRepository checks;
    private final Pollinations pollinations;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final OnceWriter once;
    private final InstantSource clock;

    FruitChecks(
            FruitCheckRepository checks,
            Pollinations pollinations,
            Orchards orchards,
            CropCatalogue crops,
            OnceWriter once,
            InstantSource clock) {
        this.checks = checks;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    FruitSetView all(Caller caller) {
        ZoneId zone = orchards.details(caller).site().zone();
        LocalDate today = orchards.today(caller);
        Map<UUID, List<FruitCheck>> byPollination = byPollination(caller);
        List<FruitSetView.Row> rows = pollinations.all(caller).stream()
                .map(p -> row(caller, p, byPollination.getOrDefault(p.id(), List.of()), zone, today))
                .sorted(Comparator.comparing((FruitSetView.Row r) ->
                        r.due() == null ? LocalDate.MAX : r.due().on()))
                .toList();
        return new FruitSetView(today, rows);
    }

    private FruitSetView.Row row(
            Caller caller, PollinationView p, List<FruitCheck> done, ZoneId zone, LocalDate today) {
        LocalDate pollinatedOn = p.doneAt().atZone(zone).toLocalDate();
        List<LocalDate> dates =
                done.stream().map(c -> c.checkedAt().atZone(zone).toLocalDate()).toList();
        FruitSetView.Due due = CheckCalendar.next(crops.of(caller, p.crop()), pollinatedOn, dates)
                .map(d -> new FruitSetView.Due(
                        d.due(),
                        !today.isBefore(d.due()),
                        d.day().days(),
                        d.day().name(),
                        d.day().lookFor()))
                .orElse(null);
        return new FruitSetView.Row(
                p, pollinatedOn, done.stream().map(FruitCheck::view).toList(), due);
    }

    /** What the latest check of each pollination found. */
    @Transactional(readOnly = true)
    public Map<UUID, CheckOutcome> latestOutcomes(Caller caller) {
        return byPollination(caller).entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        e -> e.getValue().get(e.getValue().size() - 1).outcome()));
    }

    private Map<UUID, List<FruitCheck>> byPollination(Caller caller) {
        return checks.findByOrchardIdAndVoidedAtIsNullOrderByCheckedAt(caller.orchardId()).stream()
                .collect(Collectors.groupingBy(FruitCheck::pollinationId));
    }

    public CheckView put(Caller caller, UUID id, CheckRequest request) {
        return once.write(
                "fruit_check",
                id,
                () -> checks.findByIdAndOrchardId(id, caller.orchardId()),
                found -> again(found, request),
                () -> insert(caller, id, request));
    }

    private static CheckView again(FruitCheck found, CheckRequest request) {
        CheckView now = found.view();
        boolean same = now.pollinationId().equals(request.pollinationId())
                && Optional.of(now.taken()).equals(Optional.ofNullable(request.taken()))
                && Optional.of(now.failed()).equals(Optional.ofNullable(request.failed()))
                && Optional.of(now.unknown()).equals(Optional.ofNullable(request.unknown()));
        if (!same) {
            throw new ConflictException(
                    "This check is already written down with other numbers. Void it and count again.");
        }
        return now;
    }

    private CheckView insert(Caller caller, UUID id, CheckRequest request) {
        PollinationView pollination =
                pollinations.pollination(caller, Given.required("pollinationId", request.pollinationId()));
        ZoneId zone = orchards.details(caller).site().zone();
        Instant checkedAt = Given.notInFuture("checkedAt", request.checkedAt(), orchards.now(caller), zone);
        if (checkedAt.isBefore(pollination.doneAt())) {
            throw new InvalidInputException(
                    "checkedAt",
                    "is " + Given.say(checkedAt, zone) + ", before the pollination on "
                            + Given.say(pollination.doneAt(), zone) + ". Check date and hour.");
        }
        CheckOutcome outcome = new CheckOutcome(
                pollination.flowers(),
                Given.required("taken", request.taken()),
                Given.required("failed", request.failed()),
                Given.required("unknown", request.unknown()));
        String note = Given.optionalText("note", request.note(), 2000);
        FruitCheck check =
                new FruitCheck(id, caller, clock.instant(), zone, pollination.id(), checkedAt, outcome, note);
        return checks.saveAndFlush(check).view();
    }

    @Transactional
    public void voidCheck(Caller caller, UUID id, VoidRequest request) {
        FruitCheck check = checks.findByIdAndOrchardId(id, caller.orchardId())
                .orElseThrow(() -> new NotFoundException("check", id));
        if (check.voided()) {
            return;
        }
        check.requireVersion("check", request.version());
        check.voidBecause(request.reason(), clock.instant());
    }

    @EventListener
    void keepPollinationsWithChecks(PollinationVoided event) {
        if (checks.existsByOrchardIdAndPollinationIdAndVoidedAtIsNull(event.orchardId(), event.pollinationId())) {
            throw new InvalidInputException(
                    "reason", "does not help: its fruit has been checked already. Void the checks first.");
        }
    }
}
