package org.evenhand.round;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.round.LotId;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;

/** Pollen at hand or to be collected: what the planner sees, and what it is. */
record PlanSource(LotId id, LotView lot, VarietyView variety, int round, List<Double> viability, int doses) {
    boolean toCollect() {
        return lot == null;
    }

    String name() {
        return lot == null ? "fresh " + variety.name() : lot.code();
    }

    String father() {
        return lot == null ? variety.name() : lot.varietyName();
    }

    Set<UUID> fathers() {
        return lot == null
                ? Set.of(variety.id())
                : lot.fathers().stream().map(LotView.Father::varietyId).collect(Collectors.toSet());
    }
}
