package org.evenhand.core.pollen;

import java.time.Duration;
import org.evenhand.core.Require;
import org.evenhand.core.crop.SuspensionTraits;

/** Whether a fig can take pollen, by its size and its eye. */
public enum FigSize {
    TOO_SMALL,
    RIGHT,
    TOO_LATE;

    /** Measures from longer ago are of an earlier crop of the tree. Our convention. */
    public static final Duration SAME_CROP = Duration.ofDays(60);

    /** The colour and look of the eye (ostiole). */
    public enum Eye {
        TIGHT_GREEN,
        LOOSENING_GREEN,
        COLOURED
    }

    /**
     * A coloured eye is too late at any size; else the diameter decides, from the window's lower end up to, not including, its upper.
     *
     * @param diameterMm diameter, mm, 1 to 200
     * @throws org.evenhand.core.InvalidInputException if {@code diameterMm} is not valid
     */
    public static FigSize of(double diameterMm, Eye eye, SuspensionTraits.SizeWindow window) {
        Require.within("diameterMm", diameterMm, 1, 200);
        if (eye == Eye.COLOURED || diameterMm >= window.lateFromMm().value()) {
            return TOO_LATE;
        }
        return diameterMm < window.rightFromMm().value() ? TOO_SMALL : RIGHT;
    }
}
