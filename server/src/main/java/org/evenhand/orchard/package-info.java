/** Trees, varieties, places, and the hour it is there. */
@ApplicationModule(displayName = "Orchard")
package org.evenhand.orchard;

import org.springframework.modulith.ApplicationModule;
