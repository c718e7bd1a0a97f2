/** Bringing records in from elsewhere, by the million if need be. */
@ApplicationModule(displayName = "Records")
package org.evenhand.records;

import org.springframework.modulith.ApplicationModule;
