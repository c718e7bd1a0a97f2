/** Flowers made ready for a cross: the steps, when each is due, and which visit takes it. */
package org.evenhand.core.crossing;
