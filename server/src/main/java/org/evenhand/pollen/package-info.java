/** The shelf: pollen collected, kept, and drawn from by a ledger that always adds up. */
@ApplicationModule(displayName = "Pollen shelf")
package org.evenhand.pollen;

import org.springframework.modulith.ApplicationModule;
