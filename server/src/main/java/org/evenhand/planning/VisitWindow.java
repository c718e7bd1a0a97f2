package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.evenhand.core.Text;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.WorkingHours;

/**
 * A visit that the plan may make, with its hour.
 *
 * @param free from its beginning until it ends at the latest
 * @param why what there is to do at that hour
 * @param most flowers that can be done until then
 * @param asked whether somebody asked for it, so that it is made whatever it is worth
 */
record VisitWindow(WorkingHours.TimeWindow free, Instant at, List<Text> why, int most, boolean asked) {
    /** What stands for an hour where there is none to go. */
    static VisitWindow none(Instant now) {
        return new VisitWindow(
                new WorkingHours.TimeWindow(now, now.plus(Duration.ofHours(1))),
                now,
                List.of(),
                RoundRequest.NO_LIMIT,
                true);
    }
}
