package org.evenhand.core.bloom;

import java.time.Instant;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;

/**
 * One look at a tree's flowers.
 *
 * @param at when
 * @param counts flowers in each stage of the crop sheet, in its order, 0 to {@link #MOST_FLOWERS} each
 */
public record FlowerReading(Instant at, List<Integer> counts) {
    /** More flowers than this in one stage of one tree is a slip of the finger, not a count. */
    public static final int MOST_FLOWERS = 20_000;

    public FlowerReading {
        counts = List.copyOf(counts);
        for (int i = 0; i < counts.size(); i++) {
            Require.within("counts[" + i + "]", counts.get(i), 0, MOST_FLOWERS);
        }
    }

    public int total() {
        return counts.stream().mapToInt(Integer::intValue).sum();
    }

    /** Flowers that were giving pollen when looked at. */
    public int giving(CropSheet sheet) {
        int giving = 0;
        for (int s = 0; s < counts.size(); s++) {
            giving += sheet.stages().get(s).phase().gives() ? counts.get(s) : 0;
        }
        return giving;
    }

    double[] asFlowers(CropSheet sheet) {
        if (counts.size() != sheet.stages().size()) {
            throw new InvalidInputException(
                    "counts",
                    "has " + counts.size() + " numbers, but " + sheet.name() + " has "
                            + sheet.stages().size() + " stages.");
        }
        return counts.stream().mapToDouble(Integer::doubleValue).toArray();
    }
}
