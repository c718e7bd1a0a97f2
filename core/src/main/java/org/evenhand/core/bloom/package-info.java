/**
 * Reading flowers and foreseeing them.
 *
 * <p>The flower clock first: {@link org.evenhand.core.bloom.FlowerClock} pushes a {@link
 * org.evenhand.core.bloom.FlowerState} forward under {@link org.evenhand.core.bloom.BloomConditions} (temperature and the hours
 * in which gates stand open). Then what growers ask: {@link org.evenhand.core.bloom.TreeForecast} starts from the {@link
 * org.evenhand.core.bloom.FlowerReading}s of one tree and tells, hour by hour, how many flowers can take pollen and how many give
 * it, with an interval; {@link org.evenhand.core.bloom.TreeOutlook} puts that into the few moments that matter.
 */
package org.evenhand.core.bloom;
