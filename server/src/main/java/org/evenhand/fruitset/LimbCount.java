package org.evenhand.fruitset;

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

/** Fruit of a whole limb, or of the whole tree, counted on a day. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class LimbCount extends OrchardRecord {
    private UUID treeId;
    private String limb;
    private Instant countedAt;
    private int fruits;
    private int takenOff;
    private String note;

    LimbCount(UUID id, Caller caller, Instant now, ZoneId zone, LimbRequest request) {
        super(id, caller, now, zone);
        correct(request);
    }

    /** Puts what was counted in place of what stood here. */
    final void correct(LimbRequest request) {
        this.treeId = request.treeId();
        this.limb = request.limb();
        this.countedAt = request.countedAt();
        this.fruits = request.fruits();
        this.takenOff = request.takenOff();
        this.note = request.note();
    }
}
