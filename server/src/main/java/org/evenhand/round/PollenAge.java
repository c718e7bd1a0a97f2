package org.evenhand.round;

/** Which pollen may be used. */
public enum PollenAge {
    /** Kept pollen too, with what should be alive of it. */
    STORED,
    /** Only what was gathered within the hour. */
    SAME_HOUR
}
