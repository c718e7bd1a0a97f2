package org.evenhand.pollination;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FigMeasureRepository extends JpaRepository<FigMeasure, UUID> {
    Optional<FigMeasure> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<FigMeasure> findByOrchardIdAndTreeIdAndMeasuredAtAfterAndVoidedAtIsNull(
            UUID orchardId, UUID treeId, Instant after);
}
