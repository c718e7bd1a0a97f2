package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.ForecastPoint;

/** What is foreseen of each tree at the visits of a plan; kept with the plan, as several of its pages ask for the same. */
final class VisitForecasts {
    private final List<Instant> visits;
    private final Map<OneVisit, ForecastPoint> atOne = new ConcurrentHashMap<>();
    private final Map<UUID, List<ForecastPoint>> atEvery = new ConcurrentHashMap<>();

    private record OneVisit(UUID tree, int round) {}

    /** @param visits in rising order */
    VisitForecasts(List<VisitWindow> visits) {
        this.visits = visits.stream().map(VisitWindow::at).toList();
    }

    /** At one visit: cheap where it is near, for pages that ask for the next only. */
    ForecastPoint at(Foreseen tree, int round) {
        return atOne.computeIfAbsent(
                new OneVisit(tree.tree().id(), round),
                v -> tree.forecast().at(List.of(visits.get(round))).get(0));
    }

    /** At each of the visits: all in one pass, as a pass to the last goes by the others. */
    List<ForecastPoint> atEvery(Foreseen tree) {
        return atEvery.computeIfAbsent(tree.tree().id(), id -> tree.forecast().at(visits));
    }
}
