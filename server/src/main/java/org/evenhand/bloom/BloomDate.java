package org.evenhand.bloom;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** When a variety put out leaves and flowered in a year. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class BloomDate extends OrchardRecord {
    private UUID varietyId;
    private int year;
    private LocalDate leafOut;
    private LocalDate firstBloom;
    private LocalDate fullBloom;
    private LocalDate lastBloom;

    BloomDate(UUID id, Caller caller, Instant now, ZoneId zone, UUID varietyId, int year, Dates dates) {
        super(id, caller, now, zone);
        this.varietyId = varietyId;
        this.year = year;
        change(dates);
    }

    /** The days, each null where it is not known. */
    record Dates(LocalDate leafOut, LocalDate firstBloom, LocalDate fullBloom, LocalDate lastBloom) {}

    final void change(Dates dates) {
        this.leafOut = dates.leafOut();
        this.firstBloom = dates.firstBloom();
        this.fullBloom = dates.fullBloom();
        this.lastBloom = dates.lastBloom();
    }

    void mergeVariety(UUID into) {
        this.varietyId = into;
    }

    UUID varietyId() {
        return varietyId;
    }

    int year() {
        return year;
    }

    Dates dates() {
        return new Dates(leafOut, firstBloom, fullBloom, lastBloom);
    }
}
