package org.evenhand.core.bloom.clock;

import java.util.OptionalDouble;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * A stage as the clock needs it.
 *
 * @param meanHours mean hours at the reference temperature, more than 0
 * @param subPhases number of equal sub-phases, 1 to 64
 * @param gateHalfTimeHours hours in which half of the waiting flowers leave through the open gate; absent without a gate
 * @param commits whether every flower of the stage leaves at the gate's next opening, however far along, unless it is too cold
 */
public record TimedStage(double meanHours, int subPhases, OptionalDouble gateHalfTimeHours, boolean commits) {
    /** Hours in which a flower that has named its opening gets to the gate once it stands open. Our convention. */
    private static final double COMMITTED_HOURS = 0.5;

    /** Share of the reference rate from which it gets there so fast; below, the colder the slower. Our convention. */
    private static final double WARM_ENOUGH = 0.5;

    /** A stage that does not name its opening. */
    public TimedStage(double meanHours, int subPhases, OptionalDouble gateHalfTimeHours) {
        this(meanHours, subPhases, gateHalfTimeHours, false);
    }

    /** A stage or gate quicker than half a minute, or one of ten years, is a slip. */
    private static final double SHORTEST_HOURS = 0.5 / 60;

    private static final double LONGEST_HOURS = 87_600;

    public TimedStage {
        Require.within("meanHours", Require.positive("meanHours", meanHours), SHORTEST_HOURS, LONGEST_HOURS);
        Require.within("shape", subPhases, 1, 64);
        if (commits && gateHalfTimeHours.isEmpty()) {
            throw new InvalidInputException("commits", "needs a gate that opens.");
        }
        if (gateHalfTimeHours.isPresent() && !(gateHalfTimeHours.getAsDouble() > 0)) {
            throw new InvalidInputException(
                    "halfTimeMinutes", "is " + gateHalfTimeHours.getAsDouble() * 60 + "; it must be more than 0.");
        }
        gateHalfTimeHours.ifPresent(
                h -> Require.within("halfTimeMinutes", h * 60, SHORTEST_HOURS * 60, LONGEST_HOURS * 60));
    }

    public boolean gated() {
        return gateHalfTimeHours.isPresent();
    }

    /** Rate of leaving one sub-phase at the reference temperature, per hour. */
    public double subPhaseRate() {
        return subPhases / meanHours;
    }

    /**
     * Rate of leaving one sub-phase while the gate stands open, per hour, where the stage names its opening.
     *
     * @param rate of development, 1 at the reference temperature
     */
    public double committedRate(double rate) {
        return subPhases / COMMITTED_HOURS * Math.min(1, Math.max(0, rate) / WARM_ENOUGH);
    }

    /** Rate of leaving through the open gate, per hour. */
    public double gateRate() {
        return Math.log(2) / gateHalfTimeHours.orElseThrow();
    }
}
