package org.evenhand.round;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PollinationRepository extends JpaRepository<Pollination, UUID> {
    Optional<Pollination> findByIdAndOrchardId(UUID id, UUID orchardId);

    /** Those of flowers that had no pollen before. */
    List<Pollination> findByOrchardIdAndAgainIsFalseAndVoidedAtIsNullOrderByDoneAtDesc(UUID orchardId);

    List<Pollination> findByOrchardIdAndAgainIsFalseAndDoneAtAfterAndVoidedAtIsNullOrderByDoneAt(
            UUID orchardId, Instant after);

    List<Pollination> findByOrchardIdAndCrossingIdInAndVoidedAtIsNull(UUID orchardId, List<UUID> crossingIds);

    List<Pollination> findByOrchardIdAndWalkIdAndVoidedAtIsNullOrderByDoneAt(UUID orchardId, UUID walkId);

    List<Pollination> findByOrchardIdAndWalkIdInAndVoidedAtIsNull(UUID orchardId, Collection<UUID> walkIds);

    @Query(
            "select p from Pollination p where p.orchardId = :orchardId and p.tagYear = :year and lower(p.tag) = lower(:tag)"
                    + " and p.voidedAt is null")
    Optional<Pollination> tagged(UUID orchardId, int year, String tag);
}
