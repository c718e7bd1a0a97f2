package org.evenhand.core.weather;

/** Chilling hours (Weinberger 1950): hours with 0 ≤ T ≤ 7.2 °C. */
final class ChillingHours implements TemperatureSum {
    private static final double FREEZING_C = 0;

    private int hours;

    @Override
    public void hour(double celsius) {
        hours += celsius >= FREEZING_C && celsius <= HoursBelow.THRESHOLD_C ? 1 : 0;
    }

    @Override
    public double total() {
        return hours;
    }
}
