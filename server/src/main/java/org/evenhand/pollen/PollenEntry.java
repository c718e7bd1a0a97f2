package org.evenhand.pollen;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** A line of the ledger. */
@Entity
class PollenEntry {
    enum Kind {
        DRAWN,
        RETURNED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private UUID lotId;
    private UUID pollinationId;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    private int doses;
    private Instant recordedAt;

    protected PollenEntry() {}

    PollenEntry(UUID lotId, UUID pollinationId, Kind kind, int doses, Instant recordedAt) {
        this.lotId = lotId;
        this.pollinationId = pollinationId;
        this.kind = kind;
        this.doses = doses;
        this.recordedAt = recordedAt;
    }
}
