package org.evenhand.bloom;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.core.bloom.HandNeed;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What the grower knows of a block that says whether the hand is needed. */
@Entity
@Audited
class BlockNote extends OrchardRecord {
    private String block;
    private Double seaKm;

    @Enumerated(EnumType.STRING)
    private HandNeed.Insects insects;

    private boolean indoors;

    protected BlockNote() {}

    BlockNote(UUID id, Caller caller, Instant now, ZoneId zone, String block) {
        super(id, caller, now, zone);
        this.block = block;
    }

    void change(Double km, HandNeed.Insects seen, boolean underCover) {
        this.seaKm = km;
        this.insects = seen;
        this.indoors = underCover;
    }

    String block() {
        return block;
    }

    Double seaKm() {
        return seaKm;
    }

    HandNeed.Insects insects() {
        return insects;
    }

    boolean indoors() {
        return indoors;
    }
}
