package org.evenhand.core.crop;

/**
 * What a tree of the crop can carry.
 *
 * @param fruitsPerCm2 fruits for each cm² of the trunk's cross-section
 * @param youngUntilYears years after planting until which fruit is better taken off; 0 where growers leave it
 * @param twigMm diameter of a twig that carries one fruit, mm
 * @param setShare share of pollinated flowers that set and stay, before anything is known of this orchard
 */
public record CropLoadTraits(Sourced fruitsPerCm2, Sourced youngUntilYears, Sourced twigMm, Sourced setShare) {}
