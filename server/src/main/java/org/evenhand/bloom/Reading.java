package org.evenhand.bloom;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.bloom.forecast.Surprise;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Reading extends OrchardRecord {
    private UUID treeId;
    private Instant takenAt;
    private String note;

    /** The limb that was read; empty for the whole tree. */
    private String limb;

    /** Share of the crown, or of the limb, that was counted. */
    private double share;

    /** The stage that did not fit what was foreseen, and what was foreseen there. */
    private String surpriseStage;

    private Double surpriseExpected;

    /** How often it was corrected. */
    @NotAudited
    private int corrections;

    /** Counts alone do not move the version, else a reading just written would have its second; {@link #corrections} does. */
    @OptimisticLock(excluded = true)
    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "reading_count", joinColumns = @JoinColumn(name = "reading_id"))
    @MapKeyColumn(name = "stage")
    @Column(name = "flowers")
    private Map<String, Integer> counts = new HashMap<>();

    Reading(UUID id, Caller caller, Instant now, ZoneId zone, UUID treeId, Instant takenAt, Details details) {
        super(id, caller, now, zone);
        this.counts = new HashMap<>();
        see(treeId, takenAt, details);
    }

    /** Puts what was seen in place of what stood here. */
    void correct(UUID treeId, Instant takenAt, Details details) {
        corrections++;
        see(treeId, takenAt, details);
    }

    private void see(UUID treeId, Instant takenAt, Details details) {
        this.treeId = treeId;
        this.takenAt = takenAt;
        this.note = details.note();
        this.limb = details.limb();
        this.share = details.share();
        this.surpriseStage = null;
        this.surpriseExpected = null;
        this.counts.keySet().retainAll(details.counts().keySet());
        this.counts.putAll(details.counts());
    }

    /** What was seen. */
    record Details(Map<String, Integer> counts, String limb, double share, String note) {}

    Details details() {
        return new Details(counts(), limb, share, note);
    }

    void surprises(Surprise surprise) {
        this.surpriseStage = surprise.stage();
        this.surpriseExpected = surprise.expected();
    }

    Map<String, Integer> counts() {
        return Map.copyOf(counts);
    }

    FlowerReading asCore(CropSheet sheet) {
        return new FlowerReading(
                takenAt,
                sheet.stages().stream()
                        .map(StageSheet::key)
                        .map(stage -> counts.getOrDefault(stage, 0))
                        .toList(),
                share);
    }
}
