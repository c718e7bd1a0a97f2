package org.evenhand.round;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

@Entity
@Audited
class Pollination extends OrchardRecord {
    private UUID treeId;
    private UUID lotId;
    private int flowers;
    private Instant doneAt;
    private String mark;

    protected Pollination() {}

    Pollination(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            UUID treeId,
            UUID lotId,
            int flowers,
            Instant doneAt,
            String mark) {
        super(id, caller, now, zone);
        this.treeId = treeId;
        this.lotId = lotId;
        this.flowers = flowers;
        this.doneAt = doneAt;
        this.mark = mark;
    }

    UUID treeId() {
        return treeId;
    }

    UUID lotId() {
        return lotId;
    }

    int flowers() {
        return flowers;
    }

    Instant doneAt() {
        return doneAt;
    }

    String mark() {
        return mark;
    }
}
