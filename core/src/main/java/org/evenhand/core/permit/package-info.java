/**
 * What an authority allows: the flowers of protected species, and pollen that is carried between properties. Whether a permit is needed is
 * the authority's to say; this room only knows which are recorded and until when they hold. Begin with {@link
 * org.evenhand.core.permit.PermitStanding}. Days are local days of the orchard, both ends included.
 */
@NullMarked
package org.evenhand.core.permit;

import org.jspecify.annotations.NullMarked;
