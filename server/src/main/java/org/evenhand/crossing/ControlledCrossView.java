package org.evenhand.crossing;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Text;
import org.evenhand.core.crossing.CrossProtocol;

/**
 * A cross that is made: what was done on it and what comes next.
 *
 * @param label its number, as on the label
 * @param flowers flowers that are there, or meant before the first step
 * @param begun whether any step was done
 * @param over whether nothing is left to do on it, or no flower
 * @param treeGone whether its tree was removed, so that nothing can be done on it any more
 * @param metalTag what to press into a soft metal tag, line by line
 */
@Schema(name = "ControlledCross")
public record ControlledCrossView(
        UUID id,
        String label,
        UUID treeId,
        String tree,
        String mother,
        String crop,
        String block,
        int row,
        int position,
        UUID fatherId,
        String father,
        @Schema(description = OPTIONAL) UUID crossRequestId,
        boolean bag,
        CrossProtocol.Visits visits,
        boolean emasculate,
        String note,
        int flowers,
        boolean begun,
        boolean pollinated,
        boolean over,
        boolean treeGone,
        List<Done> done,
        List<Due> due,
        List<String> metalTag,
        long version) {

    /** A cross of any year, by its number. */
    @Schema(name = "MadeCross")
    public record Made(UUID id, String label, UUID treeId, UUID fatherId) {}

    /** All crosses that are made, and the requests they serve. */
    @Schema(name = "ControlledCrosses")
    public record All(List<ControlledCrossView> controlledCrosses, List<Wanted> wanted) {}

    /**
     * A step that was done.
     *
     * @param flowers flowers that were there after it
     * @param pollination whether it is a pollination, to be taken back as one
     * @param skipped whether it was not done at all, for the reason that the note says
     */
    @Schema(name = "ControlledCrossDone")
    public record Done(
            UUID id,
            CrossProtocol.Step kind,
            int flowers,
            Instant doneAt,
            String note,
            UUID by,
            boolean pollination,
            boolean skipped,
            @Schema(description = OPTIONAL) UUID walkId,
            @Schema(description = OPTIONAL) Integer stop,
            long version) {}

    /**
     * A step to do.
     *
     * @param until after it the stigma is past
     * @param say how
     */
    @Schema(name = "ControlledCrossDue")
    public record Due(
            CrossProtocol.Step step,
            Instant from,
            @Schema(description = OPTIONAL) Instant until,
            List<Text> say) {}

    /**
     * A request and how far it has come this season.
     *
     * @param made flowers of its crosses that had the father's pollen
     * @param ready flowers made ready for it or meant, without pollen yet
     * @param more flowers still wanted
     * @param preparable whether the crop sheet says how a flower is made ready
     */
    @Schema(name = "WantedCross")
    public record Wanted(
            UUID crossRequestId,
            UUID motherId,
            String mother,
            UUID fatherId,
            String father,
            int flowers,
            @Schema(description = OPTIONAL) Integer seeds,
            int priority,
            int made,
            int ready,
            int more,
            boolean preparable) {}
}
