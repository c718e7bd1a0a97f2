package org.evenhand.core.pollen;

import java.math.BigDecimal;
import java.math.MathContext;
import org.evenhand.core.InvalidInputException;

/**
 * A stock made thinner: {@code c1 · v1 = c2 · v2}.
 *
 * @param stockPercent strength of the stock, %
 * @param stockMl stock taken, ml
 * @param percent strength wanted, %; not above the stock's
 * @param volumeMl volume made, ml
 */
public record Dilution(BigDecimal stockPercent, BigDecimal stockMl, BigDecimal percent, BigDecimal volumeMl) {
    public Dilution {
        Suspension.requirePositive("c1", stockPercent);
        Suspension.requirePositive("c2", percent);
        Suspension.requirePositive("v1", stockMl);
        Suspension.requirePositive("v2", volumeMl);
        if (percent.compareTo(stockPercent) > 0 || stockMl.compareTo(volumeMl) > 0) {
            throw new InvalidInputException(
                    "c2",
                    "is " + percent.toPlainString() + " %, stronger than the stock of " + stockPercent.toPlainString()
                            + " %; water only makes it weaker. Take a stronger stock.");
        }
    }

    /** How much stock to take. */
    public static Dilution toVolume(BigDecimal stockPercent, BigDecimal percent, BigDecimal volumeMl) {
        Suspension.requirePositive("c1", stockPercent);
        return new Dilution(stockPercent, over(percent.multiply(volumeMl), stockPercent), percent, volumeMl);
    }

    /** What strength comes of it. */
    public static Dilution ofStock(BigDecimal stockPercent, BigDecimal stockMl, BigDecimal volumeMl) {
        Suspension.requirePositive("v2", volumeMl);
        return new Dilution(stockPercent, stockMl, over(stockPercent.multiply(stockMl), volumeMl), volumeMl);
    }

    /** How strong the stock must be. */
    public static Dilution ofStrength(BigDecimal stockMl, BigDecimal percent, BigDecimal volumeMl) {
        Suspension.requirePositive("v1", stockMl);
        return new Dilution(over(percent.multiply(volumeMl), stockMl), stockMl, percent, volumeMl);
    }

    /** How much it makes. */
    public static Dilution toStrength(BigDecimal stockPercent, BigDecimal stockMl, BigDecimal percent) {
        Suspension.requirePositive("c2", percent);
        return new Dilution(stockPercent, stockMl, percent, over(stockPercent.multiply(stockMl), percent));
    }

    /** Water to add, ml. */
    public BigDecimal waterMl() {
        return volumeMl.subtract(stockMl);
    }

    private static BigDecimal over(BigDecimal a, BigDecimal b) {
        return a.divide(b, MathContext.DECIMAL64);
    }
}
