package org.evenhand.core.weather;

/**
 * What a stretch of hourly temperatures did for buds that rest in winter: four counts of chill and one of heat, built up hour by
 * hour.
 *
 * <ul>
 *   <li>Chilling hours: hours with 0 ≤ T ≤ 7.2 °C, and those with T ≤ 7.2 °C (Weinberger 1950).
 *   <li>Utah units (Richardson, Seeley &amp; Walker 1974), also counted from their most negative total.
 *   <li>Chill portions of the dynamic model (Fishman, Erez &amp; Couvillon 1987; constants as in Erez et al. 1990), with
 *       TK = T + 273 and the first hour counted; some programs let the first hour only initialise, or take 273.15.
 *   <li>Growing degree hours, the ASYMCUR model (Anderson, Richardson &amp; Kesner 1986) with 4, 25 and 36 °C.
 * </ul>
 *
 * All from memory. Changed in place by {@link #hour}; used by one thread.
 */
public final class WinterRest {
    /** Sums of which less than this share of the hours is known say more of the typical day than of the winter. Our convention. */
    private static final double LEAST_KNOWN = 0.5;

    private static final double E0 = 4153.5;
    private static final double E1 = 12888.8;
    private static final double A0 = 139500;
    private static final double A1 = 2.567e18;
    private static final double SLOPE = 1.6;
    private static final double FREEZING_K = 277;
    private static final double KELVIN = 273;
    private static final double HEAT_BASE = 4;
    private static final double HEAT_BEST = 25;
    private static final double HEAT_MOST = 36;

    private int hours;
    private int chillingHours;
    private int hoursBelow;
    private double utah;
    private double utahLowest;
    private double intermediate;
    private double portions;
    private double heat;

    /** The sums over a whole series. */
    public static WinterRest over(double[] hourlyC) {
        WinterRest rest = new WinterRest();
        for (double celsius : hourlyC) {
            rest.hour(celsius);
        }
        return rest;
    }

    /**
     * Whether sums can be told.
     *
     * @param knownShare share of their hours whose weather is known, 0 to 1
     */
    public static boolean enoughKnown(double knownShare) {
        return knownShare >= LEAST_KNOWN;
    }

    /** Adds one hour at a temperature in °C. */
    public void hour(double celsius) {
        hours++;
        hoursBelow += celsius <= 7.2 ? 1 : 0;
        chillingHours += celsius >= 0 && celsius <= 7.2 ? 1 : 0;
        utah += utahUnit(celsius);
        utahLowest = Math.min(utahLowest, utah);
        heat += heatHours(celsius);
        portion(celsius);
    }

    private static double utahUnit(double celsius) {
        double[] upTo = {1.4, 2.4, 9.1, 12.4, 15.9, 18.0};
        double[] units = {0, 0.5, 1, 0.5, 0, -0.5};
        for (int i = 0; i < upTo.length; i++) {
            if (celsius <= upTo[i]) {
                return units[i];
            }
        }
        return -1;
    }

    /** Growing degree hours of one hour. */
    public static double heatHours(double celsius) {
        double span = HEAT_BEST - HEAT_BASE;
        if (celsius < HEAT_BASE || celsius > HEAT_MOST) {
            return 0;
        }
        return celsius <= HEAT_BEST
                ? span / 2 * (1 + Math.cos(Math.PI + Math.PI * (celsius - HEAT_BASE) / span))
                : span * (1 + Math.cos(Math.PI / 2 + Math.PI / 2 * (celsius - HEAT_BEST) / (HEAT_MOST - HEAT_BEST)));
    }

    private void portion(double celsius) {
        double kelvin = celsius + KELVIN;
        double settled = A0 / A1 * Math.exp((E1 - E0) / kelvin);
        double rate = A1 * Math.exp(-E1 / kelvin);
        intermediate = settled - (settled - intermediate) * Math.exp(-rate);
        if (intermediate >= 1) {
            double power = Math.exp(SLOPE * FREEZING_K * (kelvin - FREEZING_K) / kelvin);
            double banked = intermediate * power / (1 + power);
            portions += banked;
            intermediate -= banked;
        }
    }

    public int hours() {
        return hours;
    }

    public int chillingHours() {
        return chillingHours;
    }

    public int hoursBelow() {
        return hoursBelow;
    }

    public double utahUnits() {
        return utah;
    }

    /** Utah units since their most negative total. */
    public double utahSinceLowest() {
        return utah - utahLowest;
    }

    public double chillPortions() {
        return portions;
    }

    public double growingDegreeHours() {
        return heat;
    }
}
