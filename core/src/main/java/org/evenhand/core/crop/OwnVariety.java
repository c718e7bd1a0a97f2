package org.evenhand.core.crop;

/**
 * Whether pollen of a tree's own variety serves it.
 *
 * @param serves false when the sheet says it cannot
 * @param compatibilityFactor what a dose of it is worth against pollen of another variety, 0 to 1
 * @param why the reason, as a sentence
 */
public record OwnVariety(boolean serves, Sourced compatibilityFactor, String why) {}
