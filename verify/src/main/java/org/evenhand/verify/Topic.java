package org.evenhand.verify;

import java.util.Map;
import java.util.Optional;

/** One kind of reference case. */
interface Topic {
    /** The topic's name in the files. */
    String name();

    /**
     * What the core answers, in the shape of the case's {@code expected}: maps, lists, numbers, text and null. Empty when the core
     * does not compute this mode of the topic.
     */
    Optional<Map<String, Object>> answer(Inputs inputs);

    /** Whether an answer may give only some of the readings under {@code expected}; one at least must be there. */
    default boolean offersSomeReadings() {
        return false;
    }
}
