/**
 * Seeds and seedlings of crosses: how many come through, and when each step is due. Reading order: {@link
 * org.evenhand.core.cross.SurvivalChain} (seeds, in plants), {@link org.evenhand.core.cross.NurseryCalendar} (days). What cannot be is
 * refused with {@link org.evenhand.core.InvalidInputException}.
 */
@NullMarked
package org.evenhand.core.cross;

import org.jspecify.annotations.NullMarked;
