package org.evenhand.core.map;

import java.util.OptionalDouble;
import org.evenhand.core.Require;

/**
 * How the rows of a block lie.
 *
 * @param rowSpacing metres from one row to the next, 0.1 to 100
 * @param placeSpacing metres from one place to the next in a row, 0.1 to 100
 * @param bearing direction in which places are counted up, degrees from north turning to the east, 0 to 360; absent where it is to be
 *     read off the trees that were measured. Rows are counted up to the right of it.
 */
public record BlockLayout(double rowSpacing, double placeSpacing, OptionalDouble bearing) {
    /** What stands for a block nobody described: 4 m from row to row, 3 m in the row. Our assumption, to be replaced by the real ones. */
    public static final BlockLayout ASSUMED = new BlockLayout(4, 3, OptionalDouble.empty());

    /** Where nothing says otherwise places are counted to the east. Our convention. */
    static final double EAST = 90;

    /** @throws org.evenhand.core.InvalidInputException if a length or the direction lies outside */
    public BlockLayout {
        Require.within("rowSpacing", rowSpacing, 0.1, 100);
        Require.within("placeSpacing", placeSpacing, 0.1, 100);
        bearing.ifPresent(degrees -> Require.within("bearing", degrees, 0, 360));
    }

    /**
     * Where a place lies from row 1, place 1.
     *
     * @param along direction in which places are counted up, degrees from north
     */
    Spot place(int row, int position, double along) {
        double radians = Math.toRadians(along);
        double inRow = (position - 1) * placeSpacing;
        double across = (row - 1) * rowSpacing;
        return new Spot(
                inRow * Math.sin(radians) + across * Math.cos(radians),
                inRow * Math.cos(radians) - across * Math.sin(radians));
    }
}
