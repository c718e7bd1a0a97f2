package org.evenhand.core.crop;

import java.util.Optional;

/**
 * How seeds of a crop are kept and raised to fruiting trees.
 *
 * @param keptMoist whether seeds lose their life when they dry
 * @param keepMonths months for which most stay alive, cool and dry, or cool and moist where they must not dry
 * @param coldWeeks weeks for which they lie moist and cold before they come up; empty where they need none
 * @param coldC temperature of that, °C; there exactly where {@code coldWeeks} is
 * @param sowMonth month from which they are sown north of the equator, 1 to 12, half a year later south of it; empty where they are sown at
 *     once
 * @param germinateWeeks weeks from sowing until those that come up have
 * @param potWeeks weeks from coming up until a seedling wants a pot of its own
 * @param plantMonths months in the pot until it is planted out
 * @param germinates share of full seeds that come up
 * @param reachesPot share of those that come up which live to be potted
 * @param reachesFruit share of those potted which live until their first fruit is judged
 * @param fruitYears years from sowing to the first fruit, on own roots
 * @param graftedFruitYears years from grafting a seedling's wood to the first fruit; empty where it is not grafted
 */
public record SeedTraits(
        boolean keptMoist,
        Sourced keepMonths,
        Optional<Sourced> coldWeeks,
        Optional<Sourced> coldC,
        Optional<Sourced> sowMonth,
        Sourced germinateWeeks,
        Sourced potWeeks,
        Sourced plantMonths,
        Sourced germinates,
        Sourced reachesPot,
        Sourced reachesFruit,
        Sourced fruitYears,
        Optional<Sourced> graftedFruitYears) {}
