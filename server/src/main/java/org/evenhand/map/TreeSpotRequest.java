package org.evenhand.map;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;
import org.evenhand.core.Require;
import org.evenhand.kit.Given;

/**
 * Where a tree stands.
 *
 * @param latitude degrees, north positive
 * @param longitude degrees, east positive
 * @param accuracyM how far off it may be, as the device says, metres
 */
public record TreeSpotRequest(
        UUID treeId,
        Double latitude,
        Double longitude,
        @Schema(description = OPTIONAL) Double accuracyM,
        How how) {
    /** How it was found. */
    public enum How {
        GPS,
        DRAGGED,
        TYPED,
        FILE
    }

    TreeSpotRequest checked() {
        Given.required("treeId", treeId);
        Require.within("latitude", Given.required("latitude", latitude).doubleValue(), -90, 90);
        Require.within("longitude", Given.required("longitude", longitude).doubleValue(), -180, 180);
        Given.optionalWithin("accuracyM", accuracyM, 0, 100_000);
        Given.required("how", how);
        return this;
    }
}
