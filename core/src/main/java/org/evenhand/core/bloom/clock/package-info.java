/**
 * How a flower goes through its stages. {@link org.evenhand.core.bloom.clock.FlowerClock} pushes a {@link
 * org.evenhand.core.bloom.clock.FlowerState} forward under {@link org.evenhand.core.bloom.clock.BloomConditions} (temperature and the
 * hours in which gates stand open), step by step ({@link org.evenhand.core.bloom.clock.StepMatrix}); a {@link
 * org.evenhand.core.bloom.clock.FlowerBatch} does many states at once. {@link org.evenhand.core.bloom.clock.DevelopmentRate} is how warmth
 * speeds it.
 */
@NullMarked
package org.evenhand.core.bloom.clock;

import org.jspecify.annotations.NullMarked;
