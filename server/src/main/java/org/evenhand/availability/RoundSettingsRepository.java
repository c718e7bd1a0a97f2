package org.evenhand.availability;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RoundSettingsRepository extends JpaRepository<RoundSettings, UUID> {
    Optional<RoundSettings> findByIdAndOrchardId(UUID id, UUID orchardId);

    Optional<RoundSettings> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
