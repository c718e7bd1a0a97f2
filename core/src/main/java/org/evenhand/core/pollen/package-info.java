/**
 * From the flower to the brush: {@link org.evenhand.core.pollen.FlowersToGather} beforehand, {@link
 * org.evenhand.core.pollen.PollenKeeping} for drying and storage, {@link org.evenhand.core.pollen.ViabilityCourse} for how much of it
 * is alive and how sure that is, {@link org.evenhand.core.pollen.Suspension} for crops that are injected or sprayed.
 */
package org.evenhand.core.pollen;
