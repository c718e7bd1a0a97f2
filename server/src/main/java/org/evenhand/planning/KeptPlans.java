package org.evenhand.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicReference;
import org.evenhand.core.planning.Cancellation;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LatestMade;
import org.evenhand.kit.OrchardChanges;
import org.evenhand.kit.ShownMeanwhile;
import org.evenhand.kit.Turns;
import org.springframework.stereotype.Component;

/**
 * Solves an orchard's plan once and keeps it while all it was made from is the same: the orchard's records and the ten minutes of its
 * clock. One at a time for an orchard, outside of transactions, and stopped where the orchard has changed and somebody asks again;
 * losing it costs time, never a right answer.
 */
@Component
class KeptPlans {
    private static final int MOST_ORCHARDS = 32;

    private static final int AT_ONCE = Math.max(1, Runtime.getRuntime().availableProcessors() - 1);

    /** Where records come without end, as with a file, one plan is finished all the same. */
    private static final int MOST_STOPPED = 3;

    /** So long somebody waits for others' plans before being told to come again. */
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private final PlanMaking making;
    private final OrchardChanges changes;
    /** Solving fills a processor: more at once would only make all of them later, and leave none for who writes something down. */
    private final Turns turns = new Turns(AT_ONCE, PATIENCE);

    private final Cache<UUID, Place> places = Caffeine.newBuilder()
            .maximumSize(MOST_ORCHARDS)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    private final ShownMeanwhile meanwhile;
    private final InstantSource clock;

    KeptPlans(PlanMaking making, OrchardChanges changes, ShownMeanwhile meanwhile, InstantSource clock) {
        this.making = making;
        this.changes = changes;
        this.meanwhile = meanwhile;
        this.clock = clock;
    }

    /** One orchard's, whose lock is held while it is solved. */
    private static final class Place {
        private final LatestMade<SolvedOrchard> latest = new LatestMade<>();
        /** The change of the orchard for which it is being solved, and how to stop that. */
        private final AtomicReference<Solving> solving = new AtomicReference<>();
    }

    private record Solving(long change, Cancellation cancellation) {}

    /** The plan for who only looks. */
    ShownMeanwhile.Shown<SolvedOrchard> shown(Caller caller) {
        Place place = places.get(caller.orchardId(), o -> new Place());
        stopOlder(place, changes.of(caller.orchardId()));
        return meanwhile.shown(place.latest, caller, making.now(caller), () -> of(caller));
    }

    SolvedOrchard of(Caller caller) {
        Place place = places.get(caller.orchardId(), o -> new Place());
        long asked = changes.of(caller.orchardId());
        stopOlder(place, asked);
        synchronized (place) {
            for (int stopped = 0; ; stopped++) {
                long change = changes.of(caller.orchardId());
                Instant now = making.now(caller);
                LatestMade.Made<SolvedOrchard> made = place.latest.made();
                // Of many who waited for one, each would else make another.
                if (made != null && made.serves(asked, now)) {
                    return made.value();
                }
                Solving solving = new Solving(change, new Cancellation());
                place.solving.set(stopped < MOST_STOPPED ? solving : null);
                try {
                    Instant at = clock.instant();
                    SolvedOrchard solved = solve(caller, solving.cancellation());
                    place.latest.set(new LatestMade.Made<>(change, now, at, solved));
                    return solved;
                } catch (CancellationException newer) {
                    // The orchard has changed meanwhile: whoever waits here wants the plan of what it is now.
                    continue;
                } finally {
                    place.solving.set(null);
                }
            }
        }
    }

    /** Who asks after a change does not wait for the plan from before it. */
    private static void stopOlder(Place place, long change) {
        Solving solving = place.solving.get();
        if (solving != null && solving.change() < change) {
            solving.cancellation().cancel();
        }
    }

    private SolvedOrchard solve(Caller caller, Cancellation cancellation) {
        PlanningContext ground = making.ground(caller);
        return turns.take(() -> making.solve(new VisitWindows(ground), cancellation));
    }

    /** A plan that somebody thinks of, beside the kept one. */
    PreparedPlan trial(VisitWindows hours) {
        return turns.take(() -> making.make(hours));
    }
}
