package org.evenhand.map;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.map.OrchardMap;

/**
 * The orchard as a plane: metres east and north of its origin.
 *
 * @param latitude of the origin, degrees
 * @param longitude of the origin, degrees
 * @param metresPerDegreeNorth to turn a position that a phone gives into metres
 * @param blocks those whose place on earth is known first
 */
@Schema(name = "OrchardMap")
public record MapView(
        double latitude,
        double longitude,
        double metresPerDegreeNorth,
        double metresPerDegreeEast,
        List<Block> blocks,
        List<Tree> trees) {
    /**
     * A block.
     *
     * @param rowsId the record of its rows; absent where nobody described them
     * @param bearing direction in which places are counted up, degrees from north
     * @param measured trees of it that were measured
     */
    @Schema(name = "MapBlock")
    public record Block(
            String block,
            @Schema(description = OPTIONAL) UUID rowsId,
            @Schema(description = OPTIONAL) Long version,
            double rowSpacingM,
            double placeSpacingM,
            double bearing,
            OrchardMap.BearingFrom bearingFrom,
            int measured) {}

    /**
     * A tree.
     *
     * @param eastM metres east of the origin
     * @param measured where it was measured; absent where its row says where it is
     */
    @Schema(name = "MapTree")
    public record Tree(
            UUID treeId,
            String tree,
            UUID varietyId,
            String variety,
            String crop,
            String block,
            int row,
            int position,
            double eastM,
            double northM,
            @Schema(description = OPTIONAL) Measured measured) {}

    /** A spot as it was measured. */
    @Schema(name = "MeasuredSpot")
    public record Measured(
            UUID id,
            double latitude,
            double longitude,
            @Schema(description = OPTIONAL) Double accuracyM,
            TreeSpotRequest.How how,
            long version) {}
}
