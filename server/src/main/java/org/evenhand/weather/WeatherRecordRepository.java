package org.evenhand.weather;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.RecordRepository;

interface WeatherRecordRepository extends RecordRepository<WeatherRecord> {
    @Override
    default String noun() {
        return "weather record";
    }

    Optional<WeatherRecord> findByKeyHashAndVoidedAtIsNull(String keyHash);

    List<WeatherRecord> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);
}
