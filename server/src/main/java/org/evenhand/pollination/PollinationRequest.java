package org.evenhand.pollination;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.kit.Within;

/**
 * Flowers of one tree given pollen of one lot, one dose each.
 *
 * @param lotId absent where the crop's flowers serve one another and the brush goes from one to the next
 * @param mark name of the mark, as on the crop sheet
 * @param colour colour of tape, yarn or tag
 * @param tag number on the tag; used once a year in an orchard
 * @param walkId walk and stop it belongs to, both or neither
 * @param crossId the cross whose flowers they are
 * @param again whether the same flowers of the cross had pollen before
 * @param againOf pollination whose flowers, outside crosses, have pollen once more
 * @param how what else is worth comparing later
 * @param comparisonId the comparison they belong to, with the place that was drawn by lot, both or neither
 */
public record PollinationRequest(
        @NotNull UUID treeId,
        @Schema(description = OPTIONAL) UUID lotId,

        @NotNull @Within(min = 1, max = FlowerReading.MOST_FLOWERS)
        Integer flowers,

        @NotNull Instant doneAt,
        @Schema(description = OPTIONAL) @Size(max = 80) String mark,
        @Schema(description = OPTIONAL) @Size(max = 40) String colour,
        @Schema(description = OPTIONAL) @Size(max = 40) String tag,
        @Schema(description = OPTIONAL) UUID walkId,
        @Schema(description = OPTIONAL) Integer stop,
        @Schema(description = OPTIONAL) UUID crossId,
        @Schema(description = OPTIONAL) Boolean again,
        @Schema(description = OPTIONAL) UUID againOf,
        @Schema(description = OPTIONAL) @Valid PollinationHow how,
        @Schema(description = OPTIONAL) UUID comparisonId,
        @Schema(description = OPTIONAL) Integer slot) {
    /** Done outside a walk, with a mark that says all. */
    public static PollinationRequest simple(
            UUID treeId, UUID lotId, Integer flowers, Instant doneAt, String mark, PollinationHow how) {
        return new PollinationRequest(
                treeId, lotId, flowers, doneAt, mark, null, null, null, null, null, null, null, how, null, null);
    }
}
