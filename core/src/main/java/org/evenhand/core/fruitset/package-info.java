/**
 * Looking for fruit: when a look is due ({@link org.evenhand.core.fruitset.CheckCalendar}) and what was found ({@link
 * org.evenhand.core.fruitset.CheckOutcome}).
 */
package org.evenhand.core.fruitset;
