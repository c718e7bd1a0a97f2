package org.evenhand.crossing;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.LabelGrid;

/** What is sent of crosses. */
public final class CrossingRequests {
    private CrossingRequests() {}

    /**
     * A cross to begin; with a version it changes flowers, way and note of one that is there.
     *
     * @param planned flowers meant
     * @param bag whether they are covered; true where absent
     * @param visits when pollen is given; twice where absent
     * @param emasculate whether its own pollen is taken away, where the sheet says how; true where absent
     */
    @Schema(name = "CrossingRequest")
    public record Cross(
            UUID treeId,
            UUID fatherId,
            @Schema(description = OPTIONAL) UUID crossRequestId,
            Integer planned,
            @Schema(description = OPTIONAL) Boolean bag,
            @Schema(description = OPTIONAL) CrossProtocol.Visits visits,
            @Schema(description = OPTIONAL) Boolean emasculate,
            @Schema(description = OPTIONAL) String note,
            @Schema(description = OPTIONAL) Long version) {}

    /**
     * A step that was done, or is skipped.
     *
     * @param kind any; giving pollen only where it is skipped, else it is sent as a pollination
     * @param flowers flowers that are there after it
     * @param skipped whether it is not done at all; then the note says why
     */
    @Schema(name = "CrossingStepRequest")
    public record Step(
            CrossProtocol.Step kind,
            Integer flowers,
            Instant doneAt,
            @Schema(description = OPTIONAL) String note,
            @Schema(description = OPTIONAL) UUID walkId,
            @Schema(description = OPTIONAL) Integer stop,
            @Schema(description = OPTIONAL) Boolean skipped) {}

    /** Labels for crosses. */
    @Schema(name = "CrossLabelsRequest")
    public record Labels(
            LabelGrid grid,
            List<Copies> crossings,
            @Schema(description = OPTIONAL) Integer skip) {}

    /** So many labels of one cross. */
    @Schema(name = "CrossLabelCopies")
    public record Copies(UUID crossingId, Integer copies) {}
}
