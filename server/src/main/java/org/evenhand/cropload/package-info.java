/** How much fruit a tree is wanted to carry, and how much it has. */
@ApplicationModule(
        displayName = "Crop load",
        allowedDependencies = {"availability", "crop", "kit", "mating", "orchard"})
package org.evenhand.cropload;

import org.springframework.modulith.ApplicationModule;
