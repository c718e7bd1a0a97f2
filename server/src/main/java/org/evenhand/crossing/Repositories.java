package org.evenhand.crossing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface ControlledCrossRepository extends RecordRepository<ControlledCross> {
    @Override
    default String noun() {
        return "cross";
    }

    List<ControlledCross> findByOrchardIdAndVoidedAtIsNullAndRecordedAtAfterOrderByYearDescNumberDesc(
            UUID orchardId, Instant after);

    List<ControlledCross> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);

    List<ControlledCross> findByOrchardIdAndIdIn(UUID orchardId, Collection<UUID> ids);

    List<ControlledCross> findByOrchardIdAndFatherId(UUID orchardId, UUID fatherId);

    List<ControlledCross> findByOrchardIdAndVoidedAtIsNullOrderByYearAscNumberAsc(UUID orchardId);

    List<ControlledCross> findByOrchardIdAndYear(UUID orchardId, int year);

    /** Of all, those taken out too: a number is never used twice in a year. */
    @Query("select coalesce(max(c.number), 0) from ControlledCross c where c.orchardId = :orchardId and c.year = :year")
    int lastNumber(UUID orchardId, int year);

    @Query("""
            select count(c) > 0 from ControlledCross c where c.orchardId = :orchardId and c.year = :year and c.number = :number
              and c.voidedAt is null""")
    boolean isTaken(UUID orchardId, int year, int number);
}

interface CrossStepRepository extends RecordRepository<CrossStep> {
    @Override
    default String noun() {
        return "step";
    }

    List<CrossStep> findByOrchardIdAndCrossIdInAndVoidedAtIsNull(UUID orchardId, List<UUID> crossIds);

    List<CrossStep> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);
}
