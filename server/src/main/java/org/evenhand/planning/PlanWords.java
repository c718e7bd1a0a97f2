package org.evenhand.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.core.pollen.FlowersToGather;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;

/** A plan told: rounds with their stops and reasons, what is kept back, what is left. One use each. */
final class PlanWords {
    private final MadePlan made;
    private final PlanGround ground;
    private final CropCatalogue crops;
    private final List<List<RoundView.StopView>> stops;
    private final Map<UUID, Foreseen> byTree;
    private final Map<LotId, PlanSource> byId;

    PlanWords(MadePlan made, CropCatalogue crops, SecondVisits second) {
        this.made = made;
        this.ground = made.ground();
        this.crops = crops;
        RoundStops first = new RoundStops(made);
        this.stops = second.with(
                made,
                IntStream.range(0, made.slots().size()).mapToObj(first::of).toList());
        this.byTree = ground.byTree();
        this.byId = made.sources().stream().collect(Collectors.toMap(PlanSource::id, Function.identity()));
    }

    /** Those before a moment in which anything is done. */
    List<PlanView.Round> roundsUntil(Instant end) {
        return IntStream.range(0, made.slots().size())
                .filter(r -> made.slots().get(r).at().isBefore(end))
                .mapToObj(r -> round(made.slots().get(r), r))
                .filter(r -> !r.stops().isEmpty())
                .toList();
    }

    /** The first round in which anything is done; the first of all where nothing is. */
    int firstDone() {
        return IntStream.range(0, made.slots().size())
                .filter(r -> !stops.get(r).isEmpty())
                .findFirst()
                .orElse(0);
    }

    /** What a stop takes its pollen from. */
    String pollen(RoundPlan.Stop stop) {
        return byId.get(stop.lot()).name();
    }

    /** The stops of one round. */
    List<RoundView.StopView> stops(int round) {
        return stops.get(round);
    }

    /** Full flowers that a round's first visits are worth; the same flowers are not counted once more. */
    double expected(int round) {
        return stops.get(round).stream()
                .filter(s -> s.againOf() == null)
                .mapToDouble(RoundView.StopView::expected)
                .sum();
    }

    /** Fruits to be expected: what each stop is worth in full flowers, times the share that sets on that tree. */
    double fruits(List<RoundPlan.Stop> stops) {
        return stops.stream()
                .mapToDouble(
                        s -> s.full() * ground.budgets().get(s.tree().value()).share())
                .sum();
    }

    private PlanView.Round round(PlanSlot slot, int r) {
        List<RoundPlan.Stop> planned =
                made.plan().stops().stream().filter(s -> s.round() == r).toList();
        return new PlanView.Round(
                slot.at(),
                slot.free().until(),
                slot.why(),
                slot.most() == RoundRequest.NO_LIMIT ? null : slot.most(),
                stops.get(r).stream()
                        .filter(RoundView.StopView::givesPollen)
                        .mapToInt(RoundView.StopView::flowers)
                        .sum(),
                fruits(planned),
                collect(r),
                stops.get(r));
    }

    private static String place(TreeView t) {
        return (t.block().isEmpty() ? "" : t.block() + ", ") + "row " + t.row() + ", place " + t.position();
    }

    /** Pollen to collect first in a round. */
    List<PlanView.Collect> collect(int round) {
        PlanSlot slot = made.slots().get(round);
        List<PlanView.Collect> collect = new ArrayList<>();
        for (PlanSource source : made.sources()) {
            int doses = source.toGather() && source.round() == round
                    ? made.plan().stops().stream()
                            .filter(s -> s.lot().equals(source.id()))
                            .mapToInt(RoundPlan.Stop::flowers)
                            .sum()
                    : 0;
            if (doses > 0) {
                VarietyView v = source.variety();
                collect.add(new PlanView.Collect(
                        v.id(),
                        v.name(),
                        doses,
                        FlowersToGather.of(crops.of(ground.caller(), v.crop()), v.smallFlowers(), doses)
                                .expected(),
                        doses - takenIn(round, source.id()),
                        from(v.id(), slot.at())));
            }
        }
        return collect;
    }

    private int takenIn(int round, LotId lot) {
        return made.plan().stops().stream()
                .filter(s -> s.round() == round && s.lot().equals(lot))
                .mapToInt(RoundPlan.Stop::flowers)
                .sum();
    }

    private List<PlanView.FromTree> from(UUID variety, Instant at) {
        return ground.trees().stream()
                .filter(t -> t.tree().varietyId().equals(variety))
                .map(t -> new PlanView.FromTree(
                        t.tree().id(),
                        t.tree().name(),
                        place(t.tree()),
                        t.forecast().at(List.of(at)).get(0).giving().mean()))
                .filter(f -> f.flowers() >= PlanSlots.THERE)
                .sorted(Comparator.comparingDouble(f -> -f.flowers()))
                .toList();
    }

    /** Of the flowers that could be done until a round is over. */
    List<PlanView.Left> leftAfter(int round) {
        List<PlanView.Left> left = new ArrayList<>(made.crosses().notPossible());
        made.plan().unserved().stream()
                .map(u -> new RoundPlan.Unserved(
                        u.tree(), Math.min(u.flowers(), made.leftAfter(round, u.tree())), u.reason()))
                .filter(u -> u.flowers() > 0)
                .map(this::left)
                .forEach(left::add);
        return left;
    }

    /** Flowers that could be done in a round and are left for later ones. */
    List<RoundView.Waiting> waitingAfter(int round) {
        Map<TreeId, Integer> never = made.plan().unserved().stream()
                .collect(Collectors.toMap(RoundPlan.Unserved::tree, RoundPlan.Unserved::flowers));
        List<RoundView.Waiting> waiting = new ArrayList<>();
        byTree.values().forEach(tree -> {
            TreeId id = new TreeId(tree.tree().id());
            List<RoundPlan.Stop> later = made.plan().stops().stream()
                    .filter(s -> s.round() > round && s.tree().equals(id))
                    .toList();
            int planned = later.stream().mapToInt(RoundPlan.Stop::flowers).sum();
            int flowers = Math.min(planned, made.leftAfter(round, id) - never.getOrDefault(id, 0));
            if (flowers > 0) {
                RoundPlan.Stop next = later.get(0);
                waiting.add(new RoundView.Waiting(
                        tree.tree().id(),
                        tree.tree().name(),
                        flowers,
                        made.slots().get(next.round()).at(),
                        byId.get(next.lot()).name()));
            }
        });
        waiting.sort(Comparator.comparing(RoundView.Waiting::tree));
        return waiting;
    }

    PlanView.Left left(RoundPlan.Unserved u) {
        Foreseen tree = byTree.get(u.tree().value());
        return new PlanView.Left(
                tree.tree().id(), tree.tree().name(), u.flowers(), u.reason().name(), wouldServe(tree, u));
    }

    private String wouldServe(Foreseen tree, RoundPlan.Unserved u) {
        return switch (u.reason()) {
            case MORE_THAN_CAN_BE_DONE -> "More hours, or a second pair of hands.";
            case DOSES_RUN_OUT, NO_POLLEN, NO_LOT_THAT_SERVES -> {
                List<String> fathers = ground.varieties().values().stream()
                        .filter(v -> ground.book()
                                                .cross(tree.tree().varietyId(), v.id())
                                                .worth()
                                        >= 1
                                && !v.id().equals(tree.tree().varietyId()))
                        .map(VarietyView::name)
                        .sorted()
                        .toList();
                yield fathers.isEmpty()
                        ? "No variety of this orchard serves it; pollen from elsewhere would, where rules allow it."
                        : u.flowers() + " more doses of " + String.join(", ", fathers) + ".";
            }
        };
    }

    /** Doses of jars that wait for rounds after this one. */
    List<PlanView.Kept> keptAfter(int round) {
        return made.plan().keptBack().stream()
                .filter(k -> k.round() > round)
                .filter(k -> byId.get(k.lot()).kind() == PlanSource.Kind.JAR)
                .map(k -> new PlanView.Kept(
                        byId.get(k.lot()).name(),
                        k.doses(),
                        made.slots().get(k.round()).at(),
                        byTree.get(k.tree().value()).tree().name(),
                        "Flowers that open by then are worth more to it."))
                .toList();
    }

    /** Doses in living jars that no visit takes. */
    List<PlanView.Spare> spare() {
        Map<UUID, Integer> taken = stops.stream()
                .flatMap(List::stream)
                .filter(s -> s.lotId() != null && s.givesPollen())
                .collect(Collectors.groupingBy(
                        RoundView.StopView::lotId, Collectors.summingInt(RoundView.StopView::flowers)));
        return made.sources().stream()
                .filter(s ->
                        s.kind() == PlanSource.Kind.JAR && !s.lot().viability().spoiled())
                .map(s -> new PlanView.Spare(
                        s.lot().id(),
                        s.name(),
                        s.doses() - taken.getOrDefault(s.lot().id(), 0),
                        s.lot().viability().share()))
                .filter(s -> s.doses() > 0)
                .toList();
    }
}
