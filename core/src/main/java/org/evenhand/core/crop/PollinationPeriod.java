package org.evenhand.core.crop;

/**
 * How long pollen on a stigma can still come in time.
 *
 * @param ovuleDays days after opening for which the ovules live
 * @param stigmaDays days after opening for which the stigma takes pollen
 */
public record PollinationPeriod(Sourced ovuleDays, Sourced stigmaDays) {}
