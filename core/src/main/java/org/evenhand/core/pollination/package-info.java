/** Giving pollen, where a flower is no single stigma. */
package org.evenhand.core.pollination;
