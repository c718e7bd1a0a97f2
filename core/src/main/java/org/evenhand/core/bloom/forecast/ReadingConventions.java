package org.evenhand.core.bloom.forecast;

import java.time.Duration;

/** How long readings of flowers count, by our conventions. */
public final class ReadingConventions {
    /** Flowers read longer ago than this are over. */
    public static final Duration OVER_AFTER = Duration.ofDays(14);

    /** A reading is held against the one before it when that is not older than this. */
    public static final Duration HELD_AGAINST = Duration.ofDays(4);

    private ReadingConventions() {}
}
