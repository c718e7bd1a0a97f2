/** Sun and air at the orchard. */
@ApplicationModule(displayName = "Weather")
package org.evenhand.weather;

import org.springframework.modulith.ApplicationModule;
