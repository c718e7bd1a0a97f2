package org.evenhand.core.weather;

/** Utah units (Richardson, Seeley &amp; Walker 1974): warm hours take chill away again. */
final class UtahModel implements TemperatureSum {
    /** Upper ends of the classes of temperature, °C, with what an hour in each adds; above the last it takes {@link #WARM}. */
    private static final double[] UP_TO_C = {1.4, 2.4, 9.1, 12.4, 15.9, 18.0};

    private static final double[] UNITS = {0, 0.5, 1, 0.5, 0, -0.5};
    private static final double WARM = -1;

    private double units;
    private double lowest;

    @Override
    public void hour(double celsius) {
        units += unit(celsius);
        lowest = Math.min(lowest, units);
    }

    private static double unit(double celsius) {
        for (int i = 0; i < UP_TO_C.length; i++) {
            if (celsius <= UP_TO_C[i]) {
                return UNITS[i];
            }
        }
        return WARM;
    }

    @Override
    public double total() {
        return units;
    }

    /** Units since their most negative total, from which chill is counted where autumn is warm. */
    double sinceLowest() {
        return units - lowest;
    }
}
