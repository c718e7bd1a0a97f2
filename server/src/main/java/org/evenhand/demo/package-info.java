/** The demo orchard: invented trees in an invented place, with a season behind it. */
@ApplicationModule(displayName = "Demo")
package org.evenhand.demo;

import org.springframework.modulith.ApplicationModule;
