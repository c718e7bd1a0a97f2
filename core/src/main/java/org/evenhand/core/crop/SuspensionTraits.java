package org.evenhand.core.crop;

import java.util.List;
import java.util.Optional;

/**
 * How pollen is floated in sugar water and put on, for crops that are injected or sprayed.
 *
 * @param sugarPercent sugar, g in 100 ml
 * @param pollenMgPerMl pollen, mg in 1 ml
 * @param doseMl what one fruit or flower is given, ml
 * @param waste share that is lost in flask, needle or air, 0 to 1
 * @param keepsHours hours after which what is left is thrown away
 * @param notes against clogging, settling and drift
 * @param sizeWindow for figs: the size at which they take pollen
 */
public record SuspensionTraits(
        Sourced sugarPercent,
        Sourced pollenMgPerMl,
        Sourced doseMl,
        Sourced waste,
        Sourced keepsHours,
        List<String> notes,
        Optional<SizeWindow> sizeWindow) {
    public SuspensionTraits {
        notes = List.copyOf(notes);
    }

    /**
     * The diameters between which a fig takes pollen.
     *
     * @param rightFromMm smallest, mm
     * @param lateFromMm from here on too late, mm
     */
    public record SizeWindow(Sourced rightFromMm, Sourced lateFromMm) {}
}
