/**
 * Who can father whom: {@link org.evenhand.core.mating.CrossCompatibility} for a pair, {@link
 * org.evenhand.core.mating.SelfIncompatibility} where S alleles decide, {@link org.evenhand.core.mating.Kinship} for what seedlings of
 * related parents would inherit.
 */
@NullMarked
package org.evenhand.core.mating;

import org.jspecify.annotations.NullMarked;
