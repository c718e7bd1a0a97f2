/** Looking for fruit: what is due, and what was found. */
@ApplicationModule(displayName = "Fruit set")
package org.evenhand.fruitset;

import org.springframework.modulith.ApplicationModule;
