package org.evenhand.core.pollen;

import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;

/**
 * How many flowers to collect for the doses wanted.
 *
 * @param dosesPerFlower doses one flower gives on average
 * @param expected flowers that give the doses on average
 * @param sure flowers that give them nine times in ten, the yield of flowers being taken for Poisson distributed
 */
public record FlowersToCollect(double dosesPerFlower, int expected, int sure) {
    /** What a small-flowered variety gives against an ordinary one; memory. */
    public static final double SMALL_FLOWERED = 0.4;

    private static final double SURE = 0.9;

    /**
     * @param doses doses wanted, at least 1
     * @param smallFlowered whether the variety's flowers are small for the crop
     */
    public static FlowersToCollect of(CropSheet sheet, boolean smallFlowered, int doses) {
        return of(sheet.pollen().dosesPerFlower().value() * (smallFlowered ? SMALL_FLOWERED : 1), doses);
    }

    /**
     * @param each doses one flower gives on average, more than 0
     * @param doses doses wanted, at least 1
     * @throws org.evenhand.core.InvalidInputException if {@code doses} or {@code dosesPerFlower} is not valid
     */
    public static FlowersToCollect of(double each, int doses) {
        Require.within("doses", doses, 1, 1_000_000);
        Require.positive("dosesPerFlower", each);
        int expected = (int) Math.ceil(doses / each - 1e-9);
        int sure = expected;
        int tooFew = 0;
        while (!enough(sure, each, doses)) {
            tooFew = sure;
            sure *= 2;
        }
        while (sure - tooFew > 1) {
            int middle = (sure + tooFew) / 2;
            if (enough(middle, each, doses)) {
                sure = middle;
            } else {
                tooFew = middle;
            }
        }
        return new FlowersToCollect(each, expected, sure);
    }

    private static boolean enough(int flowers, double each, int doses) {
        return PoissonDistribution.of(flowers * each).survivalProbability(doses - 1) >= SURE;
    }
}
