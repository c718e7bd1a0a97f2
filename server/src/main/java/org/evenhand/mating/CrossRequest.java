package org.evenhand.mating;

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

/** A cross somebody wants. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class CrossRequest extends OrchardRecord {
    private UUID motherId;
    private UUID fatherId;
    private Integer flowers;
    private Integer seeds;
    private int priority;
    private String note;

    CrossRequest(UUID id, Caller caller, Instant now, ZoneId zone, UUID motherId, UUID fatherId) {
        super(id, caller, now, zone);
        this.motherId = motherId;
        this.fatherId = fatherId;
    }

    /** What is wanted of it: flowers or seeds, one at least. */
    record Wanted(Integer flowers, Integer seeds, int priority, String note) {}

    void change(Wanted wanted) {
        this.flowers = wanted.flowers();
        this.seeds = wanted.seeds();
        this.priority = wanted.priority();
        this.note = wanted.note();
    }

    void mergeVarieties(UUID mother, UUID father) {
        this.motherId = mother;
        this.fatherId = father;
    }
}
