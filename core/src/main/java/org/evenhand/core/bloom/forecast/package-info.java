/**
 * From readings to flowers by the hour. {@link org.evenhand.core.bloom.forecast.TreeForecast} starts from the {@link
 * org.evenhand.core.bloom.forecast.FlowerReading}s of one tree and tells how many flowers are female and how many male, with an
 * interval; {@link org.evenhand.core.bloom.forecast.TreeOutlook} puts that into the few moments that matter; {@link
 * org.evenhand.core.bloom.forecast.VarietyForecaster} lets trees of one variety learn from one another.
 */
@NullMarked
package org.evenhand.core.bloom.forecast;

import org.jspecify.annotations.NullMarked;
