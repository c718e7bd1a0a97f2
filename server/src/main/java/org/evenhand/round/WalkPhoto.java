package org.evenhand.round;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** A picture taken at a stop. */
@Entity
@Audited
class WalkPhoto extends OrchardRecord {
    private UUID walkId;
    private int stop;
    private Instant takenAt;

    @NotAudited
    private byte[] jpeg;

    protected WalkPhoto() {}

    WalkPhoto(UUID id, Caller caller, Instant now, ZoneId zone, UUID walkId, int stop, Instant takenAt, byte[] jpeg) {
        super(id, caller, now, zone);
        this.walkId = walkId;
        this.stop = stop;
        this.takenAt = takenAt;
        this.jpeg = jpeg.clone();
    }

    UUID walkId() {
        return walkId;
    }

    byte[] jpeg() {
        return jpeg.clone();
    }
}
