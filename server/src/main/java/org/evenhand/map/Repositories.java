package org.evenhand.map;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface TreeSpotRepository extends RecordRepository<TreeSpot> {
    @Override
    default String noun() {
        return "spot";
    }

    List<TreeSpot> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface BlockRowsRepository extends RecordRepository<BlockRows> {
    @Override
    default String noun() {
        return "block";
    }

    List<BlockRows> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
