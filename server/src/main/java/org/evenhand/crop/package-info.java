/** What a species does: hands out the crop sheets. */
@ApplicationModule(displayName = "Crop sheets")
package org.evenhand.crop;

import org.springframework.modulith.ApplicationModule;
