package org.evenhand.core.cropload;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * How many fruits a tree can carry, from the thickness of its trunk and of its limbs, and how many flowers that takes.
 *
 * <p>Trunk cross-sectional area: girth² / 4π, or π d² / 4. Fruits: density · area, rounded down. Westwood &amp; Roberts 1970, J. Am.
 * Soc. Hort. Sci. 95:28-30; Lombard et al. 1988, HortScience 23:813-817. Densities are inputs; the crop sheets' are from memory.
 */
public final class CropLoad {
    /** Keeps 24.999999999 from being rounded down to 24; far below any tape's precision. */
    private static final double ROUNDING = 1e-9;

    private CropLoad() {}

    /**
     * Cross-section of a round trunk, cm².
     *
     * @throws InvalidInputException if {@code girth} is not valid
     */
    public static double areaOfGirth(double girthCm) {
        return Math.pow(Require.positive("girth", girthCm), 2) / (4 * Math.PI);
    }

    /** Cross-section of a round trunk or limb, cm². */
    public static double areaOfDiameter(double diameterCm) {
        return areaOfDiameters(diameterCm, diameterCm);
    }

    /**
     * Cross-section of an oval trunk, cm².
     *
     * @throws InvalidInputException if {@code diameter} is not valid
     */
    public static double areaOfDiameters(double oneCm, double otherCm) {
        return Math.PI * Require.positive("diameter", oneCm) * Require.positive("diameter", otherCm) / 4;
    }

    /**
     * Fruits before rounding down: density (fruits per cm²) · area.
     *
     * @throws InvalidInputException if {@code area} or {@code density} is not valid
     */
    public static double exactTarget(double areaCm2, double fruitsPerCm2) {
        return Require.positive("area", areaCm2) * Require.positive("density", fruitsPerCm2);
    }

    /**
     * Whole fruits, rounded down.
     *
     * @throws InvalidInputException if {@code fruits} is not valid
     */
    public static int whole(double fruits) {
        return (int) Math.floor(Require.within("fruits", fruits, 0, 1e8) + ROUNDING);
    }

    /** Most fruits of each limb, in the same order, from cross-sections in cm². */
    public static List<Integer> limbLimits(List<Double> areasCm2, double fruitsPerCm2) {
        return areasCm2.stream()
                .map(area -> whole(exactTarget(area, fruitsPerCm2)))
                .toList();
    }

    /**
     * Most fruits of each limb by its thickness: a twig of one size carries one, thicker limbs in proportion to their cross-section.
     * Common practice.
     *
     * @param limbsMm diameters, mm
     * @param twigMm diameter of a twig that carries one fruit, mm
     */
    public static List<Integer> limbFruits(List<Integer> limbsMm, double twigMm) {
        return limbLimits(
                limbsMm.stream().map(mm -> areaOfDiameter(mm / 10.0)).toList(), 1 / areaOfDiameter(twigMm / 10));
    }

    /**
     * Flowers to pollinate for so many fruits on average: ⌈fruits / (set · (1 − drop))⌉ in exact decimals.
     *
     * @param set share of pollinated flowers that set a fruit, more than 0, up to 1
     * @param drop share of set fruits lost afterwards, 0 to less than 1
     * @throws InvalidInputException if {@code target}, {@code set} or {@code drop} is not valid
     */
    public static int flowersNeeded(int fruits, BigDecimal set, BigDecimal drop) {
        Require.within("target", fruits, 0, 100_000_000);
        if (set.signum() <= 0) {
            throw new InvalidInputException(
                    "set", "is " + set.toPlainString() + "; where no flower sets, no number of flowers is enough.");
        }
        if (set.compareTo(BigDecimal.ONE) > 0) {
            throw new InvalidInputException(
                    "set", "is " + set.toPlainString() + "; it is a share of the flowers, at most 1.");
        }
        if (drop.signum() < 0 || drop.compareTo(BigDecimal.ONE) >= 0) {
            throw new InvalidInputException(
                    "drop", "is " + drop.toPlainString() + "; it must be at least 0 and less than 1.");
        }
        BigDecimal stays = set.multiply(BigDecimal.ONE.subtract(drop));
        BigDecimal flowers = BigDecimal.valueOf(fruits).divide(stays, 0, RoundingMode.CEILING);
        if (flowers.compareTo(BigDecimal.valueOf(Integer.MAX_VALUE)) > 0) {
            throw new InvalidInputException(
                    "target",
                    "of " + fruits + " fruits would take " + flowers.toPlainString() + " flowers; aim lower.");
        }
        return flowers.intValueExact();
    }
}
