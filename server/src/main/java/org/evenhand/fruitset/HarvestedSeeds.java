package org.evenhand.fruitset;

import java.time.LocalDate;
import java.util.UUID;

/**
 * Seeds that were counted in harvested fruits of one tree and one cross.
 *
 * @param crossId null where nobody knows the cross
 * @param harvestedOn day of the last of them
 * @param seeds full ones
 */
public record HarvestedSeeds(UUID treeId, UUID crossId, LocalDate harvestedOn, int fruits, int seeds, int emptySeeds) {
    HarvestedSeeds and(HarvestedSeeds other) {
        return new HarvestedSeeds(
                treeId,
                crossId,
                harvestedOn.isAfter(other.harvestedOn) ? harvestedOn : other.harvestedOn,
                fruits + other.fruits,
                seeds + other.seeds,
                emptySeeds + other.emptySeeds);
    }
}
