package org.evenhand.core.weather;

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
}
