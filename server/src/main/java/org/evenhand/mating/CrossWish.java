package org.evenhand.mating;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** A cross somebody wants. */
@Entity
@Audited
class CrossWish extends OrchardRecord {
    private UUID motherId;
    private UUID fatherId;
    private int flowers;
    private String note;

    protected CrossWish() {}

    CrossWish(UUID id, Caller caller, Instant now, ZoneId zone, UUID motherId, UUID fatherId) {
        super(id, caller, now, zone);
        this.motherId = motherId;
        this.fatherId = fatherId;
    }

    void change(int newFlowers, String newNote) {
        this.flowers = newFlowers;
        this.note = newNote;
    }

    UUID motherId() {
        return motherId;
    }

    UUID fatherId() {
        return fatherId;
    }

    int flowers() {
        return flowers;
    }

    String note() {
        return note;
    }
}
