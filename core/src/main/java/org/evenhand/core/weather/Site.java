package org.evenhand.core.weather;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.evenhand.core.Require;

/**
 * A place on the earth.
 *
 * @param latitude degrees, north positive, -90 to 90
 * @param longitude degrees, east positive, -180 to 180
 * @param zone the time zone its people live by
 */
public record Site(double latitude, double longitude, ZoneId zone) {
    public Site {
        Require.within("latitude", latitude, -90, 90);
        Require.within("longitude", longitude, -180, 180);
    }

    /** People live by clocks that are off the sun by up to three hours and more; beyond that one of the two is wrong. Our convention. */
    public static final double MOST_HOURS_OFF_SUN = 3;

    private static final double DEGREES_AN_HOUR = 15;

    /**
     * How far the zone's standard time is ahead of the sun at this longitude; negative where it is behind.
     *
     * @param at when, as zones change
     * @return hours, -12 to 12
     */
    public double hoursAheadOfSun(Instant at) {
        double standard = zone.getRules().getStandardOffset(at).getTotalSeconds() / 3600.0;
        return Math.IEEEremainder(standard - longitude / DEGREES_AN_HOUR, 24);
    }

    /** Whether time zone and longitude cannot both be right, so that sunrise and sunset come out at the wrong hour. */
    public boolean zoneContradictsLongitude(Instant at) {
        return Math.abs(hoursAheadOfSun(at)) > MOST_HOURS_OFF_SUN;
    }

    /**
     * The year after which the bloom of a day is named. Rest begins in early November north of the equator, in early May south of it;
     * what flowers from then on belongs to the spring that follows.
     */
    public int bloomYear(LocalDate day) {
        return latitude < 0 ? day.minusMonths(4).getYear() : day.plusMonths(2).getYear();
    }
}
