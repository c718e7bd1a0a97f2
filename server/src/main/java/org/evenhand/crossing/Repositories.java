package org.evenhand.crossing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface CrossingRepository extends RecordRepository<Crossing> {
    @Override
    default String noun() {
        return "cross";
    }

    List<Crossing> findByOrchardIdAndVoidedAtIsNullAndRecordedAtAfterOrderByYearDescNumberDesc(
            UUID orchardId, Instant after);

    List<Crossing> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);

    List<Crossing> findByOrchardIdAndIdIn(UUID orchardId, Collection<UUID> ids);

    List<Crossing> findByOrchardIdAndYear(UUID orchardId, int year);

    /** Of all, those taken out too: a number is never used twice in a year. */
    @Query("select coalesce(max(c.number), 0) from Crossing c where c.orchardId = :orchardId and c.year = :year")
    int lastNumber(UUID orchardId, int year);
}

interface CrossingStepRepository extends RecordRepository<CrossingStep> {
    @Override
    default String noun() {
        return "step";
    }

    List<CrossingStep> findByOrchardIdAndCrossingIdInAndVoidedAtIsNull(UUID orchardId, List<UUID> crossingIds);

    List<CrossingStep> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);
}
