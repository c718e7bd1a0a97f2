package org.evenhand.core.pollen;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * Pollen floated in sugar water, reckoned exactly in decimals: {@code sugar g = c · V / 100} for c % (g in 100 ml), {@code pollen mg =
 * concentration · V}, doses = {@code V · (1 − waste) / v} rounded down.
 *
 * @param volumeMl volume of the finished suspension, ml
 * @param sugarPercent sugar, g in 100 ml
 * @param pollenMgPerMl pollen, mg in 1 ml
 * @param doseMl what one flower or fruit is given, ml
 * @param waste share that is lost, 0 to 1
 */
public record Suspension(
        BigDecimal volumeMl, BigDecimal sugarPercent, BigDecimal pollenMgPerMl, BigDecimal doseMl, BigDecimal waste) {
    /** Sugar in 100 ml of a solution that takes no more at 20 °C, g; memory. */
    public static final BigDecimal SATURATED_PERCENT = new BigDecimal("88");

    /** Sugar in 100 g of such a solution, g; memory. */
    public static final BigDecimal SATURATED_PERCENT_BY_WEIGHT = new BigDecimal("67");

    private static final BigDecimal MOST_DOSES = new BigDecimal(1_000_000_000);
    private static final BigDecimal HUNDRED = new BigDecimal(100);
    /** More than any balance or pipette shows. Our convention. */
    private static final int MOST_DIGITS = 40;

    public Suspension {
        requireWithin("volumeMl", volumeMl, BigDecimal.ZERO, new BigDecimal(1_000_000));
        requireSugar("sugarPercent", sugarPercent, SATURATED_PERCENT);
        requireWithin("pollenMgPerMl", pollenMgPerMl, BigDecimal.ZERO, new BigDecimal(1000));
        requirePositive("doseMl", doseMl);
        requireWithin("waste", waste, BigDecimal.ZERO, BigDecimal.ONE);
    }

    /**
     * The suspension for so many fruits.
     *
     * @param stepMl volumes are made in steps of so much, ml
     * @throws InvalidInputException if {@code fruits} is not valid
     */
    public static Suspension forFruits(
            int fruits,
            BigDecimal doseMl,
            BigDecimal waste,
            BigDecimal stepMl,
            BigDecimal sugarPercent,
            BigDecimal pollenMgPerMl) {
        Require.within("fruits", fruits, 0, 10_000_000);
        requirePositive("stepMl", stepMl);
        BigDecimal kept = kept(waste);
        BigDecimal wanted = doseMl.multiply(new BigDecimal(fruits));
        BigDecimal step = stepMl.multiply(kept);
        BigDecimal[] parts = wanted.divideAndRemainder(step);
        BigDecimal steps = parts[1].signum() > 0 ? parts[0].add(BigDecimal.ONE) : parts[0];
        return new Suspension(steps.multiply(stepMl), sugarPercent, pollenMgPerMl, doseMl, waste);
    }

    /** Volume for so many fruits before rounding, ml. */
    public static BigDecimal volumeFor(int fruits, BigDecimal doseMl, BigDecimal waste) {
        return doseMl.multiply(new BigDecimal(fruits)).divide(kept(waste), MathContext.DECIMAL64);
    }

    private static BigDecimal kept(BigDecimal waste) {
        requireWithin("waste", waste, BigDecimal.ZERO, BigDecimal.ONE);
        if (waste.compareTo(BigDecimal.ONE) == 0) {
            throw new InvalidInputException("waste", "is all of it; no volume is enough. Give a share below 1.");
        }
        return BigDecimal.ONE.subtract(waste);
    }

    /** Sugar by weight: {@code water · c / (100 − c)} g for c % of the finished solution's weight. */
    public static BigDecimal sugarByWeight(BigDecimal percent, BigDecimal waterG) {
        requireSugar("sugarPercent", percent, SATURATED_PERCENT_BY_WEIGHT);
        requireWithin("waterG", waterG, BigDecimal.ZERO, new BigDecimal(1_000_000));
        return waterG.multiply(percent).divide(HUNDRED.subtract(percent), MathContext.DECIMAL64);
    }

    /** Sugar to weigh in, g. */
    public BigDecimal sugarG() {
        return sugarPercent.multiply(volumeMl).divide(HUNDRED);
    }

    /** Pollen to weigh in, mg. */
    public BigDecimal pollenMg() {
        return pollenMgPerMl.multiply(volumeMl);
    }

    /** Pollen that one dose holds, mg. */
    public BigDecimal pollenMgPerDose() {
        return pollenMgPerMl.multiply(doseMl);
    }

    /**
     * Male flowers whose pollen it takes: as many as give its milligrams, where one flower gives doses of {@link #pollenMgPerDose()}.
     *
     * @param dosesPerFlower doses one flower gives, more than 0
     */
    public int flowersFor(BigDecimal dosesPerFlower) {
        requirePositive("dosesPerFlower", dosesPerFlower);
        return pollenMg()
                .divide(pollenMgPerFlower(dosesPerFlower), 0, RoundingMode.CEILING)
                .intValueExact();
    }

    /** Pollen of one male flower, mg. */
    public BigDecimal pollenMgPerFlower(BigDecimal dosesPerFlower) {
        return dosesPerFlower.multiply(pollenMgPerDose());
    }

    /** Doses before rounding down. */
    public BigDecimal dosesExact() {
        return usable().divide(doseMl, MathContext.DECIMAL64);
    }

    /**
     * Whole doses.
     *
     * @throws InvalidInputException if {@code doseMl} is not valid
     */
    public int doses() {
        BigDecimal doses = usable().divide(doseMl, 0, RoundingMode.DOWN);
        if (doses.compareTo(MOST_DOSES) > 0) {
            throw new InvalidInputException(
                    "doseMl",
                    "is " + doseMl.toPlainString() + " ml; that would be " + doses.toPlainString() + " doses.");
        }
        return doses.intValueExact();
    }

    private BigDecimal usable() {
        return volumeMl.multiply(BigDecimal.ONE.subtract(waste));
    }

    static void requirePositive(String field, BigDecimal value) {
        requireMeasurable(field, value);
        if (value.signum() <= 0) {
            throw new InvalidInputException(field, "is " + value.toPlainString() + "; it must be more than 0.");
        }
    }

    static void requireWithin(String field, BigDecimal value, BigDecimal low, BigDecimal high) {
        requireMeasurable(field, value);
        if (value.compareTo(low) < 0 || value.compareTo(high) > 0) {
            throw new InvalidInputException(
                    field,
                    "is " + value.toPlainString() + "; allowed is " + low.toPlainString() + " to "
                            + high.toPlainString() + ".");
        }
    }

    /** A number of so many digits was never read off a scale, and could fill any memory when it is written out. */
    private static void requireMeasurable(String field, BigDecimal value) {
        if (value.precision() > MOST_DIGITS || Math.abs((long) value.scale()) > MOST_DIGITS) {
            throw new InvalidInputException(field, "has more digits than any measure has.");
        }
    }

    private static void requireSugar(String field, BigDecimal percent, BigDecimal saturated) {
        requireMeasurable(field, percent);
        if (percent.compareTo(saturated) > 0) {
            throw new InvalidInputException(
                    field,
                    "is " + percent.toPlainString() + " %, more than water takes at 20 °C (about "
                            + saturated.toPlainString() + " %). Growers use 2 to 20 %.");
        }
        requireWithin(field, percent, BigDecimal.ZERO, saturated);
    }
}
