package org.evenhand.mating;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CrossWishRepository extends JpaRepository<CrossWish, UUID> {
    Optional<CrossWish> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<CrossWish> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}
