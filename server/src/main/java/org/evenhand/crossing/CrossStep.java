package org.evenhand.crossing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** A step that was done on the flowers of a cross; giving pollen is a pollination. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class CrossStep extends OrchardRecord {
    private UUID crossId;

    @Enumerated(EnumType.STRING)
    private CrossProtocol.Step kind;

    private int flowers;
    private Instant doneAt;
    private String note;
    private UUID walkId;
    private Integer stop;
    private boolean skipped;

    CrossStep(UUID id, Caller caller, Instant now, ZoneId zone, UUID crossId, ControlledCrossRequests.Step step) {
        super(id, caller, now, zone);
        this.crossId = crossId;
        this.kind = step.kind();
        correct(step);
        this.walkId = step.walkId();
        this.stop = step.stop();
    }

    final void correct(ControlledCrossRequests.Step step) {
        this.flowers = step.flowers();
        this.doneAt = step.doneAt();
        this.note = step.note();
        this.skipped = Boolean.TRUE.equals(step.skipped());
    }

    ControlledCrossView.Done view() {
        return new ControlledCrossView.Done(
                id(), kind, flowers, doneAt, note, recordedBy(), false, skipped, walkId, stop, version());
    }
}
