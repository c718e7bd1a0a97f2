/** Which visits to make, what to collect for them, which pollen to which flowers. */
@ApplicationModule(
        displayName = "Planning",
        allowedDependencies = {
            "availability",
            "bloom",
            "crop",
            "cropload",
            "crossing",
            "kit",
            "mating",
            "orchard",
            "permit",
            "pollen",
            "pollination"
        })
package org.evenhand.planning;

import org.springframework.modulith.ApplicationModule;
