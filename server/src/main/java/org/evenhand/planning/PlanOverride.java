package org.evenhand.planning;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** What somebody decided of the visits, whatever the plan would do. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class PlanOverride extends OrchardRecord {
    @Enumerated(EnumType.STRING)
    private Kind kind;

    private LocalDate firstDay;
    private LocalDate lastDay;
    private UUID treeId;

    @JdbcTypeCode(SqlTypes.TIMESTAMP_WITH_TIMEZONE)
    private Instant visitAt;

    /** What is decided. */
    enum Kind {
        /** Nobody goes on these days. */
        SKIP_DAYS,
        /** Nobody goes to this tree on these days. */
        SKIP_TREE,
        /** Nobody goes on the visit about this hour. */
        SKIP_VISIT,
        /** A visit at this hour, in place of the one next to it. */
        VISIT_AT
    }

    PlanOverride(UUID id, Caller caller, Instant now, ZoneId zone, OverrideRequest request) {
        super(id, caller, now, zone);
        this.kind = request.kind();
        this.firstDay = request.firstDay();
        this.lastDay = request.lastDay();
        this.treeId = request.treeId();
        this.visitAt = request.visitAt();
    }

    OverrideRequest request() {
        return new OverrideRequest(kind, firstDay, lastDay, treeId, visitAt);
    }
}
