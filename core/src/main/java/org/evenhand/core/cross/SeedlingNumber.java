package org.evenhand.core.cross;

import org.evenhand.core.Require;

/**
 * The number of a seedling, as 26-1-07: the seventh of cross 26-1. Without a cross the lot's own name stands in front.
 *
 * @param stem name of the cross or lot it comes from
 * @param serial from 1, counted on over all lots of one cross
 */
public record SeedlingNumber(String stem, int serial) {
    /** Most seedlings of one cross or lot. */
    public static final int MOST = 99_999;

    /** @throws org.evenhand.core.InvalidInputException at {@code serial} where it is outside of 1 to {@link #MOST} */
    public SeedlingNumber {
        Require.within("serial", serial, 1, MOST);
    }

    /** With two digits at least, so that a tray's labels sort. */
    @Override
    public String toString() {
        return String.format("%s-%02d", stem, serial);
    }
}
