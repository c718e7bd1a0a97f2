package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import org.evenhand.core.planning.Rhythm;

/**
 * An override of the plan as it is sent.
 *
 * @param firstDay first of the days that are skipped
 * @param lastDay last of them, the same day or later
 * @param treeId the tree that nobody goes to on these days
 * @param visitAt the hour of a visit that is wanted
 */
@Schema(name = "PlanOverrideRequest")
record OverrideRequest(
        @NotNull PlanOverride.Kind kind,
        @Schema(description = OPTIONAL) LocalDate firstDay,
        @Schema(description = OPTIONAL) LocalDate lastDay,
        @Schema(description = OPTIONAL) UUID treeId,
        @Schema(description = OPTIONAL) Instant visitAt) {

    static OverrideRequest visitAt(Instant at) {
        return ofHour(PlanOverride.Kind.VISIT_AT, at);
    }

    static OverrideRequest ofHour(PlanOverride.Kind kind, Instant at) {
        return new OverrideRequest(kind, null, null, null, at);
    }

    /** Whether it means work at a moment. */
    boolean covers(Instant at, ZoneId zone) {
        LocalDate day = Rhythm.workday(at, zone);
        return firstDay != null && !day.isBefore(firstDay) && !day.isAfter(lastDay);
    }

    /** Whether it says nothing any more of what is to come. */
    boolean past(Instant now, ZoneId zone) {
        return visitAt != null ? visitAt.isBefore(now) : lastDay.isBefore(Rhythm.workday(now, zone));
    }
}
