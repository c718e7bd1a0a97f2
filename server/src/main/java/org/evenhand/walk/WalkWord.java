package org.evenhand.walk;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What somebody saw at a stop beside flowers done. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class WalkWord extends OrchardRecord {
    /** What was found. */
    enum Kind {
        NOT_OPEN,
        TOO_LATE,
        NONE_LEFT,
        NOTE
    }

    private UUID walkId;
    private int stop;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    private String note;
    private Instant saidAt;

    WalkWord(UUID id, Caller caller, Instant now, ZoneId zone, UUID walkId, WalkRequests.Word word) {
        super(id, caller, now, zone);
        this.walkId = walkId;
        this.stop = word.stop();
        correct(word);
    }

    final void correct(WalkRequests.Word word) {
        this.kind = word.kind();
        this.note = word.note() == null ? "" : word.note().strip();
        this.saidAt = word.at();
    }
}
