package org.evenhand.map;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.evenhand.kit.Within;

/**
 * Where a tree stands.
 *
 * @param latitude degrees, north positive
 * @param longitude degrees, east positive
 * @param accuracyM how far off it may be, as the device says, metres
 */
public record TreeSpotRequest(
        @NotNull UUID treeId,
        @NotNull @Within(min = -90, max = 90) Double latitude,
        @NotNull @Within(min = -180, max = 180) Double longitude,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Double accuracyM,

        @NotNull How how) {
    /** How it was found. */
    public enum How {
        GPS,
        DRAGGED,
        TYPED,
        FILE
    }
}
