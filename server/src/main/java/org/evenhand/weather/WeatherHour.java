package org.evenhand.weather;

import java.time.Instant;

/**
 * One measured hour.
 *
 * @param at a whole hour
 * @param humidity in percent; null where it was not measured
 */
record WeatherHour(Instant at, double celsius, Double humidity) {}
