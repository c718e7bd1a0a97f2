/** When the grower has time, and how he likes to work. */
@ApplicationModule(
        displayName = "Availability",
        allowedDependencies = {"kit", "mating", "orchard"})
package org.evenhand.availability;

import org.springframework.modulith.ApplicationModule;
