package org.evenhand.judging;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

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

    List<Score> findByOrchardIdAndVarietyId(UUID orchardId, UUID varietyId);
}
