package org.evenhand.walk;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface WalkRepository extends RecordRepository<Walk> {
    @Override
    default String noun() {
        return "walk";
    }

    List<Walk> findByOrchardIdAndVoidedAtIsNullAndClosedAtIsNullAndRecordedAtAfterOrderByRecordedAtDescIdDesc(
            UUID orchardId, Instant after);
}

interface WalkPhotoRepository extends RecordRepository<WalkPhoto> {
    @Override
    default String noun() {
        return "picture";
    }

    /** Without the pictures themselves, which are large. */
    @Query(
            "select new org.evenhand.walk.WalkView$Photo(p.id, p.stop, p.takenAt, p.latitude, p.longitude, p.recordedBy, p.version)"
                    + " from WalkPhoto p"
                    + " where p.orchardId = :orchardId and p.walkId = :walkId and p.voidedAt is null order by p.takenAt")
    List<WalkView.Photo> ofWalk(UUID orchardId, UUID walkId);
}

interface WalkWordRepository extends RecordRepository<WalkWord> {
    @Override
    default String noun() {
        return "note";
    }

    List<WalkWord> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderBySaidAtAscIdAsc(UUID orchardId, UUID walkId);
}
