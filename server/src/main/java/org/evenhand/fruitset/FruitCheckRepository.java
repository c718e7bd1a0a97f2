package org.evenhand.fruitset;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FruitCheckRepository extends JpaRepository<FruitCheck, UUID> {
    Optional<FruitCheck> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FruitCheck> findByOrchardIdAndVoidedAtIsNullOrderByCheckedAt(UUID orchardId);

    boolean existsByOrchardIdAndPollinationIdAndVoidedAtIsNull(UUID orchardId, UUID pollinationId);
}
