package org.evenhand.core.map;

import org.evenhand.core.Require;

/**
 * A spot on the plane of an orchard.
 *
 * @param east metres east of the plane's origin
 * @param north metres north of it
 */
public record Spot(double east, double north) {
    /** No orchard is wider: beyond it a plane is no picture of the earth. Our convention, metres. */
    public static final double FARTHEST = 50_000;

    /** @throws org.evenhand.core.InvalidInputException if it is no spot within {@link #FARTHEST} */
    public Spot {
        Require.within("east", east, -FARTHEST, FARTHEST);
        Require.within("north", north, -FARTHEST, FARTHEST);
    }

    public Spot plus(double moreEast, double moreNorth) {
        return new Spot(east + moreEast, north + moreNorth);
    }
}
