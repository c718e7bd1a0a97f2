package org.evenhand.pollen;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.KeepingStep;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

@Entity
@Audited
class PollenLot extends OrchardRecord {
    private UUID varietyId;
    private String code;
    private Instant collectedAt;

    @Enumerated(EnumType.STRING)
    private Storage storage;

    private int dosesCollected;

    /** Kept by the ledger alone: see {@link PollenLotRepository#draw}. Its history is the ledger. */
    @NotAudited
    @Column(updatable = false)
    private int dosesLeft;

    private String note;

    @NotAudited
    @OptimisticLock(excluded = true)
    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "pollen_lot_source", joinColumns = @JoinColumn(name = "lot_id"))
    @MapKeyColumn(name = "tree_id")
    @Column(name = "flowers")
    private Map<UUID, Integer> sources = new HashMap<>();

    protected PollenLot() {}

    PollenLot(UUID id, Caller caller, Instant now, ZoneId zone, String code, LotDetails details) {
        super(id, caller, now, zone);
        this.code = code;
        this.varietyId = details.varietyId();
        this.collectedAt = details.collectedAt();
        this.storage = details.storage();
        this.dosesCollected = details.doses();
        this.dosesLeft = details.doses();
        this.note = details.note();
        this.sources = new HashMap<>(details.sources());
    }

    LotDetails details() {
        return new LotDetails(varietyId, collectedAt, storage, dosesCollected, note, Map.copyOf(sources));
    }

    String code() {
        return code;
    }

    int dosesLeft() {
        return dosesLeft;
    }

    /** Where it has been since it was collected. */
    List<KeepingStep> steps() {
        return List.of(KeepingStep.stored(collectedAt, storage));
    }
}
