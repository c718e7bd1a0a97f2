package org.evenhand.bloom;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ReadingRepository extends JpaRepository<Reading, UUID> {
    Optional<Reading> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<Reading> findByOrchardIdAndTakenAtAfterAndVoidedAtIsNullOrderByTakenAt(UUID orchardId, Instant after);

    List<Reading> findTop20ByOrchardIdAndTreeIdAndVoidedAtIsNullOrderByTakenAtDesc(UUID orchardId, UUID treeId);
}
