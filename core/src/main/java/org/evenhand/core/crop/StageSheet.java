package org.evenhand.core.crop;

import java.util.Optional;

/**
 * One stage a flower walks through.
 *
 * @param key short name used in records, unique on the sheet
 * @param name what a grower calls it
 * @param signs what one sees, in a few words
 * @param phase what the flower can do
 * @param meanHours mean hours in the stage at the sheet's reference temperature, before any waiting at the gate
 * @param shape number k of equal sub-phases; the spread of the duration is mean / √k
 * @param bbch code of the published scale of growth stages, 0 to 99, where there is one
 * @param gate the daily window for leaving, if there is one
 * @param receptivity share of full receptivity, 0 to 1; 0 for stages that take no pollen
 * @param shedding share of full shedding, 0 to 1; 0 for stages that give none
 * @param glyph how to draw it
 */
public record StageSheet(
        String key,
        String name,
        String signs,
        Phase phase,
        Sourced meanHours,
        Sourced shape,
        Optional<Sourced> bbch,
        Optional<GateRule> gate,
        Sourced receptivity,
        Sourced shedding,
        FlowerGlyph glyph) {

    public int subPhases() {
        return (int) shape.value();
    }
}
