/** Reading flowers and foreseeing them. */
@ApplicationModule(displayName = "Bloom")
package org.evenhand.bloom;

import org.springframework.modulith.ApplicationModule;
