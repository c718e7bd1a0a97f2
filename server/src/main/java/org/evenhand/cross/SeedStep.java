package org.evenhand.cross;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.core.cross.SeedLotStock;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What was done with seeds or seedlings of a lot. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class SeedStep extends OrchardRecord {
    private UUID seedLotId;

    @Enumerated(EnumType.STRING)
    private NurseryStep kind;

    private LocalDate doneOn;
    private int count;

    @Enumerated(EnumType.STRING)
    private NurseryStage stage;

    private String note;

    SeedStep(UUID id, Caller caller, Instant now, ZoneId zone, UUID seedLotId, SeedLotRequests.Step request) {
        super(id, caller, now, zone);
        this.seedLotId = seedLotId;
        correct(request);
    }

    final void correct(SeedLotRequests.Step request) {
        this.kind = request.step();
        this.doneOn = request.on();
        this.count = request.count();
        this.stage = request.at();
        this.note = Given.stripped(request.note());
    }

    boolean says(SeedLotRequests.Step request) {
        return kind == request.step()
                && doneOn.equals(request.on())
                && count == request.count()
                && stage == request.at()
                && note.equals(Given.stripped(request.note()));
    }

    SeedLotStock.Done done() {
        return new SeedLotStock.Done(kind, doneOn, count, Optional.ofNullable(stage));
    }
}
