package org.evenhand.walk;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WalkRepository extends JpaRepository<Walk, UUID> {
    Optional<Walk> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Walk> findByOrchardIdAndVoidedAtIsNullAndClosedAtIsNullAndRecordedAtAfterOrderByRecordedAtDescIdDesc(
            UUID orchardId, Instant after);
}

interface WalkPhotoRepository extends JpaRepository<WalkPhoto, UUID> {
    Optional<WalkPhoto> findByIdAndOrchardId(UUID id, UUID orchardId);

    /** Without the pictures themselves, which are large. */
    @Query(
            "select new org.evenhand.walk.WalkView$Photo(p.id, p.stop, p.takenAt, p.latitude, p.longitude, p.recordedBy, p.version)"
                    + " from WalkPhoto p"
                    + " where p.orchardId = :orchardId and p.walkId = :walkId and p.voidedAt is null order by p.takenAt")
    List<WalkView.Photo> ofWalk(UUID orchardId, UUID walkId);
}

interface WalkWordRepository extends JpaRepository<WalkWord, UUID> {
    Optional<WalkWord> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<WalkWord> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderBySaidAt(UUID orchardId, UUID walkId);
}
