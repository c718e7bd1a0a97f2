package org.evenhand.availability;

import java.time.Duration;
import java.time.Instant;

/** Which pollen may be used. */
public enum PollenAge {
    /** Kept pollen too, with what should be alive of it. */
    STORED,
    /** Only what was gathered within the hour. */
    SAME_HOUR;

    /** Whether those of this school use at a moment what was gathered at another. */
    public boolean allows(Instant collectedAt, Instant at) {
        return this == STORED || !collectedAt.isBefore(at.minus(Duration.ofHours(1)));
    }
}
