package org.evenhand.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardChanges;
import org.springframework.stereotype.Component;

/**
 * Solves an orchard's plan once and keeps it while all it was made from is the same: the orchard's records and the ten minutes of its
 * clock. One at a time for an orchard, outside of transactions; losing it costs time, never a right answer.
 */
@Component
class KeptPlans {
    private static final int MOST_ORCHARDS = 32;

    private final PlanMaking making;
    private final OrchardChanges changes;
    private final Cache<UUID, Place> places = Caffeine.newBuilder()
            .maximumSize(MOST_ORCHARDS)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    KeptPlans(PlanMaking making, OrchardChanges changes) {
        this.making = making;
        this.changes = changes;
    }

    /** One orchard's, whose lock is held while it is solved. */
    private static final class Place {
        private long change;
        private Instant now;
        private SolvedOrchard solved;
    }

    SolvedOrchard of(Caller caller) {
        Place place = places.get(caller.orchardId(), o -> new Place());
        synchronized (place) {
            long change = changes.of(caller.orchardId());
            Instant now = making.now(caller);
            if (place.solved == null || place.change != change || !place.now.equals(now)) {
                place.solved = solve(caller);
                place.change = change;
                place.now = now;
            }
            return place.solved;
        }
    }

    private SolvedOrchard solve(Caller caller) {
        PlanningContext ground = making.ground(caller);
        return making.solve(new VisitWindows(ground));
    }
}
