package org.evenhand.orchard;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a tree.
 *
 * @param plantedOn null where nobody knows
 * @param stoodUntil the last day on which it stood as what it was; null while it stands
 */
record TreeDetails(
        UUID varietyId,
        String name,
        String block,
        int row,
        int position,
        @Nullable LocalDate plantedOn,
        @Nullable LocalDate stoodUntil) {
    TreeDetails until(LocalDate last) {
        return new TreeDetails(varietyId, name, block, row, position, plantedOn, last);
    }
}
