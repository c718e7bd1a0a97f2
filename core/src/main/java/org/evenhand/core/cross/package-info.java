/**
 * Seeds and seedlings of crosses: where they are, what is due, and how many come through. Counts are whole seeds or plants, days are
 * calendar days of the orchard. Reading order: {@link org.evenhand.core.cross.NurseryStage} and {@link
 * org.evenhand.core.cross.NurseryStep} (the way from seed to tree), {@link org.evenhand.core.cross.SeedLotStock} (what is left of a lot), {@link org.evenhand.core.cross.SeedlingLife}
 * (one seedling with a number of its own),
 * {@link org.evenhand.core.cross.NurseryTask} (what is due, by {@link org.evenhand.core.cross.NurseryCalendar}), {@link
 * org.evenhand.core.cross.SeedDemand} (from judged trees back to seeds, by {@link org.evenhand.core.cross.SurvivalChain}). What cannot be
 * is refused with {@link org.evenhand.core.InvalidInputException}.
 */
@NullMarked
package org.evenhand.core.cross;

import org.jspecify.annotations.NullMarked;
