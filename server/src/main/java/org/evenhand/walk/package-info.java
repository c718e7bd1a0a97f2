/** The visit as it is walked, stop by stop, alone or with others. */
@ApplicationModule(
        displayName = "Walk",
        allowedDependencies = {"availability", "crop", "crossing", "kit", "orchard", "planning", "pollen", "pollination"
        })
package org.evenhand.walk;

import org.springframework.modulith.ApplicationModule;
