package org.evenhand.orchard;

import jakarta.persistence.Column;
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

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class Tree extends OrchardRecord {
    private UUID varietyId;
    private String name;
    private String block;

    @Column(name = "row_number")
    private int row;

    private int position;
    private LocalDate plantedOn;
    private LocalDate stoodUntil;
    private UUID graftedOnId;

    Tree(UUID id, Caller caller, Instant now, ZoneId zone, TreeDetails details) {
        super(id, caller, now, zone);
        change(details);
    }

    final void change(TreeDetails details) {
        this.varietyId = details.varietyId();
        this.name = details.name();
        this.block = details.block();
        this.row = details.row();
        this.position = details.position();
        this.plantedOn = details.plantedOn();
        this.stoodUntil = details.stoodUntil();
    }

    void graftOn(UUID stock) {
        this.graftedOnId = stock;
    }

    UUID graftedOnId() {
        return graftedOnId;
    }

    void mergeVariety(UUID into) {
        this.varietyId = into;
    }

    TreeDetails details() {
        return new TreeDetails(varietyId, name, block, row, position, plantedOn, stoodUntil);
    }
}
