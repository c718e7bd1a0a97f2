package org.evenhand.core.bloom;

import java.time.Instant;
import org.evenhand.core.crop.CropSheet;

/**
 * One crop at a place, at each of a row of paces: what {@link RateLearning} tries readings against. Shared by the crop's varieties.
 * The shape inside a stage is taken from the sheet's own pace for all of them, since only a full run would give each its own.
 */
public final class PaceGrid {
    private static final int PACES = 17;
    private static final double FARTHEST_LOG = 0.6;

    private final BudSupply usual;
    private final double[] logs = new double[PACES];
    private final BudSupply[] steps = new BudSupply[PACES];

    private PaceGrid(BudSupply usual) {
        this.usual = usual;
    }

    /**
     * @param conditions starting {@link BudSupply#warmUp} before the first reading
     * @param until the last moment that will be asked about
     */
    public static PaceGrid of(CropSheet sheet, BloomConditions conditions, Instant until) {
        PaceGrid grid = new PaceGrid(BudSupply.of(sheet, conditions, until));
        for (int g = 0; g < PACES; g++) {
            grid.logs[g] = -FARTHEST_LOG + 2 * FARTHEST_LOG * g / (PACES - 1);
            grid.steps[g] = BudSupply.stepsOnly(sheet, Math.exp(grid.logs[g]), conditions);
        }
        return grid;
    }

    CropSheet sheet() {
        return usual.sheet();
    }

    /** Logarithms of the factors on all durations, in rising order. */
    double[] logs() {
        return logs.clone();
    }

    /** Flowers expected in each stage at a later moment, from one reading, at one of the paces. */
    double[] expected(int pace, FlowerReading reading, Instant later) {
        return RateLearning.expected(usual, steps[pace], reading, later);
    }
}
