package org.evenhand.bloom;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface BloomDateRepository extends RecordRepository<BloomDate> {
    @Override
    default String noun() {
        return "season";
    }

    List<BloomDate> findByOrchardIdAndVoidedAtIsNullOrderByYearDescIdDesc(UUID orchardId);
}
