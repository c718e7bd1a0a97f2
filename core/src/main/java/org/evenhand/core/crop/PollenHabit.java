package org.evenhand.core.crop;

import java.util.Map;
import java.util.Optional;

/**
 * What a crop's pollen is like.
 *
 * @param dosesPerFlower doses one shedding flower gives
 * @param freshViability share of grains alive when collected, 0 to 1
 * @param q10 factor by which ageing quickens for each 10 °C above the storage's own temperature
 * @param keeping how it ages, by storage; a storage that is missing is not advised for the crop
 */
public record PollenHabit(
        Sourced dosesPerFlower, Sourced freshViability, Sourced q10, Map<Storage, KeepingHabit> keeping) {
    public PollenHabit {
        keeping = Map.copyOf(keeping);
    }

    /**
     * How pollen ages in one storage.
     *
     * @param halfLifeHours hours in which viability halves at {@code temperatureC}
     * @param temperatureC the storage's usual temperature, °C
     * @param spoilsAfterHours hours after which it is mouldy whatever the curve says, if it does spoil
     */
    public record KeepingHabit(Sourced halfLifeHours, Sourced temperatureC, Optional<Sourced> spoilsAfterHours) {}
}
