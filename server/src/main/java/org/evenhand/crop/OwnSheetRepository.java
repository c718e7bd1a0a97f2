package org.evenhand.crop;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface OwnSheetRepository extends JpaRepository<OwnSheet, UUID> {
    Optional<OwnSheet> findByIdAndOrchardId(UUID id, UUID orchardId);

    List<OwnSheet> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);
}
