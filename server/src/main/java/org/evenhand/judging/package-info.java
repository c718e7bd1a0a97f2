/** Judging: traits of one's own, scores of varieties and seedlings, and which crosses promise most by them. */
@ApplicationModule(
        displayName = "Judging",
        allowedDependencies = {"crop", "cross", "crossing", "kit", "mating", "orchard", "pollination"})
package org.evenhand.judging;

import org.springframework.modulith.ApplicationModule;
