package org.evenhand.core.weather;

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

    /**
     * The year after which the bloom of a day is named. Rest begins in early November north of the equator, in early May south of it;
     * what flowers from then on belongs to the spring that follows.
     */
    public int bloomYear(LocalDate day) {
        return latitude < 0 ? day.minusMonths(4).getYear() : day.plusMonths(2).getYear();
    }
}
