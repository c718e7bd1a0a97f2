package org.evenhand.crop;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface OwnSheetRepository extends RecordRepository<OwnSheet> {
    @Override
    default String noun() {
        return "own sheet";
    }

    List<OwnSheet> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);
}
