package org.evenhand.cross;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface SeedLotRepository extends RecordRepository<SeedLot> {
    @Override
    default String noun() {
        return "seed lot";
    }

    List<SeedLot> findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(UUID orchardId);

    /** Of all, those taken out too: a number is never used twice in a year. */
    @Query("select coalesce(max(l.number), 0) from SeedLot l where l.orchardId = :orchardId and l.year = :year")
    int lastNumber(UUID orchardId, int year);
}

interface SeedStepRepository extends RecordRepository<SeedStep> {
    @Override
    default String noun() {
        return "step";
    }

    List<SeedStep> findByOrchardIdAndSeedLotIdInAndVoidedAtIsNullOrderByDoneOnAscRecordedAtAscIdAsc(
            UUID orchardId, Collection<UUID> lots);
}
