package org.evenhand.bloom;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface BloomDateRepository extends JpaRepository<BloomDate, UUID> {
    Optional<BloomDate> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<BloomDate> findByOrchardIdAndVoidedAtIsNullOrderByYearDesc(UUID orchardId);
}
