package org.evenhand.core.bloom.forecast;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;

/**
 * One look at a tree's flowers.
 *
 * @param at when
 * @param counts flowers counted in each stage of the crop sheet, in its order, 0 to {@link #MOST_FLOWERS} each
 * @param share share of the crown that was counted, more than 0, up to 1
 */
public record FlowerReading(Instant at, List<Integer> counts, double share) {
    /** More flowers than this in one stage of one tree is a slip of the finger, not a count. */
    public static final int MOST_FLOWERS = 20_000;

    /** The least share of a crown from which the rest is reckoned. */
    public static final double LEAST_SHARE = 0.02;

    public FlowerReading {
        Require.within("share", share, LEAST_SHARE, 1);
        counts = List.copyOf(counts);
        for (int i = 0; i < counts.size(); i++) {
            Require.within("counts[" + i + "]", counts.get(i), 0, MOST_FLOWERS);
        }
    }

    /** A look at the whole crown. */
    public FlowerReading(Instant at, List<Integer> counts) {
        this(at, counts, 1);
    }

    public int total() {
        return counts.stream().mapToInt(Integer::intValue).sum();
    }

    /** Flowers of the whole crown that were giving pollen when looked at, reckoned from the part counted. */
    public int shedding(CropSheet sheet) {
        int shedding = 0;
        for (int s = 0; s < counts.size(); s++) {
            shedding += sheet.stages().get(s).phase().sheds() ? counts.get(s) : 0;
        }
        return (int) Math.round(shedding / share);
    }

    /**
     * The counts, one for each stage of the sheet.
     *
     * @throws InvalidInputException when there are not as many as stages
     */
    double[] checked(CropSheet sheet) {
        if (counts.size() != sheet.stages().size()) {
            throw new InvalidInputException(
                    "counts",
                    "has " + counts.size() + " numbers, but " + sheet.name() + " has "
                            + sheet.stages().size() + " stages.");
        }
        return counts.stream().mapToDouble(Integer::doubleValue).toArray();
    }

    /** Flowers of the whole crown in each stage, reckoned from the part counted. */
    double[] asFlowers(CropSheet sheet) {
        return Arrays.stream(checked(sheet)).map(c -> c / share).toArray();
    }
}
