/** Crosses that are made, step by step, from the bag to the label. */
@ApplicationModule(
        displayName = "ControlledCross",
        allowedDependencies = {"crop", "kit", "mating", "orchard", "pollination"})
package org.evenhand.crossing;

import org.springframework.modulith.ApplicationModule;
