package org.evenhand.judging;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface TraitRepository extends RecordRepository<Trait> {
    @Override
    default String noun() {
        return "trait";
    }

    List<Trait> findByOrchardIdAndCropAndVoidedAtIsNullOrderByWeightDescNameAsc(UUID orchardId, String crop);
}

interface ScoreRepository extends RecordRepository<Score> {
    @Override
    default String noun() {
        return "score";
    }

    List<Score> findByOrchardIdAndTraitIdInAndVoidedAtIsNullOrderByScoredOnAscRecordedAtAscIdAsc(
            UUID orchardId, Collection<UUID> traits);

    /** Of one seedling or variety, the latest first. */
    @Query("select s from Score s where s.orchardId = :orchardId and s.voidedAt is null"
            + " and (s.seedlingId = :plant or s.varietyId = :plant) order by s.scoredOn desc, s.recordedAt, s.id")
    List<Score> ofPlant(UUID orchardId, UUID plant);

    List<Score> findByOrchardIdAndVarietyId(UUID orchardId, UUID varietyId);
}
