package org.evenhand.planning;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.evenhand.core.planning.RoundRequest;

/**
 * The one plan of an orchard at a moment, of which every page shows a part.
 *
 * @param hours the hours at which one could go
 * @param made the plan; of an hour in which nothing can be done where there is none to go
 * @param told what was told of it already, by name
 */
record SolvedOrchard(
        PlanningContext ground, VisitWindows hours, MadePlan made, PlanWords words, Map<String, Object> told) {
    SolvedOrchard(PlanningContext ground, VisitWindows hours, MadePlan made, PlanWords words) {
        this(ground, hours, made, words, new ConcurrentHashMap<>());
    }

    /** Whether there is any hour to go in. */
    boolean anyHour() {
        return !hours.slots().isEmpty();
    }

    /** What stands for an hour where there is none: now, without limit. */
    static List<VisitWindow> now(PlanningContext ground) {
        return List.of(VisitWindow.asked(ground.now(), Duration.ofHours(1), RoundRequest.NO_LIMIT));
    }

    @SuppressWarnings("unchecked")
    <T> T once(String name, Supplier<T> tell) {
        return (T) told.computeIfAbsent(name, n -> tell.get());
    }
}
