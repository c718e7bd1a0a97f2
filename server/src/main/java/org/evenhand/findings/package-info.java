/** What the season's counts say. */
@ApplicationModule(displayName = "Findings")
package org.evenhand.findings;

import org.springframework.modulith.ApplicationModule;
