package org.evenhand.orchard;

import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;

/**
 * What is known of an orchard.
 *
 * @param usual lowest and highest temperature of an ordinary day while the trees flower, °C; used until weather is recorded
 */
public record OrchardDetails(String name, Site site, DailyTemperatures usual, Units units) {}
