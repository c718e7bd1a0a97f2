package org.evenhand.core.pollen;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Sugar water that a kitchen can weigh: more of it than is needed, of which a part is taken.
 *
 * @param stockMl water that is sweetened, ml
 * @param sugarG sugar dissolved in it, g
 * @param takeMl what of it is taken for the suspension, ml
 */
public record HouseholdRecipe(BigDecimal stockMl, BigDecimal sugarG, BigDecimal takeMl) {
    /** A kitchen scale cannot be trusted with less, g: our convention. */
    private static final BigDecimal LEAST_WEIGHED_G = new BigDecimal("2.5");

    private static final int[] JUGS_ML = {100, 200, 250, 500, 1000};
    private static final BigDecimal HUNDRED = new BigDecimal(100);

    /** The smallest jug whose sugar can be weighed; empty where the suspension's own can be, or where there is no sugar in it. */
    public static Optional<HouseholdRecipe> of(Suspension suspension) {
        if (suspension.sugarG().compareTo(LEAST_WEIGHED_G) >= 0
                || suspension.sugarG().signum() == 0) {
            return Optional.empty();
        }
        return IntStream.of(JUGS_ML)
                .mapToObj(BigDecimal::new)
                .filter(jug -> jug.compareTo(suspension.volumeMl()) >= 0)
                .map(jug -> new HouseholdRecipe(
                        jug, suspension.sugarPercent().multiply(jug).divide(HUNDRED), suspension.volumeMl()))
                .filter(r -> r.sugarG().compareTo(LEAST_WEIGHED_G) >= 0)
                .findFirst();
    }
}
