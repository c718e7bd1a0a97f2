package org.evenhand.planning;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** An address under which a calendar program finds the rounds; whoever has it can read them. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class CalendarFeed extends OrchardRecord {
    /** The secret in the address, hashed. */
    private String keyHash;

    private String name;

    CalendarFeed(UUID id, Caller caller, Instant now, ZoneId zone, String name, String keyHash) {
        super(id, caller, now, zone);
        this.name = name;
        this.keyHash = keyHash;
    }

    String name() {
        return name;
    }
}
