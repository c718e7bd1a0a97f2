package org.evenhand.photo;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;

/**
 * A picture of a reading or a check.
 *
 * @param stage key of the stage it shows
 * @param data a JPEG or a PNG
 * @param latitude where it was taken; kept where the orchard wants that
 */
@Schema(name = "RecordPhotoRequest")
record PhotoRequest(
        @NotNull Of of,
        @NotNull UUID recordId,

        @Schema(description = OPTIONAL) @Size(max = 60) String stage,

        @NotNull Instant at,
        @NotNull byte[] data,
        @Schema(description = OPTIONAL) Double latitude,
        @Schema(description = OPTIONAL) Double longitude) {

    /** What it is a picture of. */
    enum Of {
        READING("reading"),
        CHECK("check");

        private final String kind;

        Of(String kind) {
            this.kind = kind;
        }

        /** As records are called in the view {@code story_line}. */
        String kind() {
            return kind;
        }
    }
}
