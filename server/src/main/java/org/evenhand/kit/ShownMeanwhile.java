package org.evenhand.kit;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * What takes long to make, for who only looks: the new one where it comes soon, else that from before the latest records, with its age.
 * One that is old enough to mislead is never shown.
 */
@Component
public class ShownMeanwhile {
    private final OrchardChanges changes;
    private final Duration waitsForNew;
    private final InstantSource clock;
    /** Makes it for who does not wait. What is made takes turns of its own: these only wait for them. */
    private final ExecutorService beside = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "meanwhile");
        thread.setDaemon(true);
        return thread;
    });

    ShownMeanwhile(
            OrchardChanges changes, @Value("${even-hand.waits-for-new}") Duration waitsForNew, InstantSource clock) {
        this.changes = changes;
        this.waitsForNew = waitsForNew;
        this.clock = clock;
    }

    @PreDestroy
    void stop() {
        beside.shutdownNow();
    }

    /**
     * Something to be looked at.
     *
     * @param age since it was made; null for one that counts everything written down by now
     */
    public record Shown<V>(V value, Duration age) {}

    /**
     * @param now on the orchard's clock, as far as what is made depends on it
     * @param make makes a new one and {@linkplain LatestMade#set sets} it
     */
    public <V> Shown<V> shown(LatestMade<V> latest, Caller caller, Instant now, Supplier<V> make) {
        long change = changes.of(caller.orchardId());
        LatestMade.Made<V> made = latest.made();
        if (made == null || made.misleads(clock.instant(), now)) {
            return new Shown<>(make.get(), null);
        }
        if (!made.serves(change, now)) {
            await(latest.coming(() -> beside.submit(make::get)));
            made = latest.made();
        }
        return new Shown<>(
                made.value(), made.serves(change, now) ? null : Duration.between(made.at(), clock.instant()));
    }

    private void await(Future<?> coming) {
        try {
            coming.get(waitsForNew.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException beingMade) {
            // What there is is shown meanwhile.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Turns.BusyException();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException failed ? failed : new IllegalStateException(e.getCause());
        }
    }
}
