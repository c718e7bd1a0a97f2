package org.evenhand.fruitset;

import jakarta.persistence.Column;
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

/** A single fruit: its number, and how it ended. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Fruit extends OrchardRecord {
    private UUID treeId;
    private UUID pollinationId;
    private int year;
    private Integer number;
    private Instant numberedAt;

    @Enumerated(EnumType.STRING)
    private FruitEnd.Kind ended;

    private Instant endedAt;

    @Column(name = "weight_g")
    private Double weightG;

    private Double lengthMm;
    private Double widthMm;

    @Enumerated(EnumType.STRING)
    private FruitEnd.Shape shape;

    private Integer seeds;
    private Integer emptySeeds;
    private Boolean sepalsMissing;
    private Integer taste;
    private String note;

    Fruit(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            UUID treeId,
            UUID pollinationId,
            int year,
            Integer number,
            Instant numberedAt) {
        super(id, caller, now, zone);
        this.treeId = treeId;
        this.pollinationId = pollinationId;
        this.year = year;
        this.number = number;
        this.numberedAt = numberedAt;
        this.note = "";
    }

    /** @param pollination from which flowers it came, where that is only known now */
    final void end(FruitEnd end, UUID pollination) {
        this.ended = end.kind();
        this.endedAt = end.at();
        this.weightG = end.weightG();
        this.lengthMm = end.lengthMm();
        this.widthMm = end.widthMm();
        this.shape = end.shape();
        this.seeds = end.seeds();
        this.emptySeeds = end.emptySeeds();
        this.sepalsMissing = end.sepalsMissing();
        this.taste = end.taste();
        this.note = end.note();
        this.pollinationId = pollinationId == null ? pollination : pollinationId;
    }

    /** Takes its end back: it hangs again. */
    final void hang() {
        this.ended = null;
        this.endedAt = null;
        this.weightG = null;
        this.lengthMm = null;
        this.widthMm = null;
        this.shape = null;
        this.seeds = null;
        this.emptySeeds = null;
        this.sepalsMissing = null;
        this.taste = null;
        this.note = "";
    }

    /** Absent while it hangs. */
    FruitEnd end() {
        return ended == null
                ? null
                : new FruitEnd(
                        ended,
                        endedAt,
                        weightG,
                        lengthMm,
                        widthMm,
                        shape,
                        seeds,
                        emptySeeds,
                        sepalsMissing,
                        taste,
                        note);
    }
}
