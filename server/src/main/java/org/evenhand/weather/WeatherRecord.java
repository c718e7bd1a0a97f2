package org.evenhand.weather;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** One import, one typed forecast or one station. Its hours and days count as long as it is not voided. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class WeatherRecord extends OrchardRecord {
    @Enumerated(EnumType.STRING)
    private WeatherKind kind;

    private String name;

    /** The block whose air it is; absent for the whole orchard. */
    private String block;

    /** What a station signs its posts with, hashed. */
    @NotAudited
    private String keyHash;

    WeatherRecord(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            WeatherKind kind,
            String name,
            String block,
            String keyHash) {
        super(id, caller, now, zone);
        this.kind = kind;
        this.name = name;
        this.block = block;
        this.keyHash = keyHash;
    }
}
