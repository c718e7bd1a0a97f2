package org.evenhand.core.fruitset;

/** What was done to flowers that are followed. */
public enum Treatment {
    /** Pollinated by hand. */
    HAND,
    /** Tagged and left to nature. */
    NATURE,
    /** Bagged against visitors and not pollinated: what sets by itself. */
    BAGGED
}
