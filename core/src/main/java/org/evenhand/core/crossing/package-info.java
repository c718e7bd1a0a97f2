/** Flowers made ready for a cross: the steps, when each is due, and which visit takes it. */
@NullMarked
package org.evenhand.core.crossing;

import org.jspecify.annotations.NullMarked;
