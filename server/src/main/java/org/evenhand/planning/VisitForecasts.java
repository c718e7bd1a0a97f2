package org.evenhand.planning;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.ForecastPoint;

/** What is foreseen of each tree at the visits of a plan: all of them in one pass, as a pass to the last goes by the others. */
final class VisitForecasts {
    private final List<Instant> visits;
    private final Map<UUID, List<ForecastPoint>> ofTree = new ConcurrentHashMap<>();

    /** @param visits in rising order */
    VisitForecasts(List<VisitWindow> visits) {
        this.visits = visits.stream().map(VisitWindow::at).toList();
    }

    ForecastPoint at(Foreseen tree, int round) {
        return ofTree.computeIfAbsent(tree.tree().id(), id -> tree.forecast().at(visits))
                .get(round);
    }
}
