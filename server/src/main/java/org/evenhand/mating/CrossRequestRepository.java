package org.evenhand.mating;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CrossRequestRepository extends JpaRepository<CrossRequest, UUID> {
    Optional<CrossRequest> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<CrossRequest> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(UUID orchardId);
}
