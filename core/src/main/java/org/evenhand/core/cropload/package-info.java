/** How much fruit a tree can carry, and how many flowers that takes. */
@NullMarked
package org.evenhand.core.cropload;

import org.jspecify.annotations.NullMarked;
