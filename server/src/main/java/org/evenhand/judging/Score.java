package org.evenhand.judging;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** One number that somebody gave a plant in one trait. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Score extends OrchardRecord {
    private UUID traitId;
    private UUID seedlingId;
    private UUID varietyId;
    private LocalDate scoredOn;
    private String taster;
    private double value;
    private String note;

    Score(Caller caller, Instant now, ZoneId zone, ScoresRequest request, ScoresRequest.One one) {
        super(one.id(), caller, now, zone);
        this.traitId = one.traitId();
        this.seedlingId = request.seedlingId();
        this.varietyId = request.varietyId();
        this.scoredOn = request.on();
        this.taster = request.taster().strip();
        this.value = one.value();
        this.note = Given.stripped(request.note());
    }

    /** Of two varieties entered twice the other goes on. */
    void ofVariety(UUID variety) {
        this.varietyId = variety;
    }

    /** The seedling or variety that was scored. */
    UUID plant() {
        return seedlingId == null ? varietyId : seedlingId;
    }
}
