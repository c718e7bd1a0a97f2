package org.evenhand.orchard;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

@Entity
@Audited
class Variety extends OrchardRecord {
    private String crop;
    private String name;

    protected Variety() {}

    Variety(UUID id, Caller caller, Instant now, ZoneId zone, String crop, String name) {
        super(id, caller, now, zone);
        this.crop = crop;
        this.name = name;
    }

    void rename(String newName) {
        this.name = newName;
    }

    VarietyView view() {
        return new VarietyView(id(), crop, name, version());
    }
}
