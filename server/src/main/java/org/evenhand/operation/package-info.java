/** The machine itself: how it is, its last backup, and how phones reach it. */
@ApplicationModule(displayName = "Operation")
package org.evenhand.operation;

import org.springframework.modulith.ApplicationModule;
