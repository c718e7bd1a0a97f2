package org.evenhand.verify;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

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

    /**
     * How an answer is held against a case. Topics whose {@code expected} holds bounds instead of values judge by themselves.
     *
     * @return one line for each difference; none when the answer is right
     */
    default List<String> judge(JsonNode expected, Map<String, Object> answer, JsonNode tolerance) {
        return Comparison.differences(expected, answer, tolerance);
    }

    /** What is printed about a case whether it passes or not. */
    default List<String> report(JsonNode expected, Map<String, Object> answer) {
        return List.of();
    }
}
