package org.evenhand.pollen;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.StorageStep;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** One thing done with a jar after it was filled. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class PollenStep extends OrchardRecord {
    private UUID lotId;
    private Instant doneAt;

    @Enumerated(EnumType.STRING)
    private StorageStep.Kind kind;

    @Enumerated(EnumType.STRING)
    private Storage storage;

    private Double celsius;
    private Double humidity;

    PollenStep(UUID id, Caller caller, Instant now, ZoneId zone, UUID lotId, StorageStep step) {
        super(id, caller, now, zone);
        this.lotId = lotId;
        correct(step);
    }

    final void correct(StorageStep step) {
        this.doneAt = step.at();
        this.kind = step.kind();
        this.storage = step.storage().orElse(null);
        this.celsius = step.celsius().orElse(null);
        this.humidity = step.humidity().orElse(null);
    }

    UUID lotId() {
        return lotId;
    }

    StorageStep step() {
        return new StorageStep(
                doneAt,
                kind,
                Optional.ofNullable(storage),
                Optional.ofNullable(celsius),
                Optional.ofNullable(humidity));
    }
}
