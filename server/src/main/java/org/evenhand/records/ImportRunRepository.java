package org.evenhand.records;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface ImportRunRepository extends RecordRepository<ImportRun> {
    @Override
    default String noun() {
        return "import";
    }

    List<ImportRun> findTop50ByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);
}
