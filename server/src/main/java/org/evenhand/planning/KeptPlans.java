package org.evenhand.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import org.evenhand.core.planning.Cancellation;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardChanges;
import org.evenhand.kit.Turns;
import org.springframework.beans.factory.annotation.Value;
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

    /** A plan from before the latest records is looked at for so long; the hours it names are still those. */
    private static final Duration SHOWN_AT_MOST = Duration.ofMinutes(15);

    private final PlanMaking making;
    private final OrchardChanges changes;
    /** Solving fills a processor: more at once would only make all of them later, and leave none for who writes something down. */
    private final Turns turns = new Turns(AT_ONCE, PATIENCE);

    private final Cache<UUID, Place> places = Caffeine.newBuilder()
            .maximumSize(MOST_ORCHARDS)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    private final Duration waitsForNew;
    private final InstantSource clock;
    /** Solves for who does not wait for it; as many as have their turn at once. */
    private final ExecutorService beside = Executors.newFixedThreadPool(AT_ONCE, work -> {
        Thread thread = new Thread(work, "plans");
        thread.setDaemon(true);
        return thread;
    });

    KeptPlans(
            PlanMaking making,
            OrchardChanges changes,
            @Value("${even-hand.waits-for-new-plan}") Duration waitsForNew,
            InstantSource clock) {
        this.making = making;
        this.changes = changes;
        this.waitsForNew = waitsForNew;
        this.clock = clock;
    }

    @PreDestroy
    void stop() {
        beside.shutdownNow();
    }

    /** One orchard's, whose lock is held while it is solved. */
    private static final class Place {
        private volatile Kept kept;
        /** The change of the orchard for which it is being solved, and how to stop that. */
        private final AtomicReference<Solving> solving = new AtomicReference<>();
        /** Held for a moment only, while it is asked for. */
        private final Object comes = new Object();
        /** Somebody waits for it, or did. */
        private Future<SolvedOrchard> coming;
    }

    /**
     * A plan, and of what it was made.
     *
     * @param at when that was read
     */
    private record Kept(long change, Instant now, Instant at, SolvedOrchard solved) {
        /** Whether it counts all that was written down before somebody asked. */
        boolean serves(long asked, Instant askedNow) {
            return change >= asked && now.equals(askedNow);
        }

        /** Whether too much has passed since, on the wall or on the orchard's own clock, which the demo sets. */
        boolean misleads(Instant asked, Instant askedNow) {
            return Duration.between(at, asked).compareTo(SHOWN_AT_MOST) > 0
                    || Duration.between(now, askedNow).abs().compareTo(SHOWN_AT_MOST) > 0;
        }
    }

    /**
     * A plan to be looked at.
     *
     * @param age since it was made; null for one that counts everything written down by now
     */
    record Shown(SolvedOrchard solved, Duration age) {}

    private record Solving(long change, Cancellation cancellation) {}

    /**
     * The plan for who only looks: the new one where it comes soon, else that from before the latest records, with its age. One that is old
     * enough to mislead is never shown.
     */
    Shown shown(Caller caller) {
        Place place = places.get(caller.orchardId(), o -> new Place());
        long change = changes.of(caller.orchardId());
        Instant now = making.now(caller);
        Kept kept = place.kept;
        if (kept == null || kept.misleads(clock.instant(), now)) {
            return new Shown(of(caller), null);
        }
        if (kept.serves(change, now)) {
            return shown(kept, change, now);
        }
        try {
            coming(place, caller).get(waitsForNew.toMillis(), TimeUnit.MILLISECONDS);
            return shown(place.kept, change, now);
        } catch (TimeoutException stillSolving) {
            return shown(place.kept, change, now);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Turns.BusyException();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException failed ? failed : new IllegalStateException(e.getCause());
        }
    }

    private Shown shown(Kept kept, long change, Instant now) {
        return new Shown(kept.solved(), kept.serves(change, now) ? null : Duration.between(kept.at(), clock.instant()));
    }

    /** The one that is being solved, or is from now on. */
    private Future<SolvedOrchard> coming(Place place, Caller caller) {
        stopOlder(place, changes.of(caller.orchardId()));
        synchronized (place.comes) {
            if (place.coming == null || place.coming.isDone()) {
                place.coming = beside.submit(() -> of(caller));
            }
            return place.coming;
        }
    }

    SolvedOrchard of(Caller caller) {
        Place place = places.get(caller.orchardId(), o -> new Place());
        long asked = changes.of(caller.orchardId());
        stopOlder(place, asked);
        synchronized (place) {
            for (int stopped = 0; ; stopped++) {
                long change = changes.of(caller.orchardId());
                Instant now = making.now(caller);
                Kept kept = place.kept;
                // Of many who waited for one, each would else make another.
                if (kept != null && kept.serves(asked, now)) {
                    return kept.solved();
                }
                Solving solving = new Solving(change, new Cancellation());
                place.solving.set(stopped < MOST_STOPPED ? solving : null);
                try {
                    Instant at = clock.instant();
                    SolvedOrchard solved = solve(caller, solving.cancellation());
                    place.kept = new Kept(change, now, at, solved);
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
