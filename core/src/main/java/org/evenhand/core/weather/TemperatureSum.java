package org.evenhand.core.weather;

/**
 * One model of what hourly temperatures do to resting buds: a sum built up hour by hour.
 *
 * <p>Changed in place; used by one thread. All published constants are from memory; the paper is named at each model.
 */
sealed interface TemperatureSum permits ChillingHours, HoursBelow, UtahModel, DynamicModel, GrowingDegreeHours {
    /** Adds one hour at a temperature in °C. */
    void hour(double celsius);

    /** The sum so far, in the model's own unit. */
    double total();
}
