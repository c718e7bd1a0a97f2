/** Seeds of harvested fruit, and what is done with them until they are trees. */
@ApplicationModule(
        displayName = "Seeds and seedlings",
        allowedDependencies = {"crop", "crossing", "fruitset", "kit", "orchard", "planning", "pollination"})
package org.evenhand.cross;

import org.springframework.modulith.ApplicationModule;
