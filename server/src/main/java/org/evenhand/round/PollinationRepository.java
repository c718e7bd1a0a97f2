package org.evenhand.round;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PollinationRepository extends JpaRepository<Pollination, UUID> {
    Optional<Pollination> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Pollination> findByOrchardIdAndVoidedAtIsNullOrderByDoneAtDesc(UUID orchardId);

    List<Pollination> findByOrchardIdAndDoneAtAfterAndVoidedAtIsNullOrderByDoneAt(UUID orchardId, Instant after);
}
