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
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.planning.FlowerAccount;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.pollen.FlowersToCollect;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;

/** A plan told: rounds with their stops and reasons, what is kept back, what is left. One use each. */
final class PlanWords {

    private final PreparedPlan made;
    private final PlanningContext ground;
    private final List<List<RoundView.StopView>> stops;
    private final Map<UUID, Foreseen> byTree;
    private final Map<LotId, PollenOption> byId;

    PlanWords(PreparedPlan made) {
        this.made = made;
        this.ground = made.ground();
        RoundStops told = new RoundStops(made);
        this.stops = IntStream.range(0, made.slots().size()).mapToObj(told::of).toList();
        this.byTree = ground.byTree();
        this.byId = made.sources().stream().collect(Collectors.toMap(PollenOption::id, Function.identity()));
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

    /** What pollen is taken from. */
    Text pollen(LotId lot) {
        return byId.get(lot).text();
    }

    /** About how long a round takes: flowers at their pace, those made ready, male ones collected, and cleaning for every father. */
    private double minutes(int round, List<PlanView.Collect> collect) {
        double flowers = stops.get(round).stream()
                        .filter(s -> s.givesPollen() || s.kind().makesReady())
                        .mapToDouble(s -> s.flowers() * ground.effort(s.crop()))
                        .sum()
                + collect.stream().mapToInt(PlanView.Collect::flowers).sum();
        long fathers = stops.get(round).stream()
                .filter(RoundView.StopView::givesPollen)
                .map(RoundView.StopView::pollenParent)
                .distinct()
                .count();
        return 60.0
                * (flowers + fathers * ground.cleaning())
                / ground.settings().flowersPerHour();
    }

    /** The stops of one round. */
    List<RoundView.StopView> stops(int round) {
        return stops.get(round);
    }

    /** Full flowers that a round is worth. */
    double expected(int round) {
        return stops.get(round).stream()
                .mapToDouble(RoundView.StopView::expected)
                .sum();
    }

    private PlanView.Round round(VisitWindow slot, int r) {
        List<RoundPlan.Stop> planned =
                made.plan().stops().stream().filter(s -> s.round() == r).toList();
        List<PlanView.Collect> collect = collect(r);
        return new PlanView.Round(
                slot.at(),
                Rhythm.workday(slot.at(), ground.zone()),
                slot.free().until(),
                slot.why(),
                slot.most() == RoundRequest.NO_LIMIT ? null : slot.most(),
                stops.get(r).stream()
                        .filter(RoundView.StopView::givesPollen)
                        .mapToInt(RoundView.StopView::flowers)
                        .sum(),
                made.fruits(planned),
                minutes(r, collect),
                crops(r),
                collect,
                stops.get(r));
    }

    private List<String> crops(int round) {
        return stops.get(round).stream()
                .map(s -> byTree.get(s.treeId()).sheet().name())
                .distinct()
                .sorted()
                .toList();
    }

    private static Text place(TreeView t) {
        return Text.of(
                "tree.place",
                "inBlock",
                t.block().isEmpty() ? "no" : "yes",
                "block",
                t.block(),
                "row",
                t.row(),
                "position",
                t.position());
    }

    /** Pollen to collect first in a round. */
    List<PlanView.Collect> collect(int round) {
        List<PlanView.Collect> collect = new ArrayList<>();
        for (PollenOption source : made.sources()) {
            int doses = source.toCollect() && source.round() == round
                    ? made.plan().stops().stream()
                            .filter(s -> s.lot().equals(source.id()))
                            .mapToInt(RoundPlan.Stop::flowers)
                            .sum()
                    : 0;
            if (doses > 0) {
                VarietyView v = source.variety();
                FlowersToCollect flowersToCollect = FlowersToCollect.of(source.dosesPerFlower(), doses);
                collect.add(new PlanView.Collect(
                        v.id(),
                        v.name(),
                        v.crop(),
                        doses,
                        flowersToCollect.expected(),
                        flowersToCollect.dosesPerFlower(),
                        doses - takenIn(round, source.id()),
                        from(v.id(), round)));
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

    private List<PlanView.FromTree> from(UUID variety, int round) {
        Instant at = made.slots().get(round).at();
        CollectedFlowers collected = ground.collected();
        return ground.trees().stream()
                .filter(t -> t.tree().varietyId().equals(variety))
                .map(t -> new PlanView.FromTree(
                        t.tree().id(),
                        t.tree().name(),
                        place(t.tree()),
                        made.forecasts().atEvery(t).get(round).shedding().mean() - collected.stillShedding(t, at)))
                .filter(f -> f.flowers() >= TreeOutlook.THERE)
                .sorted(Comparator.comparingDouble(f -> -f.flowers()))
                .toList();
    }

    /** Flowers that could be done in a round and that no round serves. */
    List<PlanView.Left> lostIn(int round) {
        return with(FlowerAccount.of(made.request(), made.plan(), round).stream()
                .flatMap(a -> a.lost().stream()
                        .map(lost -> new RoundPlan.Unserved(a.tree(), lost.flowers(), lost.reason()))));
    }

    /** Of the flowers that open until a round those that no round serves. */
    List<PlanView.Left> leftUntil(int round) {
        return with(made.plan().unservedUntil(made.request(), round).stream());
    }

    private List<PlanView.Left> with(Stream<RoundPlan.Unserved> unserved) {
        return Stream.concat(made.crosses().notPossible().stream(), unserved.map(this::left))
                .toList();
    }

    /** Flowers that could be done in a round and are left for later ones. */
    List<RoundView.Waiting> waitingAfter(int round) {
        return FlowerAccount.of(made.request(), made.plan(), round).stream()
                .filter(a -> !a.later().isEmpty())
                .map(a -> {
                    TreeView tree = byTree.get(a.tree().value()).tree();
                    FlowerAccount.Planned next = a.later().get(0);
                    return new RoundView.Waiting(
                            tree.id(),
                            tree.name(),
                            a.later().stream()
                                    .mapToInt(FlowerAccount.Planned::flowers)
                                    .sum(),
                            made.slots().get(next.round()).at(),
                            byId.get(next.lot()).name());
                })
                .sorted(Comparator.comparing(RoundView.Waiting::tree))
                .toList();
    }

    PlanView.Left left(RoundPlan.Unserved u) {
        Foreseen tree = byTree.get(u.tree().value());
        return new PlanView.Left(
                tree.tree().id(), tree.tree().name(), u.flowers(), u.reason().name(), wouldServe(tree, u));
    }

    private Text wouldServe(Foreseen tree, RoundPlan.Unserved u) {
        return switch (u.reason()) {
            case RULED_OUT ->
                made.slots().stream().anyMatch(s -> ground.skipped(tree, s.at()))
                        ? Text.of("save.go", "tree", tree.tree().name())
                        : Text.of("save.warmer");
            case MORE_THAN_CAN_BE_DONE -> Text.of("save.hours");
            case DOSES_RUN_OUT, NO_POLLEN, NO_LOT_THAT_SERVES -> {
                List<String> fathers = ground.varieties().values().stream()
                        .filter(v -> ground.book()
                                                .cross(tree.tree().varietyId(), v.id())
                                                .compatibilityFactor()
                                        >= 1
                                && !v.id().equals(tree.tree().varietyId()))
                        .map(VarietyView::name)
                        .sorted()
                        .toList();
                yield fathers.isEmpty()
                        ? Text.of("save.elsewhere")
                        : Text.of("save.doses", "n", u.flowers(), "fathers", String.join(", ", fathers));
            }
        };
    }

    /** Doses of jars that wait for rounds after this one. */
    List<PlanView.Kept> keptAfter(int round) {
        return made.plan().keptBack().stream()
                .filter(k -> k.round() > round)
                .filter(k -> byId.get(k.lot()).kind() == PollenOption.Kind.JAR)
                .map(k -> new PlanView.Kept(
                        byId.get(k.lot()).name(),
                        k.doses(),
                        made.slots().get(k.round()).at(),
                        byTree.get(k.tree().value()).tree().name(),
                        "Flowers that open by then need it more."))
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
                .filter(s -> s.kind() == PollenOption.Kind.JAR
                        && !s.lot().viability().spoiled())
                .map(s -> new PlanView.Spare(
                        s.lot().id(),
                        s.name(),
                        s.doses() - taken.getOrDefault(s.lot().id(), 0),
                        s.lot().viability().share()))
                .filter(s -> s.doses() > 0 && s.viability() >= PlanConventions.POLLEN_PAST_USE)
                .toList();
    }
}
