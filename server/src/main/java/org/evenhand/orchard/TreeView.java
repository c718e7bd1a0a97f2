package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;

/**
 * A tree with its variety and place.
 *
 * @param stoodUntil the last day on which it stood as what it was; absent while it stands
 * @param graftedOnId the tree on whose roots it was grafted, where that was a tree of the orchard
 */
public record TreeView(
        UUID id,
        String name,
        UUID varietyId,
        String varietyName,
        String crop,
        String block,
        int row,
        int position,
        @Schema(description = OPTIONAL) LocalDate plantedOn,
        @Schema(description = OPTIONAL) LocalDate stoodUntil,
        @Schema(description = OPTIONAL) UUID graftedOnId,
        long version) {

    /** Whether it stands as what it is. */
    public boolean standing() {
        return stoodUntil == null;
    }
}
