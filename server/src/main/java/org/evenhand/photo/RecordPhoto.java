package org.evenhand.photo;

import jakarta.persistence.Entity;
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

/** A picture that was taken at a reading or a check. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class RecordPhoto extends OrchardRecord {
    private UUID readingId;
    private UUID checkId;
    private UUID treeId;
    private String stage;
    private Instant takenAt;
    private Double latitude;
    private Double longitude;

    @NotAudited
    private byte[] jpeg;

    RecordPhoto(UUID id, Caller caller, Instant now, ZoneId zone, UUID treeId, PhotoRequest photo) {
        super(id, caller, now, zone);
        this.treeId = treeId;
        if (photo.of() == PhotoRequest.Of.READING) {
            this.readingId = photo.recordId();
        } else {
            this.checkId = photo.recordId();
        }
        this.stage = photo.stage();
        this.takenAt = photo.at();
        this.latitude = photo.latitude();
        this.longitude = photo.longitude();
        this.jpeg = photo.data().clone();
    }

    UUID recordId() {
        return readingId == null ? checkId : readingId;
    }

    byte[] jpeg() {
        return jpeg.clone();
    }
}
