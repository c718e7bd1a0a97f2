package org.evenhand.walk;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** A picture taken at a stop. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class WalkPhoto extends OrchardRecord {
    private UUID walkId;
    private int stop;
    private Instant takenAt;
    private Double latitude;
    private Double longitude;

    @NotAudited
    private byte[] jpeg;

    WalkPhoto(UUID id, Caller caller, Instant now, ZoneId zone, UUID walkId, WalkRequests.Photo photo) {
        super(id, caller, now, zone);
        this.walkId = walkId;
        this.stop = photo.stop();
        this.takenAt = photo.at();
        this.latitude = photo.latitude();
        this.longitude = photo.longitude();
        this.jpeg = photo.data().clone();
    }

    UUID walkId() {
        return walkId;
    }

    byte[] jpeg() {
        return jpeg.clone();
    }
}
