package org.evenhand.walk;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
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
            Integer stop,
            WalkWord.Kind kind,
            @Schema(description = OPTIONAL) String note,
            Instant at) {}

    /**
     * A picture of a stop.
     *
     * @param data JPEG or PNG
     * @param latitude where it was taken, degrees; kept only where the orchard wants that, and only with the longitude
     */
    @Schema(name = "WalkPhotoRequest")
    record Photo(
            Integer stop,
            Instant at,
            byte[] data,
            @Schema(description = OPTIONAL) Double latitude,
            @Schema(description = OPTIONAL) Double longitude) {}
}
