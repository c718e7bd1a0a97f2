package org.evenhand.planning;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RoundChoiceRepository extends JpaRepository<RoundChoice, UUID> {
    Optional<RoundChoice> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<RoundChoice> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface PlanOverrideRepository extends JpaRepository<PlanOverride, UUID> {
    Optional<PlanOverride> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<PlanOverride> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface CalendarFeedRepository extends JpaRepository<CalendarFeed, UUID> {
    Optional<CalendarFeed> findByIdAndOrchardId(UUID id, UUID orchardId);

    Optional<CalendarFeed> findByKeyHashAndVoidedAtIsNull(String keyHash);

    List<CalendarFeed> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}
