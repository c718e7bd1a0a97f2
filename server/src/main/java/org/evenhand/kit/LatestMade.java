package org.evenhand.kit;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Future;
import java.util.function.Supplier;

/**
 * The latest of something that is made from an orchard's records and takes long to make; see {@link ShownMeanwhile}.
 *
 * @param <V> what is made, immutable
 */
public final class LatestMade<V> {
    /** One from before the latest records is looked at for so long; the hours it names are still those. */
    private static final Duration SHOWN_AT_MOST = Duration.ofMinutes(15);

    private volatile Made<V> made;
    /** Held for a moment only, while one is asked for. */
    private final Object asking = new Object();
    /** Somebody waits for it, or did. */
    private Future<?> coming;

    /**
     * One that was made, and of what.
     *
     * @param change of the orchard, noted before its records were read
     * @param now on the orchard's clock
     * @param at on the wall, when they were read
     */
    public record Made<V>(long change, Instant now, Instant at, V value) {
        /** Whether it counts all that was written down before somebody asked. */
        public boolean serves(long asked, Instant askedNow) {
            return change >= asked && now.equals(askedNow);
        }

        /** Whether too much has passed since, on the wall or on the orchard's own clock, which the demo sets. */
        boolean misleads(Instant asked, Instant askedNow) {
            return Duration.between(at, asked).compareTo(SHOWN_AT_MOST) > 0
                    || Duration.between(now, askedNow).abs().compareTo(SHOWN_AT_MOST) > 0;
        }
    }

    /** Null before the first. */
    public Made<V> made() {
        return made;
    }

    public void set(Made<V> latest) {
        made = latest;
    }

    /** The one that is being made, or is from now on. */
    Future<?> coming(Supplier<Future<?>> begin) {
        synchronized (asking) {
            if (coming == null || coming.isDone()) {
                coming = begin.get();
            }
            return coming;
        }
    }
}
