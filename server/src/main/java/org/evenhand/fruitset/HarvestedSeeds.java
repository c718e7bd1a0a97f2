package org.evenhand.fruitset;

import java.time.LocalDate;
import java.util.UUID;

/**
 * Seeds that were counted in harvested fruits of one tree and one cross, or one variety's pollen.
 *
 * @param crossId null where nobody knows the cross
 * @param pollenOf whose pollen was given by hand outside a cross, so that bees may have brought other too; null where none was
 * @param harvestedOn day of the last of them
 * @param seeds full ones
 */
public record HarvestedSeeds(
        UUID treeId, UUID crossId, String pollenOf, LocalDate harvestedOn, int fruits, int seeds, int emptySeeds) {
    HarvestedSeeds and(HarvestedSeeds other) {
        return new HarvestedSeeds(
                treeId,
                crossId,
                pollenOf,
                harvestedOn.isAfter(other.harvestedOn) ? harvestedOn : other.harvestedOn,
                fruits + other.fruits,
                seeds + other.seeds,
                emptySeeds + other.emptySeeds);
    }
}
