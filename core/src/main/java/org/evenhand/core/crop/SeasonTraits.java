package org.evenhand.core.crop;

import java.time.LocalDate;
import java.util.Optional;

/**
 * A crop's season.
 *
 * @param afterLeafOutWeeks weeks after leaf-out at which to begin, for crops that flower over months
 * @param roundEveryDays days from one round to the next
 * @param rhythm the going rhythm, in words
 * @param bloomDays usual days from a variety's first to its last flower
 * @param chillPortions chill the buds need, portions of the dynamic model, for crops that rest in winter
 * @param warmEnoughC air below which a visit helps little, °C, for crops of cool springs
 */
public record SeasonTraits(
        Optional<Sourced> afterLeafOutWeeks,
        Sourced roundEveryDays,
        String rhythm,
        Sourced bloomDays,
        Optional<Sourced> chillPortions,
        Optional<Sourced> warmEnoughC) {
    /** From which day flowers are to be pollinated, given the day on which leaves came out; empty where the crop does not wait. */
    public Optional<LocalDate> begins(LocalDate leafOut) {
        return afterLeafOutWeeks.map(weeks -> leafOut.plusDays((long) (weeks.value() * 7)));
    }
}
