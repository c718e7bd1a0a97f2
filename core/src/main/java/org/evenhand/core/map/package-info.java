/**
 * Where the trees of an orchard stand. Read {@link org.evenhand.core.map.OrchardPlane} first (degrees to metres and back), then {@link
 * org.evenhand.core.map.BlockLayout} (rows and places to metres) and {@link org.evenhand.core.map.OrchardMap}, which puts the blocks
 * where their measured trees say, and the others beside them. All lengths in metres, east and north; all directions in degrees from
 * north, turning to the east.
 */
@NullMarked
package org.evenhand.core.map;

import org.jspecify.annotations.NullMarked;
