package org.evenhand.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.Plural;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.core.cross.SeedLotStock;
import org.evenhand.core.cross.SeedlingLife;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Component;

/** What is written down of lots and of their seedlings with numbers, which both count for what is left of a lot. */
@Component
record Nursery(SeedStepRepository steps, SeedlingRepository seedlings, SeedlingStepRepository seedlingSteps) {

    /**
     * All of one lot.
     *
     * @param steps with those that have no number
     * @param seedlings with numbers, and what happened to each
     */
    record Written(List<SeedStep> steps, Map<Seedling, List<SeedlingStep>> seedlings) {
        /** What a lot cannot be removed for, as "2 steps and 1 numbered seedling"; empty where nothing hangs on it. */
        Optional<String> hanging() {
            List<String> hanging = new ArrayList<>();
            if (!steps.isEmpty()) {
                hanging.add(Plural.of(steps.size(), "step"));
            }
            if (!seedlings.isEmpty()) {
                hanging.add(Plural.of(seedlings.size(), "numbered seedling"));
            }
            return hanging.isEmpty() ? Optional.empty() : Optional.of(String.join(" and ", hanging));
        }

        /** What is left of it by this. */
        SeedLotStock stock(SeedLot lot) {
            return SeedLotStock.of(
                    lot.seeds(),
                    lot.harvestedOn(),
                    steps.stream().map(SeedStep::done).toList(),
                    lives().values());
        }

        /** The first day on which seeds of it were sown; steps stand in order of time. */
        Optional<LocalDate> sownOn() {
            return steps.stream()
                    .filter(s -> s.kind() == NurseryStep.SOWN)
                    .map(SeedStep::doneOn)
                    .findFirst();
        }

        Map<Seedling, SeedlingLife> lives() {
            Map<Seedling, SeedlingLife> lives = new LinkedHashMap<>();
            seedlings.forEach((seedling, happened) -> lives.put(seedling, life(seedling, happened)));
            return lives;
        }
    }

    static SeedlingLife life(Seedling seedling, List<SeedlingStep> happened) {
        return SeedlingLife.of(
                seedling.numberedAt(),
                seedling.numberedOn(),
                happened.stream().map(SeedlingStep::happened).toList());
    }

    /** Of one lot. */
    Written of(Caller caller, SeedLot lot) {
        return of(caller, List.of(lot)).get(lot.id());
    }

    /** Of each lot, nothing where nothing is written. */
    Map<UUID, Written> of(Caller caller, Collection<SeedLot> lots) {
        List<UUID> ids = lots.stream().map(SeedLot::id).toList();
        Map<UUID, List<SeedStep>> done = steps
                .findByOrchardIdAndSeedLotIdInAndVoidedAtIsNullOrderByDoneOnAscRecordedAtAscIdAsc(
                        caller.orchardId(), ids)
                .stream()
                .collect(Collectors.groupingBy(SeedStep::seedLotId));
        List<Seedling> numbered = seedlings.findByOrchardIdAndSeedLotIdInAndVoidedAtIsNullOrderByStemAscSerialAsc(
                caller.orchardId(), ids);
        Map<UUID, List<Seedling>> byLot = numbered.stream().collect(Collectors.groupingBy(Seedling::seedLotId));
        Map<UUID, List<SeedlingStep>> happened = numbered.isEmpty()
                ? Map.of()
                : seedlingSteps.ofLots(caller.orchardId(), ids).stream()
                        .collect(Collectors.groupingBy(SeedlingStep::seedlingId));
        Map<UUID, Written> written = new HashMap<>();
        for (UUID lot : ids) {
            Map<Seedling, List<SeedlingStep>> own = new LinkedHashMap<>();
            byLot.getOrDefault(lot, List.of()).forEach(s -> own.put(s, happened.getOrDefault(s.id(), List.of())));
            written.put(lot, new Written(done.getOrDefault(lot, List.of()), own));
        }
        return written;
    }

    /** What happened to one seedling. */
    List<SeedlingStep> stepsOf(Caller caller, Seedling seedling) {
        return seedlingSteps.findByOrchardIdAndSeedlingIdAndVoidedAtIsNullOrderByDoneOnAscRecordedAtAscIdAsc(
                caller.orchardId(), seedling.id());
    }
}
