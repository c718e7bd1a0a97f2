/** What every room uses: who is calling, ids, records, and how a refusal is told. Knows no room. */
@ApplicationModule(type = ApplicationModule.Type.OPEN)
package org.evenhand.kit;

import org.springframework.modulith.ApplicationModule;
