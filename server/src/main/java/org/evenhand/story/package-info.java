/**
 * What happened, in order of time: everything recorded of a tree, a variety, a block, a jar, a cross or by a person, how each record came
 * to be as it is, and mending it. Finding anything by what is known of it.
 */
@ApplicationModule(displayName = "Story")
package org.evenhand.story;

import org.springframework.modulith.ApplicationModule;
