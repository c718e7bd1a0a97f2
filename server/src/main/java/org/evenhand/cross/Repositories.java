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

    List<SeedLot> findByOrchardIdAndIdIn(UUID orchardId, Collection<UUID> ids);

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

interface SeedlingRepository extends RecordRepository<Seedling> {
    @Override
    default String noun() {
        return "seedling";
    }

    List<Seedling> findByOrchardIdAndSeedLotIdInAndVoidedAtIsNullOrderByStemAscSerialAsc(
            UUID orchardId, Collection<UUID> lots);

    List<Seedling> findByOrchardIdAndIdIn(UUID orchardId, Collection<UUID> ids);

    List<Seedling> findByOrchardIdAndVarietyId(UUID orchardId, UUID varietyId);

    /** Of all, those taken out too: a number is never used twice. */
    @Query("select coalesce(max(s.serial), 0) from Seedling s where s.orchardId = :orchardId and s.stem = :stem")
    int lastSerial(UUID orchardId, String stem);
}

interface SeedlingStepRepository extends RecordRepository<SeedlingStep> {
    @Override
    default String noun() {
        return "step";
    }

    List<SeedlingStep> findByOrchardIdAndSeedlingIdAndVoidedAtIsNullOrderByDoneOnAscRecordedAtAscIdAsc(
            UUID orchardId, UUID seedling);

    /** Of all seedlings of some lots: there can be thousands of seedlings, too many to be named one by one. */
    @Query("select s from SeedlingStep s where s.orchardId = :orchardId and s.voidedAt is null and s.seedlingId in"
            + " (select d.id from Seedling d where d.orchardId = :orchardId and d.seedLotId in :lots)"
            + " order by s.doneOn, s.recordedAt, s.id")
    List<SeedlingStep> ofLots(UUID orchardId, Collection<UUID> lots);
}
