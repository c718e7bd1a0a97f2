package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;

/**
 * Fruit counted on a whole limb.
 *
 * @param limb a name for it, the same each time
 * @param takenOff fruits thinned, picked or found fallen since the count before
 */
public record LimbRequest(
        UUID treeId,
        String limb,
        Instant countedAt,
        Integer fruits,
        @Schema(description = OPTIONAL) Integer takenOff,
        @Schema(description = OPTIONAL) String note) {}
