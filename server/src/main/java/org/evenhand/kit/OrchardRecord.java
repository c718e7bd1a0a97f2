package org.evenhand.kit;

import jakarta.persistence.Column;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** What every record of an orchard carries. Nothing is deleted: {@link #voidBecause} takes a record out of the reckoning. */
@MappedSuperclass
@Audited
public abstract class OrchardRecord {
    @Id
    private UUID id;

    @Column(updatable = false)
    private UUID orchardId;

    @Column(updatable = false)
    private UUID recordedBy;

    @Column(updatable = false)
    private Instant recordedAt;

    /** The zone its people lived by when it was recorded. */
    @Column(updatable = false)
    private String zone;

    private Instant voidedAt;
    private String voidReason;

    @Version
    private Long version;

    protected OrchardRecord() {}

    protected OrchardRecord(UUID id, Caller caller, Instant recordedAt, ZoneId zone) {
        this.id = Ids.requireVersion7(id);
        this.orchardId = caller.orchardId();
        this.recordedBy = caller.accountId();
        this.recordedAt = recordedAt;
        this.zone = zone.getId();
    }

    public UUID id() {
        return id;
    }

    public UUID orchardId() {
        return orchardId;
    }

    public UUID recordedBy() {
        return recordedBy;
    }

    public Instant recordedAt() {
        return recordedAt;
    }

    public long version() {
        return version == null ? 0 : version;
    }

    public boolean voided() {
        return voidedAt != null;
    }

    /** Why it was removed; null where it was not. */
    public String voidReason() {
        return voidReason;
    }

    /** Takes the record out of the reckoning; history keeps it. */
    public void voidBecause(String reason, Instant at) {
        this.voidReason = Given.text("reason", reason, 500);
        this.voidedAt = at;
    }

    /** Puts a removed record back into the reckoning. */
    public void restore() {
        this.voidReason = null;
        this.voidedAt = null;
    }

    /** Refuses a change that was made while looking at an older version. */
    public void requireVersion(String what, Long seen) {
        if (seen == null || seen != version()) {
            throw ConflictException.stale(what);
        }
    }
}
