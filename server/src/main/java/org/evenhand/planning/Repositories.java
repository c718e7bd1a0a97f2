package org.evenhand.planning;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface PollenOverrideRepository extends RecordRepository<PollenOverride> {
    @Override
    default String noun() {
        return "choice";
    }

    List<PollenOverride> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface PlanOverrideRepository extends RecordRepository<PlanOverride> {
    @Override
    default String noun() {
        return "override";
    }

    List<PlanOverride> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface CalendarFeedRepository extends RecordRepository<CalendarFeed> {
    @Override
    default String noun() {
        return "calendar";
    }

    Optional<CalendarFeed> findByKeyHashAndVoidedAtIsNull(String keyHash);

    List<CalendarFeed> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}
