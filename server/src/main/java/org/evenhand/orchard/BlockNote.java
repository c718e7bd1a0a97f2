package org.evenhand.orchard;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** What the grower knows of a block: its insects, whether it stands under cover, and what its air is like. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class BlockNote extends OrchardRecord {
    private String block;
    private Double seaKm;

    @Enumerated(EnumType.STRING)
    private HandPollinationNeed.Insects insects;

    private boolean indoors;

    @Column(name = "typical_minimum_c")
    private Double typicalMinimumC;

    @Column(name = "typical_maximum_c")
    private Double typicalMaximumC;

    BlockNote(UUID id, Caller caller, Instant now, ZoneId zone, String block) {
        super(id, caller, now, zone);
        this.block = block;
    }

    void change(BlockNoteRequest request) {
        this.seaKm = request.seaKm();
        this.insects = request.insects();
        this.indoors = request.indoors();
        this.typicalMinimumC = request.typicalMinimumC();
        this.typicalMaximumC = request.typicalMaximumC();
    }

    BlockNoteView view() {
        return new BlockNoteView(id(), block, seaKm, insects, indoors, typicalMinimumC, typicalMaximumC, version());
    }
}
