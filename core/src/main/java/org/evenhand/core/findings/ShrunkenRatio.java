package org.evenhand.core.findings;

import org.evenhand.core.Require;

/**
 * How much better or worse one way does than all ways together, drawn towards "alike" while flowers are few.
 *
 * @param value 1 where it does as all do
 * @param flowers of the way, those decided
 */
public record ShrunkenRatio(double value, int flowers) {
    /** "As all do" weighs as many flowers. Our convention. */
    private static final double ALIKE_WEIGHT = 20;

    /** Nothing was seen of it. */
    public static final ShrunkenRatio NONE = new ShrunkenRatio(1, 0);

    /**
     * @param taken of the way's flowers
     * @param flowers of the way
     * @param allTaken of all flowers, the way's among them
     * @param allFlowers all flowers
     * @throws org.evenhand.core.InvalidInputException if {@code taken} or {@code allTaken} is not valid
     */
    public static ShrunkenRatio of(int taken, int flowers, int allTaken, int allFlowers) {
        Require.within("taken", taken, 0, flowers);
        Require.within("allTaken", allTaken, taken, Math.max(taken, allFlowers));
        if (flowers == 0 || allTaken == 0) {
            return NONE;
        }
        double all = (double) allTaken / allFlowers;
        return new ShrunkenRatio((taken + ALIKE_WEIGHT * all) / (flowers + ALIKE_WEIGHT) / all, flowers);
    }

    /** The same where it is worse than others, else 1: what is better than the rest is worth full, not more. */
    public double atMostOne() {
        return Math.min(1, value);
    }
}
