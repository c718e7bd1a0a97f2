package org.evenhand.map;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TreeSpotRepository extends JpaRepository<TreeSpot, UUID> {
    Optional<TreeSpot> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<TreeSpot> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}

interface BlockRowsRepository extends JpaRepository<BlockRows, UUID> {
    Optional<BlockRows> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<BlockRows> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
