package org.evenhand.findings;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** Flowers treated in arms that were drawn by lot. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Comparison extends OrchardRecord {
    private String label;

    @Enumerated(EnumType.STRING)
    private ComparisonView.Question question;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<ComparisonView.Arm> arms;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Slot> slots;

    private long seed;

    @JdbcTypeCode(SqlTypes.JSON)
    private ComparisonView.Expected expected;

    private String note;

    /**
     * A place that was drawn: which tree, which arm.
     *
     * @param arm index into the arms
     */
    record Slot(UUID treeId, int arm) {}

    Comparison(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            String label,
            ComparisonView.Request request,
            List<ComparisonView.Arm> arms,
            List<Slot> slots,
            long seed) {
        super(id, caller, now, zone);
        this.label = label;
        this.question = request.question();
        this.arms = List.copyOf(arms);
        this.slots = List.copyOf(slots);
        this.seed = seed;
        this.expected = request.expected();
        this.note = request.note() == null ? "" : request.note().strip();
    }

    /** What stands on the tag of a place, counted from 0. */
    String tag(int slot) {
        return label + "-" + (slot + 1);
    }
}
