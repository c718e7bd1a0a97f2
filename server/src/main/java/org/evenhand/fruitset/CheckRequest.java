package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * What a check at the flowers of one pollination found; each number of all its flowers up to that day.
 *
 * @param dropped fruitlets that had set and fell by themselves
 * @param thinned fruitlets thinned by hand
 * @param lost flowers whose mark is gone
 * @param confirmed questions answered with yes
 */
public record CheckRequest(
        @NotNull UUID pollinationId,
        @NotNull Instant checkedAt,
        @NotNull Integer taken,
        @NotNull Integer failed,
        @NotNull Integer unknown,
        @Schema(description = OPTIONAL) Integer dropped,
        @Schema(description = OPTIONAL) Integer thinned,
        @Schema(description = OPTIONAL) Integer lost,
        @Schema(description = OPTIONAL) @Valid CheckDetail detail,
        @Schema(description = OPTIONAL) @Size(max = 2000) String note,
        @Schema(description = OPTIONAL) List<String> confirmed) {
    /** With nothing but the three numbers. */
    public static CheckRequest simple(UUID pollinationId, Instant checkedAt, int taken, int failed, int unknown) {
        return new CheckRequest(pollinationId, checkedAt, taken, failed, unknown, null, null, null, null, null, null);
    }
}
