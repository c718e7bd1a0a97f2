/** Flowers given pollen, written down one by one. */
@ApplicationModule(
        displayName = "Pollination",
        allowedDependencies = {"availability", "bloom", "crop", "kit", "mating", "orchard", "pollen"})
package org.evenhand.pollination;

import org.springframework.modulith.ApplicationModule;
