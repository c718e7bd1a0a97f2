package org.evenhand.kit;

/** Work that is done beside what people ask for. */
public interface Job {
    enum Kind {
        OUTCOMES,
        IMPORTS
    }

    Kind kind();

    /** How much is under way or waits, in all orchards together. */
    long waiting();
}
