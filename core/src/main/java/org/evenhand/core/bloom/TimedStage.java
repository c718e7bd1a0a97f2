package org.evenhand.core.bloom;

import java.util.OptionalDouble;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * A stage as the clock needs it.
 *
 * @param meanHours mean hours at the reference temperature, more than 0
 * @param subPhases number of equal sub-phases, 1 to 64
 * @param gateHalfTimeHours hours in which half of the waiting flowers leave through the open gate; absent without a gate
 */
public record TimedStage(double meanHours, int subPhases, OptionalDouble gateHalfTimeHours) {
    /** A stage or gate quicker than half a minute, or one of ten years, is a slip. */
    private static final double SHORTEST_HOURS = 0.5 / 60;

    private static final double LONGEST_HOURS = 87_600;

    public TimedStage {
        Require.within("meanHours", Require.positive("meanHours", meanHours), SHORTEST_HOURS, LONGEST_HOURS);
        Require.within("shape", subPhases, 1, 64);
        if (gateHalfTimeHours.isPresent() && !(gateHalfTimeHours.getAsDouble() > 0)) {
            throw new InvalidInputException(
                    "halfTimeMinutes", "is " + gateHalfTimeHours.getAsDouble() * 60 + "; it must be more than 0.");
        }
        gateHalfTimeHours.ifPresent(
                h -> Require.within("halfTimeMinutes", h * 60, SHORTEST_HOURS * 60, LONGEST_HOURS * 60));
    }

    boolean gated() {
        return gateHalfTimeHours.isPresent();
    }

    /** Rate of leaving one sub-phase at the reference temperature, per hour. */
    double subPhaseRate() {
        return subPhases / meanHours;
    }

    /** Rate of leaving through the open gate, per hour. */
    double gateRate() {
        return Math.log(2) / gateHalfTimeHours.orElseThrow();
    }
}
