package org.evenhand.core.fruitset;

import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.evenhand.core.Require;

/**
 * Fruitlets that fell by themselves, held against the share that the crop sheds by nature.
 *
 * @param dropped fruitlets that had set and fell, 0 to {@code set}
 * @param set fruitlets that had set, at least 1
 * @param expected share that falls by nature, 0 to less than 1
 */
public record NaturalDrop(int dropped, int set, double expected) {
    /** So rare a number is not put down to nature any more: our convention. */
    private static final double RARE = 0.05;

    public NaturalDrop {
        Require.within("set", set, 1, Integer.MAX_VALUE);
        Require.within("dropped", dropped, 0, set);
        Require.within("expected", expected, 0, 0.999);
    }

    /** Chance that nature alone drops so many or more, 0 to 1: an exact binomial tail. */
    public double chanceOfSoMany() {
        return dropped == 0 ? 1 : BinomialDistribution.of(set, expected).survivalProbability(dropped - 1);
    }

    /** Whether more fell than nature explains. */
    public boolean moreThanNature() {
        return chanceOfSoMany() < RARE;
    }
}
