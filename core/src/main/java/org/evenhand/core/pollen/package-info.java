/**
 * How long pollen lives: {@link org.evenhand.core.pollen.PollenViability}.
 */
package org.evenhand.core.pollen;
