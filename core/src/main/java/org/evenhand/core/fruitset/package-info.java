/**
 * Looking for fruit: when a check is due ({@link org.evenhand.core.fruitset.CheckCalendar}), what was found ({@link
 * org.evenhand.core.fruitset.CheckOutcome}), what has become of the flowers by all checks together ({@link
 * org.evenhand.core.fruitset.Fate}), and limbs counted as a whole ({@link org.evenhand.core.fruitset.LimbTally}).
 */
@NullMarked
package org.evenhand.core.fruitset;

import org.jspecify.annotations.NullMarked;
