package org.evenhand.walk;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;

/** What is sent of a walk. */
final class WalkRequests {
    private WalkRequests() {}

    /**
     * A walk to begin.
     *
     * @param at the hour it is planned for; absent for the best one
     */
    @Schema(name = "WalkRequest")
    record Begin(@Schema(description = OPTIONAL) Instant at) {}

    /** A word about a stop. */
    @Schema(name = "WalkWordRequest")
    record Word(
            @NotNull Integer stop,
            @NotNull WalkWord.Kind kind,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @NotNull Instant at) {}

    /**
     * A picture of a stop.
     *
     * @param data JPEG or PNG
     * @param latitude where it was taken, degrees; kept only where the orchard wants that, and only with the longitude
     */
    @Schema(name = "WalkPhotoRequest")
    record Photo(
            @NotNull Integer stop,
            @NotNull Instant at,
            @NotNull byte[] data,
            @Schema(description = OPTIONAL) Double latitude,
            @Schema(description = OPTIONAL) Double longitude) {}
}
