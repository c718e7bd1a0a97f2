/** What an authority allows: flowers of protected species, and pollen carried between properties. */
@ApplicationModule(
        displayName = "Permits",
        allowedDependencies = {"crop", "kit", "orchard"})
package org.evenhand.permit;

import org.springframework.modulith.ApplicationModule;
