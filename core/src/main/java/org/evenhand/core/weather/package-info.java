/**
 * Sun and air at the orchard: when the sun rises and sets ({@link org.evenhand.core.weather.SunDay}) and how warm it is hour by
 * hour ({@link org.evenhand.core.weather.HourlyTemperatures}).
 */
@NullMarked
package org.evenhand.core.weather;

import org.jspecify.annotations.NullMarked;
