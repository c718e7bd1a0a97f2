package org.evenhand.core.crop;

import java.util.Optional;

/**
 * A crop's season.
 *
 * @param afterLeafOutWeeks weeks after leaf-out at which to begin, for crops that flower over months
 * @param roundEveryDays days from one round to the next
 * @param rhythm the going rhythm, in words
 * @param bloomDays usual days from a variety's first to its last flower
 * @param chillPortions chill the buds need, portions of the dynamic model, for crops that rest in winter
 */
public record SeasonHabit(
        Optional<Sourced> afterLeafOutWeeks,
        Sourced roundEveryDays,
        String rhythm,
        Sourced bloomDays,
        Optional<Sourced> chillPortions) {}
