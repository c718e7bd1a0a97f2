package org.evenhand.cropload;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** What is wanted of a tree, or of each tree of a variety. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class FruitTarget extends OrchardRecord {
    private UUID treeId;
    private UUID varietyId;
    private Integer fruits;
    private Double girthCm;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Integer> limbsMm;

    private int confidence;
    private int priority;
    private String note;

    FruitTarget(UUID id, Caller caller, Instant now, ZoneId zone, TargetRequest request) {
        super(id, caller, now, zone);
        this.treeId = request.treeId();
        this.varietyId = request.varietyId();
        change(request);
    }

    final void change(TargetRequest request) {
        this.fruits = request.fruits();
        this.girthCm = request.girthCm();
        this.limbsMm = request.limbsMm() == null ? List.of() : List.copyOf(request.limbsMm());
        this.confidence = request.confidence();
        this.priority = request.priority();
        this.note = request.note() == null ? "" : request.note().strip();
    }

    UUID treeId() {
        return treeId;
    }

    void mergeVariety(UUID into) {
        this.varietyId = into;
    }

    UUID varietyId() {
        return varietyId;
    }

    TargetView view() {
        return new TargetView(id(), treeId, varietyId, fruits, girthCm, limbsMm, confidence, priority, note, version());
    }
}
