package org.evenhand.core.weather;

/**
 * Chill portions of the dynamic model (Fishman, Erez &amp; Couvillon 1987; constants as in Erez et al. 1990): an intermediate made in
 * the cold and broken by warmth, banked as a portion for good once there is enough of it.
 *
 * <p>TK = T + 273 and the first hour is counted; some programs let the first hour only initialise, or take 273.15.
 */
public final class DynamicModel implements TemperatureSum {
    private static final double E0 = 4153.5;
    private static final double E1 = 12888.8;
    private static final double A0 = 139500;
    private static final double A1 = 2.567e18;
    private static final double SLOPE = 1.6;
    private static final double TRANSITION_K = 277;
    private static final double KELVIN = 273;
    private static final double ENOUGH = 1;

    private double intermediate;
    private double portions;

    @Override
    public void hour(double celsius) {
        double kelvin = celsius + KELVIN;
        double settled = A0 / A1 * Math.exp((E1 - E0) / kelvin);
        double rate = A1 * Math.exp(-E1 / kelvin);
        intermediate = settled - (settled - intermediate) * Math.exp(-rate);
        if (intermediate >= ENOUGH) {
            double power = Math.exp(SLOPE * TRANSITION_K * (kelvin - TRANSITION_K) / kelvin);
            double banked = intermediate * power / (1 + power);
            portions += banked;
            intermediate -= banked;
        }
    }

    @Override
    public double total() {
        return portions;
    }
}
