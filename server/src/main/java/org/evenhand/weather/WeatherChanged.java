package org.evenhand.weather;

import java.time.Instant;
import java.util.UUID;

/**
 * What is known of an orchard's air in a stretch of time has changed.
 *
 * @param from with what lies half a day before it, as hours are bridged from their neighbours
 * @param until likewise
 */
public record WeatherChanged(UUID orchardId, Instant from, Instant until) {}
