/**
 * Reading flowers and foreseeing them, in four rooms: the {@link org.evenhand.core.bloom.clock} of one flower, the {@link
 * org.evenhand.core.bloom.forecast} of a tree and its variety from readings, the {@link org.evenhand.core.bloom.season} from first to last
 * flower, and the {@link org.evenhand.core.bloom.key} that names a stage from what one sees.
 *
 * <p>Hours are hours of a {@link org.evenhand.core.weather} series, temperatures °C, flowers counts of a tree (with fractions where they
 * are foreseen).
 */
@NullMarked
package org.evenhand.core.bloom;

import org.jspecify.annotations.NullMarked;
