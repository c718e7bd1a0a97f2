package org.evenhand.cross;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.SeedlingNumber;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** A seedling with a number of its own. The number is used once in an orchard. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Seedling extends OrchardRecord {
    private UUID seedLotId;
    private String stem;
    private int serial;

    @Enumerated(EnumType.STRING)
    private NurseryStage numberedAt;

    private LocalDate numberedOn;
    private String place;
    private UUID varietyId;
    private String note;

    Seedling(UUID id, Caller caller, Instant now, ZoneId zone, UUID seedLotId, SeedlingNumber number, Start start) {
        super(id, caller, now, zone);
        this.seedLotId = seedLotId;
        this.stem = number.stem();
        this.serial = number.serial();
        correct(start);
    }

    /** What is known of it on the day it gets its number. */
    record Start(NurseryStage at, LocalDate on, String place, String note) {
        Start {
            place = Given.stripped(place);
            note = Given.stripped(note);
        }
    }

    final void correct(Start start) {
        this.numberedAt = start.at();
        this.numberedOn = start.on();
        this.place = start.place();
        this.note = start.note();
    }

    /** It became a variety. */
    void named(UUID variety) {
        this.varietyId = variety;
    }

    SeedlingNumber label() {
        return new SeedlingNumber(stem, serial);
    }
}
