package org.evenhand.cropload;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface FruitTargetRepository extends RecordRepository<FruitTarget> {
    @Override
    default String noun() {
        return "target";
    }

    List<FruitTarget> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
