package org.evenhand.weather;

import java.time.LocalDate;

/**
 * One day, lowest and highest.
 *
 * @param humidity in percent; null where it was not measured
 */
record WeatherDay(LocalDate date, double minimumC, double maximumC, Double humidity) {}
