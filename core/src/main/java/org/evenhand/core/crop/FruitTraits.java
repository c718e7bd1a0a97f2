package org.evenhand.core.crop;

import java.time.LocalDate;
import java.util.Optional;

/**
 * How fruit grows, in days from the pollination at ordinary temperatures.
 *
 * @param numberAtDays day from which it has about three quarters of its size, so that a number can be written on it
 * @param ripeAtDays day from which it may be ripe
 * @param setShare share of pollinated flowers that set and stay, for crops without a {@link CropLoadTraits} that says so
 * @param naturalDrop share of set fruitlets that the tree sheds by itself; empty where nobody says
 * @param swellsUnpollinated whether fruit swells without pollination, so that only full seeds tell whether it set
 */
public record FruitTraits(
        Sourced numberAtDays,
        Sourced ripeAtDays,
        Optional<Sourced> setShare,
        Optional<Sourced> naturalDrop,
        boolean swellsUnpollinated) {
    /** After so many times the days to ripeness no fruit is taken to hang any more. Our convention. */
    private static final double LONGEST = 2;

    /** The last day on which fruit of flowers of a day is taken to hang, where nobody said what became of it. */
    public LocalDate mayHangUntil(LocalDate pollinatedOn) {
        return pollinatedOn.plusDays((long) Math.ceil(LONGEST * ripeAtDays.value()));
    }
}
