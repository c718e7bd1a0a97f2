package org.evenhand.pollination;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.kit.RecordRepository;
import org.springframework.data.jpa.repository.Query;

interface PollinationRepository extends RecordRepository<Pollination> {
    @Override
    default String noun() {
        return "pollination";
    }

    List<Pollination> findByOrchardIdAndIdIn(UUID orchardId, Collection<UUID> ids);

    List<Pollination> findTop500ByOrchardIdAndAgainIsFalseAndVoidedAtIsNullOrderByDoneAtDescIdDesc(UUID orchardId);

    /** By hand, of flowers that had no pollen before. */
    @Query("select p from Pollination p where p.orchardId = :orchardId and not p.again and p.treatment = 'HAND'"
            + " and p.doneAt > :after and p.voidedAt is null order by p.doneAt, p.id")
    List<Pollination> byHandSince(UUID orchardId, Instant after);

    List<Pollination> findByOrchardIdAndTreatmentAndDoneAtAfterAndVoidedAtIsNullOrderByDoneAtAscIdAsc(
            UUID orchardId, Treatment treatment, Instant after);

    List<Pollination> findByOrchardIdAndComparisonIdInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> comparisonIds);

    Optional<Pollination> findByOrchardIdAndComparisonIdAndSlotAndVoidedAtIsNull(
            UUID orchardId, UUID comparisonId, Integer slot);

    List<Pollination> findByOrchardIdAndCrossIdInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> crossIds);

    List<Pollination> findByOrchardIdAndAgainOfInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> firstIds);

    List<Pollination> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderByDoneAtAscIdAsc(UUID orchardId, UUID walkId);

    List<Pollination> findByOrchardIdAndWalkIdInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> walkIds);

    @Query(
            "select p from Pollination p where p.orchardId = :orchardId and p.tagYear = :year and lower(p.tag) = lower(:tag)"
                    + " and p.voidedAt is null")
    Optional<Pollination> tagged(UUID orchardId, int year, String tag);

    /** Those of a tree in a stretch of time, the earliest first. */
    @Query("select p from Pollination p where p.orchardId = :orchardId and p.treeId = :treeId and p.doneAt >= :from"
            + " and p.doneAt < :until and p.voidedAt is null order by p.doneAt, p.id")
    List<Pollination> ofTree(UUID orchardId, UUID treeId, Instant from, Instant until);

    List<Pollination> findTop2000ByOrchardIdAndWalkIdIsNotNullAndVoidedAtIsNullOrderByDoneAtDescIdDesc(UUID orchardId);
}
