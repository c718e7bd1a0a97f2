package org.evenhand.core.crop;

/**
 * Hours of a day in which people work on the flowers of a crop.
 *
 * @param opens when they begin
 * @param closes when they end; before it opens by the clock: on the next day
 */
public record WorkWindow(GateRule.Edge opens, GateRule.Edge closes) {
    /** By day, for sheets that do not say; our convention. */
    static final WorkWindow DAYLIGHT = new WorkWindow(
            new GateRule.Edge(GateRule.Anchor.SUNRISE, Sourced.practice(1)),
            new GateRule.Edge(GateRule.Anchor.SUNSET, Sourced.practice(0)));
}
