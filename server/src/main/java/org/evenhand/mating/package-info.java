/** Mates: who can father whom, requested crosses, and how pollen gets from one season to another. */
@ApplicationModule(displayName = "Mates")
package org.evenhand.mating;

import org.springframework.modulith.ApplicationModule;
