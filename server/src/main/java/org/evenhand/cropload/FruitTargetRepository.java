package org.evenhand.cropload;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FruitTargetRepository extends JpaRepository<FruitTarget, UUID> {
    Optional<FruitTarget> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FruitTarget> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
