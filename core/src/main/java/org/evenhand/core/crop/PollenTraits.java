package org.evenhand.core.crop;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a crop's pollen is like.
 *
 * @param dosesPerFlower doses one shedding flower gives
 * @param freshViability share of grains alive when collected, 0 to 1
 * @param q10 factor by which ageing quickens for each 10 °C above the storage's own temperature
 * @param collect ways to collect it, the usual one first
 * @param whenThere at which hours and in which weather its pollen is there, in words, where growers know more than the stages say
 * @param dryHours hours in an open tray at 20 °C and 50 % humidity until the lid may go on
 * @param freshUseHours hours in which flowers or strands serve as they were taken, before they have dried; empty where drying is no
 *     matter, or where only dried pollen serves
 * @param dampShutHours hours after which damp pollen under a lid is mouldy
 * @param agesDrying how fast it ages at room while it dries in the open, against dry pollen there: 0 not at all, 1 as fast
 * @param lidHalfLifeHours hours in which dry pollen halves under a lid at room; as in the open where the sheet does not say
 * @param dampHalfLifeHours hours in which damp pollen halves under a lid at room
 * @param keeping how it ages, by storage; a storage that is missing is not advised for the crop
 * @param suspension how it is floated in sugar water, for crops that are injected or sprayed
 */
public record PollenTraits(
        Sourced dosesPerFlower,
        Sourced freshViability,
        Sourced q10,
        List<CollectionMethod> collect,
        Optional<String> whenThere,
        Sourced dryHours,
        Optional<Sourced> freshUseHours,
        Sourced dampShutHours,
        Sourced agesDrying,
        Optional<Sourced> lidHalfLifeHours,
        Sourced dampHalfLifeHours,
        Map<Storage, StorageTraits> keeping,
        Optional<SuspensionTraits> suspension) {
    public PollenTraits {
        collect = List.copyOf(collect);
        keeping = Map.copyOf(keeping);
    }

    /** So quickly dried pollen serves on the day it was taken: our convention. */
    private static final double DRY_THE_SAME_DAY = 24;

    /** Whether it serves so many hours after it was taken: as it is while fresh, and again once it is dry. */
    public boolean servesAfter(double hours) {
        double dry = dryHours.value();
        return dry <= DRY_THE_SAME_DAY
                || hours >= dry
                || freshUseHours.map(f -> hours <= f.value()).orElse(false);
    }

    /**
     * How pollen ages in one storage.
     *
     * @param halfLifeHours hours in which viability halves at {@code temperatureC}
     * @param temperatureC the storage's usual temperature, °C
     * @param spoilsAfterHours hours after which it is mouldy whatever the curve says, if it does spoil
     */
    public record StorageTraits(Sourced halfLifeHours, Sourced temperatureC, Optional<Sourced> spoilsAfterHours) {}
}
