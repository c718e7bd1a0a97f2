package org.evenhand.planning;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What a person decided of a tree and a jar: so many flowers at least, or never. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class PollenOverride extends OrchardRecord {
    private UUID treeId;
    private UUID lotId;
    private int flowers;
    private LocalDate onDay;

    PollenOverride(UUID id, Caller caller, Instant now, ZoneId zone, PollenOverrideRequest request) {
        super(id, caller, now, zone);
        this.treeId = request.treeId();
        this.lotId = request.lotId();
        this.flowers = request.flowers();
        this.onDay = request.onDay();
    }
}
