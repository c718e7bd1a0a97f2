package org.evenhand.cross;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.core.cross.SeedLotStock;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Within;

/** What is written down of seeds. */
public final class SeedLotRequests {
    private SeedLotRequests() {}

    /**
     * Seeds out of fruits of one tree.
     *
     * @param treeId the tree that carried the fruits
     * @param crossId the cross they come from; absent where nobody knows the father
     * @param fruits how many they were; 0 where nobody counted
     * @param seeds full ones
     * @param emptySeeds those without a kernel, thrown away
     * @param confirmed questions that were answered by yes
     * @param version of the lot that is corrected; absent for a new one
     */
    @Schema(name = "SeedLotRequest")
    public record Lot(
            @NotNull UUID treeId,
            @Schema(description = OPTIONAL) UUID crossId,
            @NotNull LocalDate harvestedOn,
            @NotNull @Within(min = 0, max = 10_000) Integer fruits,
            @NotNull @Within(min = 1, max = 20_000) Integer seeds,
            @NotNull @Within(min = 0, max = 20_000) Integer emptySeeds,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) @Size(max = 10) List<@Size(max = 60) String> confirmed,

            @Schema(description = OPTIONAL) Long version) {}

    /**
     * What was done with some of a lot.
     *
     * @param count seeds or seedlings; 0 where they were only seen to
     * @param at where they were; there exactly where they died or were given away
     * @param version of the step that is corrected; absent for a new one
     */
    @Schema(name = "SeedStepRequest")
    public record Step(
            @NotNull NurseryStep step,
            @NotNull LocalDate on,
            @NotNull @Within(min = 0, max = 20_000) Integer count,
            @Schema(description = OPTIONAL) NurseryStage at,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) Long version) {
        SeedLotStock.Done done() {
            return new SeedLotStock.Done(step, on, count, Optional.ofNullable(at));
        }
    }

    /** So many labels of a lot: for its bag, its tray, or each pot. */
    @Schema(name = "SeedLabelsRequest")
    public record Labels(
            @NotNull LabelGrid grid,

            @NotNull @Within(min = 1, max = LabelSheet.MOST_LABELS)
            Integer copies,

            @Schema(description = OPTIONAL) Integer skip) {}
}
