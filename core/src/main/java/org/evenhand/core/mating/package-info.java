/**
 * Who can father whom: {@link org.evenhand.core.mating.CrossCompatibility}.
 */
package org.evenhand.core.mating;
