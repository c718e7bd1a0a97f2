package org.evenhand.round;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

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

interface CalendarFeedRepository extends JpaRepository<CalendarFeed, UUID> {
    Optional<CalendarFeed> findByIdAndOrchardId(UUID id, UUID orchardId);

    Optional<CalendarFeed> findByKeyHashAndVoidedAtIsNull(String keyHash);

    List<CalendarFeed> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAt(UUID orchardId);
}

interface WalkRepository extends JpaRepository<Walk, UUID> {
    Optional<Walk> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Walk> findByOrchardIdAndVoidedAtIsNullAndClosedAtIsNullAndRecordedAtAfterOrderByRecordedAtDesc(
            UUID orchardId, Instant after);
}

interface WalkPhotoRepository extends JpaRepository<WalkPhoto, UUID> {
    Optional<WalkPhoto> findByIdAndOrchardId(UUID id, UUID orchardId);

    /** Without the pictures themselves, which are large. */
    @Query(
            "select new org.evenhand.round.WalkView$Photo(p.id, p.stop, p.takenAt, p.latitude, p.longitude, p.recordedBy, p.version)"
                    + " from WalkPhoto p"
                    + " where p.orchardId = :orchardId and p.walkId = :walkId and p.voidedAt is null order by p.takenAt")
    List<WalkView.Photo> ofWalk(UUID orchardId, UUID walkId);
}

interface WalkWordRepository extends JpaRepository<WalkWord, UUID> {
    Optional<WalkWord> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<WalkWord> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderBySaidAt(UUID orchardId, UUID walkId);
}

interface CrossingRepository extends JpaRepository<Crossing, UUID> {
    Optional<Crossing> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Crossing> findByOrchardIdAndVoidedAtIsNullAndRecordedAtAfterOrderByYearDescNumberDesc(
            UUID orchardId, Instant after);

    List<Crossing> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);

    List<Crossing> findByOrchardIdAndIdIn(UUID orchardId, List<UUID> ids);

    List<Crossing> findByOrchardIdAndYear(UUID orchardId, int year);

    /** Of all, those taken out too: a number is never used twice in a year. */
    @Query("select coalesce(max(c.number), 0) from Crossing c where c.orchardId = :orchardId and c.year = :year")
    int lastNumber(UUID orchardId, int year);
}

interface CrossingStepRepository extends JpaRepository<CrossingStep, UUID> {
    Optional<CrossingStep> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<CrossingStep> findByOrchardIdAndCrossingIdInAndVoidedAtIsNull(UUID orchardId, List<UUID> crossingIds);

    List<CrossingStep> findByOrchardIdAndWalkIdAndVoidedAtIsNull(UUID orchardId, UUID walkId);
}

interface FigMeasureRepository extends JpaRepository<FigMeasure, UUID> {
    Optional<FigMeasure> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FigMeasure> findByOrchardIdAndTreeIdAndMeasuredAtAfterAndVoidedAtIsNull(
            UUID orchardId, UUID treeId, Instant after);
}
