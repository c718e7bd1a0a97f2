package org.evenhand.planning;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * The one plan of an orchard at a moment, of which every page shows a part.
 *
 * @param hours the hours at which one could go
 * @param made the plan; of an hour in which nothing can be done where there is none to go
 * @param cost fruits that people's choices cost; null where nobody chose anything
 * @param answers what was said of it already, by name
 */
record SolvedOrchard(
        PlanningContext ground,
        VisitWindows hours,
        PreparedPlan made,
        PlanWords words,
        Double cost,
        Map<String, Object> answers) {
    SolvedOrchard(PlanningContext ground, VisitWindows hours, PreparedPlan made, PlanWords words, Double cost) {
        this(ground, hours, made, words, cost, new ConcurrentHashMap<>());
    }

    /** Whether there is any hour to go in. */
    boolean anyHour() {
        return !hours.slots().isEmpty();
    }

    @SuppressWarnings("unchecked")
    <T> T once(String name, Supplier<T> tell) {
        return (T) answers.computeIfAbsent(name, n -> tell.get());
    }
}
