package org.evenhand.round;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * A round for one hour.
 *
 * @param value flowers weighted by receptivity, viability and worth of the cross
 * @param proven whether no better use of the pollen exists
 */
@Schema(name = "Round")
record RoundView(
        Instant at,
        @Schema(description = OPTIONAL) Hours bestHours,
        List<StopView> stops,
        List<UnservedView> unserved,
        List<PollinationView> done,
        double value,
        boolean proven,
        List<String> cautions) {

    /** When to go. */
    @Schema(name = "BestHours")
    record Hours(Instant from, Instant until, double flowersAtStart, boolean endsWithDark, boolean pollenOnShelf) {}

    /**
     * One jar to one tree.
     *
     * @param strokes how to lead the brush, by the school that is followed
     * @param cleanBefore what to clean or change first, as another father's pollen was used at the stop before
     */
    @Schema(name = "RoundStop")
    record StopView(
            UUID treeId,
            String treeName,
            String varietyName,
            String crop,
            String block,
            int row,
            int position,
            UUID lotId,
            String lotCode,
            String pollenParent,
            int flowers,
            List<StageFlowers> byStage,
            double expected,
            double viability,
            String why,
            String strokes,
            List<String> cleanBefore) {}

    /** Flowers of one stage. */
    @Schema(name = "StageFlowers")
    record StageFlowers(String stage, int flowers, double receptivity) {}

    /** Flowers that get no pollen, and why. */
    @Schema(name = "Unserved")
    record UnservedView(UUID treeId, String treeName, int flowers, String reason) {}
}
