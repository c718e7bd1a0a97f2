package org.evenhand.core.weather;

import java.util.OptionalDouble;
import org.evenhand.core.Require;

/**
 * What is known of one day's air.
 *
 * @param temperatures lowest and highest, °C
 * @param meanHumidity mean relative humidity in percent, where known
 */
public record DayRange(DailyTemperatures temperatures, OptionalDouble meanHumidity) {
    public DayRange {
        meanHumidity.ifPresent(h -> Require.within("humidity", h, 0, 100));
    }
}
