package org.evenhand.core.bloom.clock;

import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.weather.HourlyTemperatures;

/**
 * How fast flowers develop at a temperature, relative to the reference temperature.
 *
 * <p>{@code r(T) = clamp((T − base) / (reference − base), 0, (cap − base) / (reference − base))}: zero below the base, 1 at the
 * reference, no faster above the cap. A linear rate is an assumption of this model (a thermal-time model), not a published fit.
 *
 * @param baseC °C
 * @param referenceC °C, above the base
 * @param capC °C, not below the reference
 */
public record DevelopmentRate(double baseC, double referenceC, double capC) {
    /** Narrower than this, a degree would change everything. */
    private static final double LEAST_SPAN_C = 0.5;

    public DevelopmentRate {
        Require.within("baseTemperatureC", baseC, -60, 60);
        Require.within("referenceTemperatureC", referenceC, -60, 60);
        Require.within("capTemperatureC", capC, -60, 60);
        if (!(referenceC > baseC)) {
            throw new InvalidInputException(
                    "referenceTemperatureC", "is " + referenceC + "; it must be above the base, " + baseC + ".");
        }
        if (!(capC >= referenceC)) {
            throw new InvalidInputException(
                    "capTemperatureC", "is " + capC + "; it must not be below the reference, " + referenceC + ".");
        }
        if (referenceC - baseC < LEAST_SPAN_C) {
            throw new InvalidInputException(
                    "referenceTemperatureC",
                    "is " + referenceC + ", less than " + LEAST_SPAN_C
                            + " degrees above the base; no flower wakes so suddenly.");
        }
    }

    /** Rate at a temperature, 0 to {@link #highest()}. */
    public double at(double celsius) {
        return (Math.min(Math.max(celsius, baseC), capC) - baseC) / (referenceC - baseC);
    }

    /** Rate at and above the cap. */
    public double highest() {
        return (capC - baseC) / (referenceC - baseC);
    }

    /**
     * Mean rate over a stretch of time, exact for a temperature that runs in straight lines between whole hours.
     *
     * @param fromHour hours after the temperatures' start
     * @param toHour later than {@code fromHour}
     */
    public double mean(HourlyTemperatures temperatures, double fromHour, double toHour) {
        double sum = 0;
        double at = fromHour;
        while (at < toHour) {
            double next = Math.min(toHour, Math.floor(at) + 1);
            sum += overStraightLine(temperatures.celsiusAtHour(at), temperatures.celsiusAtHour(next)) * (next - at);
            at = next;
        }
        return sum / (toHour - fromHour);
    }

    /** Mean rate while the temperature runs straight from one value to another. */
    private double overStraightLine(double fromC, double toC) {
        double low = Math.min(fromC, toC);
        double high = Math.max(fromC, toC);
        if (high - low < 1e-9) {
            return at(low);
        }
        // The clamped line, integrated over temperature: flat below the base, rising, flat above the cap.
        double risingFrom = Math.min(Math.max(low, baseC), capC);
        double risingTo = Math.min(Math.max(high, baseC), capC);
        double rising = (risingTo - risingFrom) * (at(risingFrom) + at(risingTo)) / 2;
        double capped = Math.max(0, high - Math.max(low, capC)) * highest();
        return (rising + capped) / (high - low);
    }
}
