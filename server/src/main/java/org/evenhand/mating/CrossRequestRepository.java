package org.evenhand.mating;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface CrossRequestRepository extends RecordRepository<CrossRequest> {
    @Override
    default String noun() {
        return "wanted cross";
    }

    List<CrossRequest> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}
