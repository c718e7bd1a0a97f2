package org.evenhand.weather;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface WeatherRecordRepository extends JpaRepository<WeatherRecord, UUID> {
    Optional<WeatherRecord> findByIdAndOrchardId(UUID id, UUID orchardId);

    Optional<WeatherRecord> findByKeyHashAndVoidedAtIsNull(String keyHash);

    List<WeatherRecord> findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(UUID orchardId);
}
