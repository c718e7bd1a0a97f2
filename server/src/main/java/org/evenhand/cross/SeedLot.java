package org.evenhand.cross;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Objects;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** Seeds out of fruits of one tree that were harvested together. Its number is used once a year in an orchard. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class SeedLot extends OrchardRecord {
    private int year;
    private int number;
    private UUID treeId;
    private UUID crossId;
    private LocalDate harvestedOn;
    private int fruits;
    private int seeds;
    private int emptySeeds;
    private String note;

    SeedLot(UUID id, Caller caller, Instant now, ZoneId zone, int number, SeedLotRequests.Lot request) {
        super(id, caller, now, zone);
        this.year = request.harvestedOn().getYear();
        this.number = number;
        correct(request);
    }

    /** Puts what is said in place of what stood here; the number stays. */
    final void correct(SeedLotRequests.Lot request) {
        this.treeId = request.treeId();
        this.crossId = request.crossId();
        this.harvestedOn = request.harvestedOn();
        this.fruits = request.fruits();
        this.seeds = request.seeds();
        this.emptySeeds = request.emptySeeds();
        this.note = Given.stripped(request.note());
    }

    /** As {@code S26-1}. */
    String label() {
        return String.format("S%02d-%d", year % 100, number);
    }

    boolean says(SeedLotRequests.Lot request) {
        return treeId.equals(request.treeId())
                && Objects.equals(crossId, request.crossId())
                && harvestedOn.equals(request.harvestedOn())
                && fruits == request.fruits()
                && seeds == request.seeds()
                && emptySeeds == request.emptySeeds()
                && note.equals(Given.stripped(request.note()));
    }
}
