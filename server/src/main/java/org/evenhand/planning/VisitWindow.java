package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import org.evenhand.core.planning.FreeHours;

/**
 * A visit that the plan may make, with its hour.
 *
 * @param free from its beginning until it ends at the latest
 * @param why what there is to do at that hour
 * @param most flowers that can be done until then
 * @param asked whether somebody asked for it, so that it is made whatever it is worth
 */
record VisitWindow(FreeHours.Stretch free, Instant at, String why, int most, boolean asked) {
    /** An hour that somebody asked for. */
    static VisitWindow asked(Instant at, Duration length, int most) {
        return new VisitWindow(new FreeHours.Stretch(at, at.plus(length)), at, "", most, true);
    }
}
