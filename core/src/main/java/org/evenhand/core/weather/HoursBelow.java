package org.evenhand.core.weather;

/** Hours with T ≤ 7.2 °C, those of frost too: the older way to count chilling hours (Weinberger 1950). */
final class HoursBelow implements TemperatureSum {
    /** 45 °F. */
    static final double THRESHOLD_C = 7.2;

    private int hours;

    @Override
    public void hour(double celsius) {
        hours += celsius <= THRESHOLD_C ? 1 : 0;
    }

    @Override
    public double total() {
        return hours;
    }
}
