package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import org.evenhand.core.planning.FreeHours;

/** A round of the plan, with its hour. */
record VisitWindow(FreeHours.Stretch free, Instant at, String why, int most) {
    /** An hour that somebody asked for. */
    static VisitWindow asked(Instant at, Duration length, int most) {
        return new VisitWindow(new FreeHours.Stretch(at, at.plus(length)), at, "", most);
    }
}
