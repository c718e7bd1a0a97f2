package org.evenhand.pollination;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface FigMeasureRepository extends RecordRepository<FigMeasure> {
    @Override
    default String noun() {
        return "measure";
    }

    List<FigMeasure> findByOrchardIdAndTreeIdAndMeasuredAtAfterAndVoidedAtIsNull(
            UUID orchardId, UUID treeId, Instant after);
}
