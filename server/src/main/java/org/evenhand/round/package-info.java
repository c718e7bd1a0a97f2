/** The round: planned, walked, and written down flower by flower. */
@ApplicationModule(displayName = "Round")
package org.evenhand.round;

import org.springframework.modulith.ApplicationModule;
