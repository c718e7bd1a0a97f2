/**
 * From the flower to the brush: {@link org.evenhand.core.pollen.FlowersToCollect} beforehand, {@link
 * org.evenhand.core.pollen.StorageHistory} for drying and storage, {@link org.evenhand.core.pollen.ViabilityCurve} for how much of it
 * is alive and how sure that is, {@link org.evenhand.core.pollen.Suspension} for crops that are injected or sprayed.
 */
@NullMarked
package org.evenhand.core.pollen;

import org.jspecify.annotations.NullMarked;
