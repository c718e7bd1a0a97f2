/** Giving pollen, where a flower is no single stigma. */
@NullMarked
package org.evenhand.core.pollination;

import org.jspecify.annotations.NullMarked;
