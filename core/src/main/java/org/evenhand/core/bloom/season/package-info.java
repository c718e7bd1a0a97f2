/**
 * From the first flower to the last. {@link org.evenhand.core.bloom.season.BloomDates} foresees the days of a variety from cold and warmth,
 * {@link org.evenhand.core.bloom.season.BloomProgress} spreads its flowers over them, {@link org.evenhand.core.bloom.season.Overlap} and
 * {@link org.evenhand.core.bloom.season.BloomSynchrony} say whose pollen is there in time, {@link
 * org.evenhand.core.bloom.season.PollenTube} how fast it grows down, and {@link org.evenhand.core.bloom.season.HandPollinationNeed}
 * whether hands are worth it.
 */
@NullMarked
package org.evenhand.core.bloom.season;

import org.jspecify.annotations.NullMarked;
