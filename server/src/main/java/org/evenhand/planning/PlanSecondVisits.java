package org.evenhand.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.PlanWeights;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.pollen.LotView;
import org.evenhand.pollination.PollinationView;

/**
 * Flowers outside crosses that may have pollen once more, as the planner sees them: of the same father, so that a fruit can still tell
 * him, and of jars only. Nobody collects for them.
 */
final class PlanSecondVisits {

    private static final long HALF_HOUR_S = 1800;

    private final PlanningContext ground;
    private final List<Instant> rounds;
    private final List<PollenOption> sources;
    private final Map<UUID, LotView> jars;
    private final Map<FlowerGroupId.RepeatOf, OnceMore> named = new HashMap<>();
    private final Map<Aged, List<Double>> receptive = new HashMap<>();

    /**
     * Flowers that had pollen.
     *
     * @param first their first visit
     * @param last when they had pollen for the last time
     */
    record OnceMore(PollinationView first, Instant last) {
        /**
         * Of the flowers of some visits those outside crosses; not those of a trial, which have what the lot gave them and no more.
         *
         * @param visits first ones and others
         */
        static List<OnceMore> of(List<PollinationView> firsts, List<PollinationView> visits) {
            Map<UUID, Instant> again = visits.stream()
                    .filter(p -> p.againOf() != null)
                    .collect(Collectors.toMap(
                            PollinationView::againOf, PollinationView::doneAt, (a, b) -> a.isAfter(b) ? a : b));
            return firsts.stream()
                    .filter(p -> p.crossId() == null && p.comparisonId() == null)
                    .map(p -> new OnceMore(p, again.getOrDefault(p.id(), p.doneAt())))
                    .toList();
        }
    }

    private record Aged(UUID variety, Instant then) {}

    PlanSecondVisits(PlanningContext ground, List<VisitWindow> slots, List<PollenOption> sources) {
        this.ground = ground;
        this.rounds = slots.stream().map(VisitWindow::at).toList();
        this.sources = sources;
        this.jars = ground.jars().stream().collect(Collectors.toMap(LotView::id, Function.identity()));
    }

    /** The tree with its flowers that may have pollen once more. */
    RoundRequest.Mother with(Foreseen tree, RoundRequest.Mother mother) {
        List<OpenFlowers> again = new ArrayList<>();
        for (OnceMore flowers : ground.onceMore()) {
            if (flowers.first().treeId().equals(tree.tree().id())) {
                group(tree, flowers).ifPresent(again::add);
            }
        }
        return mother.withAgain(again);
    }

    private Optional<OpenFlowers> group(Foreseen tree, OnceMore flowers) {
        List<Double> stillReceptive = stillReceptive(tree, flowers.first().doneAt());
        List<Double> receptivity = new ArrayList<>();
        for (int r = 0; r < rounds.size(); r++) {
            receptivity.add(PlanWeights.USUAL.receptiveForRepeat(flowers.last(), rounds.get(r), stillReceptive.get(r)));
        }
        Set<LotId> only = ofTheSamePollen(flowers.first());
        if (only.isEmpty() || receptivity.stream().allMatch(x -> x == 0)) {
            return Optional.empty();
        }
        FlowerGroupId.RepeatOf name = new FlowerGroupId.RepeatOf(flowers.first().id());
        named.put(name, flowers);
        double weight = ground.budgets().get(tree.tree().id()).weight();
        return Optional.of(new OpenFlowers(name, flowers.first().flowers(), weight, receptivity, Optional.of(only)));
    }

    /** To the half-hour, and once for all trees of a variety: their stigmas age alike, and a contractor has many trees. */
    private List<Double> stillReceptive(Foreseen tree, Instant doneAt) {
        Instant then = Instant.ofEpochSecond(doneAt.getEpochSecond() / HALF_HOUR_S * HALF_HOUR_S);
        return receptive.computeIfAbsent(
                new Aged(tree.tree().varietyId(), then),
                a -> rounds.stream().map(at -> tree.stillReceptive(then, at)).toList());
    }

    private Set<LotId> ofTheSamePollen(PollinationView first) {
        Set<UUID> fathers = Optional.ofNullable(jars.get(first.lotId())).stream()
                .flatMap(l -> l.fathers().stream())
                .map(LotView.Father::varietyId)
                .collect(Collectors.toSet());
        return sources.stream()
                .filter(s -> first.lotId() == null
                        ? s.kind() == PollenOption.Kind.FLOWER_TO_FLOWER
                        : s.kind() == PollenOption.Kind.JAR && s.fathers().equals(fathers))
                .map(PollenOption::id)
                .collect(Collectors.toSet());
    }

    OnceMore of(FlowerGroupId.RepeatOf group) {
        return named.get(group);
    }

    /** How many of their stigmas still take pollen in a round, 0 to 1. */
    double stillReceptive(Foreseen tree, OnceMore flowers, int round) {
        return stillReceptive(tree, flowers.first().doneAt()).get(round);
    }
}
