package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;

/**
 * Fruit counted on a whole limb.
 *
 * @param limb a name for it, the same each time
 * @param takenOff fruits thinned, picked or found fallen since the count before
 */
public record LimbRequest(
        @NotNull UUID treeId,
        @NotBlank @Size(max = 60) String limb,
        @NotNull Instant countedAt,
        @NotNull Integer fruits,
        @Schema(description = OPTIONAL) Integer takenOff,
        @Schema(description = OPTIONAL) @Size(max = 2000) String note) {}
