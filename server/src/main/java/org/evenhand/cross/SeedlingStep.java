package org.evenhand.cross;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Objects;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.cross.SeedlingEvent;
import org.evenhand.core.cross.SeedlingLife;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What happened to a seedling. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class SeedlingStep extends OrchardRecord {
    private UUID seedlingId;

    @Enumerated(EnumType.STRING)
    private SeedlingEvent kind;

    private LocalDate doneOn;
    private String place;
    private String rootstock;
    private String note;

    SeedlingStep(UUID id, Caller caller, Instant now, ZoneId zone, UUID seedlingId, SeedlingRequests.Step request) {
        super(id, caller, now, zone);
        this.seedlingId = seedlingId;
        correct(request);
    }

    final void correct(SeedlingRequests.Step request) {
        this.kind = request.event();
        this.doneOn = request.on();
        this.place = request.placeOrNone();
        this.rootstock = request.rootstockOrNone();
        this.note = Given.stripped(request.note());
    }

    boolean says(SeedlingRequests.Step request) {
        return kind == request.event()
                && doneOn.equals(request.on())
                && Objects.equals(place, request.placeOrNone())
                && Objects.equals(rootstock, request.rootstockOrNone())
                && note.equals(Given.stripped(request.note()));
    }

    SeedlingLife.Happened happened() {
        return new SeedlingLife.Happened(kind, doneOn);
    }
}
