package org.evenhand.core.bloom.forecast;

import java.time.Instant;

/**
 * What a tree's flowers do at one moment.
 *
 * @param at the moment
 * @param receptive flowers that can take pollen
 * @param shedding flowers that give pollen
 */
public record ForecastPoint(Instant at, FlowerCount receptive, FlowerCount shedding) {}
