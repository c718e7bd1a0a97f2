package org.evenhand.crossing;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Within;

/** What is sent of crosses. */
public final class ControlledCrossRequests {
    private ControlledCrossRequests() {}

    /**
     * A cross to begin; with a version it changes flowers, way and note of one that is there.
     *
     * @param planned flowers meant
     * @param bag whether they are covered; true where absent
     * @param visits when pollen is given; twice where absent
     * @param emasculate whether its own pollen is taken away, where the sheet says how; true where absent
     * @param year an earlier year it was made in, for a cross whose seeds are here; this year where absent
     * @param number the number within that year that stands on its labels already; the next free one where absent
     */
    @Schema(name = "ControlledCrossRequest")
    public record Cross(
            @NotNull UUID treeId,
            @NotNull UUID fatherId,
            @Schema(description = OPTIONAL) UUID crossRequestId,
            @NotNull @Within(min = 1, max = 20_000) Integer planned,
            @Schema(description = OPTIONAL) Boolean bag,
            @Schema(description = OPTIONAL) CrossProtocol.Visits visits,
            @Schema(description = OPTIONAL) Boolean emasculate,

            @Schema(description = OPTIONAL) @Within(min = 1900, max = 2200)
            Integer year,

            @Schema(description = OPTIONAL) @Within(min = 1, max = 100_000)
            Integer number,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) Long version) {
        Cross withVersion(Long seen) {
            return new Cross(
                    treeId, fatherId, crossRequestId, planned, bag, visits, emasculate, year, number, note, seen);
        }
    }

    /**
     * A step that was done, or is skipped.
     *
     * @param kind any; giving pollen only where it is skipped, else it is sent as a pollination
     * @param flowers flowers that are there after it
     * @param skipped whether it is not done at all; then the note says why
     */
    @Schema(name = "CrossStepRequest")
    public record Step(
            @NotNull CrossProtocol.Step kind,
            @NotNull @Within(min = 0, max = 20_000) Integer flowers,
            @NotNull Instant doneAt,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) UUID walkId,
            @Schema(description = OPTIONAL) Integer stop,
            @Schema(description = OPTIONAL) Boolean skipped) {}

    /** Labels for crosses. */
    @Schema(name = "CrossLabelsRequest")
    public record Labels(
            @NotNull LabelGrid grid,
            @NotNull List<@NotNull @Valid Copies> controlledCrosses,
            @Schema(description = OPTIONAL) Integer skip) {}

    /** So many labels of one cross. */
    @Schema(name = "CrossLabelCopies")
    public record Copies(
            @NotNull UUID crossId,

            @NotNull @Within(min = 1, max = LabelSheet.MOST_LABELS)
            Integer copies) {}
}
