package org.evenhand.permit;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface PermitRepository extends RecordRepository<Permit> {
    @Override
    default String noun() {
        return "permit";
    }

    List<Permit> findByOrchardIdAndVoidedAtIsNullOrderByValidFromAscIdAsc(UUID orchardId);
}
