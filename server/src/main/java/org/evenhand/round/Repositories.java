package org.evenhand.round;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RoundSettingsRepository extends JpaRepository<RoundSettings, UUID> {
    Optional<RoundSettings> findByIdAndOrchardId(UUID id, UUID orchardId);

    Optional<RoundSettings> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface FruitTargetRepository extends JpaRepository<FruitTarget, UUID> {
    Optional<FruitTarget> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FruitTarget> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}

interface RoundChoiceRepository extends JpaRepository<RoundChoice, UUID> {
    Optional<RoundChoice> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<RoundChoice> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAt(UUID orchardId);
}

interface WalkRepository extends JpaRepository<Walk, UUID> {
    Optional<Walk> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Walk> findByOrchardIdAndVoidedAtIsNullAndClosedAtIsNullAndRecordedAtAfterOrderByRecordedAtDesc(
            UUID orchardId, Instant after);
}

interface WalkWordRepository extends JpaRepository<WalkWord, UUID> {
    Optional<WalkWord> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<WalkWord> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderBySaidAt(UUID orchardId, UUID walkId);
}
