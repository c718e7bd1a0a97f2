package org.evenhand.orchard;

import java.util.List;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.TypicalYear;

/**
 * What is known of an orchard.
 *
 * @param usual lowest and highest temperature of an ordinary day while the trees flower, °C; used until weather is recorded
 * @param months ordinary days of January to December, in the place of the one; empty where only that is known
 */
public record OrchardDetails(
        String name, Site site, DailyTemperatures usual, List<DailyTemperatures> months, Units units) {
    public OrchardDetails {
        months = List.copyOf(months);
    }

    /** With one ordinary day for the whole year. */
    public OrchardDetails(String name, Site site, DailyTemperatures usual, Units units) {
        this(name, site, usual, List.of(), units);
    }

    /** What stands in where nothing is known of the air. */
    public TypicalYear typicalYear() {
        return months.isEmpty() ? TypicalYear.always(usual) : new TypicalYear(months);
    }
}
