package org.evenhand.availability;

import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface RoundSettingsRepository extends RecordRepository<RoundSettings> {
    @Override
    default String noun() {
        return "settings";
    }

    Optional<RoundSettings> findByOrchardIdAndVoidedAtIsNull(UUID orchardId);
}
