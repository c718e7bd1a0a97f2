package org.evenhand.core.weather;

/** Growing degree hours, the ASYMCUR model (Anderson, Richardson &amp; Kesner 1986) with 4, 25 and 36 °C. */
public final class GrowingDegreeHours implements TemperatureSum {
    private static final double BASE_C = 4;
    private static final double BEST_C = 25;
    private static final double CRITICAL_C = 36;

    private double sum;

    /** What one hour at a temperature in °C adds: 0 to 21. */
    public static double of(double celsius) {
        double span = BEST_C - BASE_C;
        if (celsius < BASE_C || celsius > CRITICAL_C) {
            return 0;
        }
        return celsius <= BEST_C
                ? span / 2 * (1 + Math.cos(Math.PI + Math.PI * (celsius - BASE_C) / span))
                : span * (1 + Math.cos(Math.PI / 2 + Math.PI / 2 * (celsius - BEST_C) / (CRITICAL_C - BEST_C)));
    }

    @Override
    public void hour(double celsius) {
        sum += of(celsius);
    }

    @Override
    public double total() {
        return sum;
    }
}
