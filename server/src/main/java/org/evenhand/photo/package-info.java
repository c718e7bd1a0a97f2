/** Pictures of what was read and checked. */
@ApplicationModule(
        displayName = "Photos",
        allowedDependencies = {"availability", "crop", "kit", "orchard"})
package org.evenhand.photo;

import org.springframework.modulith.ApplicationModule;
