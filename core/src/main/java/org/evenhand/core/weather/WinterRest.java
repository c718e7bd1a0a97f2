package org.evenhand.core.weather;

import java.util.List;

/**
 * What a stretch of hourly temperatures did for buds that rest in winter: four counts of chill and one of heat, each a
 * {@link TemperatureSum}, built up hour by hour.
 *
 * <p>Changed in place by {@link #hour}; used by one thread.
 */
public final class WinterRest {
    /** Sums of which less than this share of the hours is known say more of the typical day than of the winter. Our convention. */
    private static final double LEAST_KNOWN = 0.5;

    private final ChillingHours chilling = new ChillingHours();
    private final HoursBelow below = new HoursBelow();
    private final UtahModel utah = new UtahModel();
    private final DynamicModel dynamic = new DynamicModel();
    private final GrowingDegreeHours heat = new GrowingDegreeHours();
    private final List<TemperatureSum> all = List.of(chilling, below, utah, dynamic, heat);
    private int hours;

    /** The sums over a whole series. */
    public static WinterRest over(double[] hourlyC) {
        WinterRest rest = new WinterRest();
        for (double celsius : hourlyC) {
            rest.hour(celsius);
        }
        return rest;
    }

    /**
     * Whether sums can be shown.
     *
     * @param knownShare share of their hours whose weather is known, 0 to 1
     */
    public static boolean enoughKnown(double knownShare) {
        return knownShare >= LEAST_KNOWN;
    }

    /** Adds one hour at a temperature in °C. */
    public void hour(double celsius) {
        hours++;
        all.forEach(model -> model.hour(celsius));
    }

    public int hours() {
        return hours;
    }

    /** Hours of 0 to 7.2 °C. */
    public int chillingHours() {
        return (int) chilling.total();
    }

    /** Hours of 7.2 °C and less. */
    public int hoursBelow() {
        return (int) below.total();
    }

    public double utahUnits() {
        return utah.total();
    }

    /** Utah units since their most negative total. */
    public double utahSinceLowest() {
        return utah.sinceLowest();
    }

    public double chillPortions() {
        return dynamic.total();
    }

    public double growingDegreeHours() {
        return heat.total();
    }
}
