/** Where the trees stand: measured spots, rows of blocks, and both as GeoJSON. The map itself is made by {@code core.map}. */
@ApplicationModule(displayName = "Map")
package org.evenhand.map;

import org.springframework.modulith.ApplicationModule;
