package org.evenhand.round;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.pollen.FlowersToGather;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;

/** A plan told: rounds with their stops and reasons, what is kept back, what is left. One use each. */
final class PlanWords {
    private final PlanGround ground;
    private final CropCatalogue crops;
    private final List<PlanSlot> slots;
    private final List<PlanSource> sources;
    private final RoundPlan plan;
    private final Map<UUID, Foreseen> byTree;
    private final Map<LotId, PlanSource> byId;

    PlanWords(PlanGround ground, CropCatalogue crops, List<PlanSlot> slots, List<PlanSource> sources, RoundPlan plan) {
        this.ground = ground;
        this.crops = crops;
        this.slots = slots;
        this.sources = sources;
        this.plan = plan;
        this.byTree = ground.byTree();
        this.byId = sources.stream().collect(Collectors.toMap(PlanSource::id, Function.identity()));
    }

    List<PlanView.Round> rounds() {
        return IntStream.range(0, slots.size())
                .mapToObj(r -> round(slots.get(r), r))
                .toList();
    }

    /** Fruits to be expected: what each stop is worth, times the share that sets on that tree. */
    double fruits(List<RoundPlan.Stop> stops) {
        return stops.stream()
                .mapToDouble(s -> {
                    TargetView.Budget b = ground.budgets().get(s.tree().value());
                    return b.weight() > 0 ? s.expected() / b.weight() * b.share() : 0;
                })
                .sum();
    }

    private PlanView.Round round(PlanSlot slot, int r) {
        List<RoundPlan.Stop> stops =
                plan.stops().stream().filter(s -> s.round() == r).toList();
        List<PlanView.Stop> views = new ArrayList<>();
        Set<UUID> before = Set.of();
        for (RoundPlan.Stop stop : stops) {
            PlanSource source = byId.get(stop.lot());
            Foreseen tree = byTree.get(stop.tree().value());
            views.add(stop(stop, tree, source, Hygiene.between(tree.sheet(), before, source.fathers())));
            before = source.fathers();
        }
        return new PlanView.Round(
                slot.at(),
                ground.hours().told() ? slot.free().until() : null,
                slot.why(),
                slot.most() == RoundRequest.NO_LIMIT ? null : slot.most(),
                stops.stream().mapToInt(RoundPlan.Stop::flowers).sum(),
                fruits(stops),
                collect(r, slot),
                views);
    }

    private PlanView.Stop stop(RoundPlan.Stop s, Foreseen tree, PlanSource source, List<String> cleanBefore) {
        CropSheet sheet = tree.sheet();
        return new PlanView.Stop(
                tree.tree().id(),
                tree.tree().name(),
                tree.tree().varietyName(),
                tree.tree().crop(),
                place(tree.tree()),
                source.toCollect() ? null : source.lot().id(),
                source.name(),
                source.father(),
                s.flowers(),
                s.byStage().entrySet().stream()
                        .map(e -> new RoundView.StageFlowers(
                                e.getKey(),
                                e.getValue(),
                                sheet.stages()
                                        .get(sheet.indexOf(e.getKey()))
                                        .receptivity()
                                        .value()))
                        .toList(),
                s.expected(),
                source.viability().get(s.round()),
                why(s),
                s.grounds().wanted(),
                cleanBefore);
    }

    private String why(RoundPlan.Stop s) {
        String jar = s.grounds().wanted()
                ? "You chose it."
                : s.grounds()
                        .better()
                        .map(b -> byId.get(b).name() + " would be worth more here, but earns more on other trees.")
                        .orElse(
                                s.grounds().lotsThatServe() == 1
                                        ? "The only pollen there is that serves it."
                                        : "Worth the most here of "
                                                + s.grounds().lotsThatServe() + " that serve it.");
        String now = s.grounds().canWait() ? "" : " By the next round these flowers are past their best.";
        return jar + now + " " + s.cross().why();
    }

    private static String place(TreeView t) {
        return (t.block().isEmpty() ? "" : t.block() + ", ") + "row " + t.row() + ", place " + t.position();
    }

    private List<PlanView.Collect> collect(int round, PlanSlot slot) {
        List<PlanView.Collect> collect = new ArrayList<>();
        for (PlanSource source : sources) {
            int doses = source.toCollect() && source.round() == round
                    ? plan.stops().stream()
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
                        from(v.id(), slot.at())));
            }
        }
        return collect;
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

    List<PlanView.Left> left() {
        return plan.unserved().stream()
                .map(u -> {
                    Foreseen tree = byTree.get(u.tree().value());
                    return new PlanView.Left(
                            tree.tree().id(),
                            tree.tree().name(),
                            u.flowers(),
                            u.reason().name(),
                            wouldServe(tree, u));
                })
                .toList();
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

    List<PlanView.Kept> kept() {
        return plan.keptBack().stream()
                .filter(k -> !byId.get(k.lot()).toCollect())
                .map(k -> new PlanView.Kept(
                        byId.get(k.lot()).name(),
                        k.doses(),
                        slots.get(k.round()).at(),
                        byTree.get(k.tree().value()).tree().name(),
                        "Flowers that open by then are worth more to it."))
                .toList();
    }
}
