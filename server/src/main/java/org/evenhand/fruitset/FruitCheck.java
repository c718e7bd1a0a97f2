package org.evenhand.fruitset;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class FruitCheck extends OrchardRecord {
    private UUID pollinationId;
    private int flowers;
    private Instant checkedAt;
    private int taken;
    private int failed;
    private int dropped;
    private int unknown;
    private int thinned;
    private int lost;
    private Integer resting;
    private Integer fruits;
    private Integer whole;
    private Integer oneSided;
    private Integer crooked;
    private Double sizeMm;
    private String note;

    FruitCheck(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            UUID pollinationId,
            Instant checkedAt,
            CheckOutcome outcome,
            CheckDetail detail,
            String note) {
        super(id, caller, now, zone);
        this.pollinationId = pollinationId;
        correct(checkedAt, outcome, detail, note);
    }

    /** Puts what was found in place of what stood here. */
    final void correct(Instant checkedAt, CheckOutcome outcome, CheckDetail detail, String note) {
        this.checkedAt = checkedAt;
        this.flowers = outcome.flowers();
        this.taken = outcome.taken();
        this.failed = outcome.failed();
        this.dropped = outcome.dropped();
        this.unknown = outcome.unknown();
        this.thinned = outcome.thinned();
        this.lost = outcome.lost();
        this.resting = detail.resting();
        this.fruits = detail.fruits();
        this.whole = detail.whole();
        this.oneSided = detail.oneSided();
        this.crooked = detail.crooked();
        this.sizeMm = detail.sizeMm();
        this.note = note;
    }

    UUID pollinationId() {
        return pollinationId;
    }

    Instant checkedAt() {
        return checkedAt;
    }

    /** Flowers of the pollination as it is now. */
    int flowers() {
        return flowers;
    }

    /** @throws org.evenhand.core.InvalidInputException of a removed check that its corrected pollination left behind */
    CheckOutcome outcome() {
        return new CheckOutcome(flowers, taken, failed, dropped, unknown, thinned, lost);
    }

    CheckView view() {
        return new CheckView(
                id(),
                pollinationId,
                checkedAt,
                taken,
                failed,
                dropped,
                unknown,
                thinned,
                lost,
                outcome().notFound(),
                new CheckDetail(resting, fruits, whole, oneSided, crooked, sizeMm),
                note,
                recordedBy(),
                version());
    }
}
