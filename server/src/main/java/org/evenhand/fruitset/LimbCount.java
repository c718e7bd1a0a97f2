package org.evenhand.fruitset;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** Fruit of a whole limb, or of the whole tree, counted on a day. */
@Entity
@Audited
class LimbCount extends OrchardRecord {
    private UUID treeId;
    private String limb;
    private Instant countedAt;
    private int fruits;
    private int takenOff;
    private String note;

    protected LimbCount() {}

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

    UUID treeId() {
        return treeId;
    }

    String limb() {
        return limb;
    }

    Instant countedAt() {
        return countedAt;
    }

    int fruits() {
        return fruits;
    }

    int takenOff() {
        return takenOff;
    }

    String note() {
        return note;
    }
}
