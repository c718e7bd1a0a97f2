package org.evenhand.core.crop;

/**
 * How fruit grows, in days from the pollination at ordinary temperatures.
 *
 * @param numberAtDays day from which it has about three quarters of its size, so that a number can be written on it
 * @param ripeAtDays day from which it may be ripe
 */
public record FruitHabit(Sourced numberAtDays, Sourced ripeAtDays) {}
