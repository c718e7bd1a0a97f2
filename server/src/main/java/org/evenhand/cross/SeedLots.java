package org.evenhand.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.cross.NurseryCalendar;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryTask;
import org.evenhand.core.cross.SeedDemand;
import org.evenhand.core.cross.SeedLotStock;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.fruitset.Fruits;
import org.evenhand.fruitset.HarvestedSeeds;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.planning.SeedDays;
import org.evenhand.pollination.CrossFlowers;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Seeds of harvested fruit, what was done with them, and what is due. */
@Service
public class SeedLots {
    private final SeedLotRepository lots;
    private final SeedStepRepository steps;
    private final Nursery nursery;
    private final Origins origins;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final ControlledCrosses crosses;
    private final Fruits fruits;
    private final IdempotentWriter once;

    SeedLots(
            SeedLotRepository lots,
            SeedStepRepository steps,
            Nursery nursery,
            Origins origins,
            Orchards orchards,
            CropCatalogue crops,
            ControlledCrosses crosses,
            Fruits fruits,
            IdempotentWriter once) {
        this.lots = lots;
        this.steps = steps;
        this.nursery = nursery;
        this.origins = origins;
        this.orchards = orchards;
        this.crops = crops;
        this.crosses = crosses;
        this.fruits = fruits;
        this.once = once;
    }

    // --- looking ---

    @Transactional(readOnly = true)
    public SeedLotView.All all(Caller caller) {
        List<SeedLot> all = lots.findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(caller.orchardId());
        List<HarvestedSeeds> harvested = fruits.harvestedSeeds(caller);
        Names names = names(
                caller,
                Stream.concat(
                        all.stream().map(SeedLot::crossId), harvested.stream().map(HarvestedSeeds::crossId)));
        return new SeedLotView.All(views(names, all), sources(names, all, harvested));
    }

    /** Each lot over the years, the oldest in front. */
    @Transactional(readOnly = true)
    List<SeedLotView.River> rivers(Caller caller) {
        List<SeedLot> all = lots.findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(caller.orchardId());
        Map<UUID, Nursery.Written> written = nursery.of(caller, all);
        Names names = names(caller, all.stream().map(SeedLot::crossId));
        return all.stream()
                .map(lot -> river(names, lot, written.get(lot.id())))
                .sorted(Comparator.comparing(
                                (SeedLotView.River r) -> r.days().get(0).on())
                        .thenComparing(SeedLotView.River::label))
                .toList();
    }

    private SeedLotView.River river(Names names, SeedLot lot, Nursery.Written written) {
        TreeView tree = names.origins.tree(lot.treeId());
        SeedLotStock stock = written.stock(lot);
        LocalDate sown = written.sownOn().orElse(lot.harvestedOn());
        return new SeedLotView.River(
                lot.id(),
                lot.label(),
                tree.varietyName(),
                names.origins.father(names.origins.cross(lot.crossId())),
                tree.crop(),
                stock.course().stream()
                        .map(day -> new SeedLotView.Day(day.on(), alive(day.at())))
                        .toList(),
                names.today,
                stock.left() == 0
                        ? null
                        : crops.of(names.caller, tree.crop())
                                .seeds()
                                .map(traits -> SeedDemand.firstFruit(traits, sown))
                                .orElse(null));
    }

    private static List<SeedLotView.Alive> alive(Map<NurseryStage, Integer> at) {
        return Arrays.stream(NurseryStage.values())
                .filter(at::containsKey)
                .map(stage -> new SeedLotView.Alive(stage, at.get(stage)))
                .toList();
    }

    @Transactional(readOnly = true)
    public SeedLotView lot(Caller caller, UUID id) {
        return view(caller, lots.current(caller, id));
    }

    @Transactional(readOnly = true)
    List<SeedDays.Day> due(Caller caller) {
        List<SeedLot> all = lots.findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(caller.orchardId());
        if (all.isEmpty()) {
            return List.of();
        }
        Map<UUID, Nursery.Written> written = nursery.of(caller, all);
        Names names = names(caller, Stream.empty());
        List<SeedDays.Day> due = new ArrayList<>();
        for (SeedLot lot : all) {
            crops.of(caller, names.origins.tree(lot.treeId()).crop())
                    .seeds()
                    .ifPresent(traits -> tasks(names, lot, written.get(lot.id()).stock(lot), traits)
                            .forEach(t -> due.add(new SeedDays.Day(lot.id(), lot.label(), t))));
        }
        return due;
    }

    private SeedLotView view(Caller caller, SeedLot lot) {
        return views(names(caller, Stream.of(lot).map(SeedLot::crossId)), List.of(lot))
                .get(0);
    }

    private List<SeedLotView> views(Names names, List<SeedLot> of) {
        Map<UUID, Nursery.Written> written = nursery.of(names.caller, of);
        return of.stream().map(lot -> view(names, lot, written.get(lot.id()))).toList();
    }

    private SeedLotView view(Names names, SeedLot lot, Nursery.Written written) {
        TreeView tree = names.origins.tree(lot.treeId());
        Optional<CrossFlowers.Cross> cross = Optional.ofNullable(lot.crossId()).map(names.origins::cross);
        Optional<SeedTraits> traits = crops.of(names.caller, tree.crop()).seeds();
        SeedLotStock stock = written.stock(lot);
        return new SeedLotView(
                lot.id(),
                lot.label(),
                tree.id(),
                tree.name(),
                tree.varietyName(),
                lot.crossId(),
                cross.map(CrossFlowers.Cross::label).orElse(null),
                cross.map(names.origins::father).orElse(null),
                tree.crop(),
                lot.harvestedOn(),
                lot.fruits(),
                lot.seeds(),
                lot.emptySeeds(),
                lot.note(),
                Arrays.stream(NurseryStage.values())
                        .filter(stage -> stock.at(stage) > 0)
                        .map(stage -> new SeedLotView.Alive(stage, stock.at(stage)))
                        .toList(),
                stock.died(),
                stock.givenAway(),
                stock.discarded(),
                Arrays.stream(NurseryStage.values())
                        .filter(stage -> stage.hasLeaves() && stock.unnumbered(stage) > 0)
                        .map(stage -> new SeedLotView.Alive(stage, stock.unnumbered(stage)))
                        .toList(),
                written.seedlings().size(),
                traits.map(t -> tasks(names, lot, stock, t)).orElse(List.of()).stream()
                        .map(t -> view(t, names.today))
                        .toList(),
                stock.possible().stream()
                        .map(p -> new SeedLotView.Possible(p.step(), p.at().orElse(null), p.most()))
                        .toList(),
                written.steps().stream().map(SeedLots::view).toList(),
                stock.germination().stream()
                        .map(g -> new SeedLotView.Germination(g.on(), g.up(), g.sown(), g.share(), g.from(), g.until()))
                        .toList(),
                traits.filter(t -> stock.at(NurseryStage.KEPT) > 0)
                        .map(t -> lot.harvestedOn()
                                .plusMonths((long) t.keepMonths().value()))
                        .orElse(null),
                traits.map(SeedTraits::keptMoist).orElse(null),
                lot.version());
    }

    private static List<NurseryTask> tasks(Names names, SeedLot lot, SeedLotStock stock, SeedTraits traits) {
        return NurseryTask.of(stock, lot.harvestedOn(), traits, names.hemisphere);
    }

    private static SeedLotView.Task view(NurseryTask t, LocalDate today) {
        return new SeedLotView.Task(
                t.kind(),
                t.count(),
                t.from(),
                !t.from().isAfter(today),
                t.kind().step().orElse(null),
                t.kind().at().orElse(null));
    }

    private static SeedLotView.Done view(SeedStep s) {
        return new SeedLotView.Done(
                s.id(), s.kind(), s.doneOn(), s.count(), s.stage(), s.note(), s.recordedBy(), s.version());
    }

    /** What lots of a crop showed so far. */
    List<SeedLotStock> stocks(Caller caller, String crop) {
        Map<UUID, String> cropOf =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::crop));
        List<SeedLot> of = lots.findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(caller.orchardId()).stream()
                .filter(lot -> crop.equals(cropOf.get(lot.treeId())))
                .toList();
        Map<UUID, Nursery.Written> written = nursery.of(caller, of);
        return of.stream().map(lot -> written.get(lot.id()).stock(lot)).toList();
    }

    /** Harvested seeds; of those of one tree and cross the ones harvested first are in lots already. */
    private static List<SeedLotView.Source> sources(Names names, List<SeedLot> all, List<HarvestedSeeds> harvested) {
        Map<List<Object>, InLots> inLots = new HashMap<>();
        all.forEach(lot -> inLots.computeIfAbsent(
                        Arrays.asList(
                                lot.treeId(), lot.crossId(), lot.harvestedOn().getYear()),
                        k -> new InLots())
                .add(lot));
        List<SeedLotView.Source> sources = new ArrayList<>();
        for (HarvestedSeeds of : harvested) {
            InLots in = inLots.getOrDefault(
                    Arrays.asList(of.treeId(), of.crossId(), of.harvestedOn().getYear()), new InLots());
            HarvestedSeeds left = in.takenFrom(of);
            if (left.seeds() > 0) {
                sources.add(source(names, left));
            }
        }
        return sources;
    }

    /** What lots hold of harvested seeds, as far as it was not taken from a harvest yet. */
    private static final class InLots {
        private int fruits;
        private int seeds;
        private int emptySeeds;

        void add(SeedLot lot) {
            fruits += lot.fruits();
            seeds += lot.seeds();
            emptySeeds += lot.emptySeeds();
        }

        HarvestedSeeds takenFrom(HarvestedSeeds of) {
            int f = Math.min(fruits, of.fruits());
            int s = Math.min(seeds, of.seeds());
            int e = Math.min(emptySeeds, of.emptySeeds());
            fruits -= f;
            seeds -= s;
            emptySeeds -= e;
            return new HarvestedSeeds(
                    of.treeId(),
                    of.crossId(),
                    of.pollenOf(),
                    of.harvestedOn(),
                    of.fruits() - f,
                    of.seeds() - s,
                    of.emptySeeds() - e);
        }
    }

    private static SeedLotView.Source source(Names names, HarvestedSeeds of) {
        Optional<CrossFlowers.Cross> cross = Optional.ofNullable(of.crossId()).map(names.origins::cross);
        return new SeedLotView.Source(
                of.treeId(),
                names.origins.tree(of.treeId()).name(),
                of.crossId(),
                cross.map(CrossFlowers.Cross::label).orElse(null),
                cross.map(names.origins::father).orElse(null),
                of.pollenOf(),
                of.harvestedOn(),
                of.fruits(),
                of.seeds(),
                of.emptySeeds());
    }

    // --- lots ---

    public SeedLotView put(Caller caller, UUID id, SeedLotRequests.Lot request) {
        return once.write(
                lots,
                caller,
                id,
                found -> view(caller, again(caller, found, request)),
                () -> view(caller, insert(caller, id, request)));
    }

    private SeedLot again(Caller caller, SeedLot found, SeedLotRequests.Lot request) {
        if (request.version() == null) {
            if (!found.says(request)) {
                throw ConflictException.otherwise("seed lot");
            }
            return found;
        }
        return lots.correct(caller, found.id(), request.version(), lot -> {
            check(caller, request);
            lot.correct(request);
            nursery.of(caller, lot).stock(lot);
        });
    }

    private SeedLot insert(Caller caller, UUID id, SeedLotRequests.Lot request) {
        check(caller, request);
        // Of two who take a number at once the second sees the first.
        crosses.holdNumbers(caller);
        int year = request.harvestedOn().getYear();
        return lots.saveAndFlush(new SeedLot(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                lots.lastNumber(caller.orchardId(), year) + 1,
                request));
    }

    private void check(Caller caller, SeedLotRequests.Lot request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        Given.notAhead("harvestedOn", request.harvestedOn(), orchards.today(caller));
        if (request.crossId() != null) {
            CrossFlowers.Cross cross = crosses.cross(caller, request.crossId());
            if (!cross.treeId().equals(tree.id())) {
                throw new InvalidInputException(
                        "crossId", "is " + cross.label() + ", a cross of another tree than " + tree.name() + ".");
            }
        }
        int held = crops.of(caller, tree.crop())
                .cross()
                .map(c -> c.seedsHeld(request.fruits()))
                .orElse(0);
        boolean asked = request.confirmed() == null || !request.confirmed().contains(Fruits.MANY_SEEDS);
        if (held > 0 && request.seeds() + request.emptySeeds() > held && asked) {
            throw new QuestionException(
                    Fruits.MANY_SEEDS,
                    request.seeds() + request.emptySeeds() + " seeds are more than "
                            + Plural.of(request.fruits(), "fruit") + " of this crop can hold, " + held
                            + " by its crop sheet. Write it down all the same?");
        }
    }

    @Transactional
    public void voidLot(Caller caller, UUID id, VoidRequest request) {
        lots.voidOnce(caller, id, request, orchards.now(caller), lot -> {
            nursery.of(caller, lot).hanging().ifPresent(hanging -> {
                throw new InvalidInputException(
                        "reason", "does not help: " + hanging + " of this lot are written down. Remove them first.");
            });
        });
    }

    @Transactional
    void restoreLot(Caller caller, UUID id, Long version) {
        lots.restoreOnce(caller, id, version, lot -> orchards.tree(caller, lot.treeId()));
    }

    // --- steps ---

    public SeedLotView putStep(Caller caller, UUID lotId, UUID id, SeedLotRequests.Step request) {
        return once.write(
                steps,
                caller,
                id,
                found -> {
                    steps.requirePartOf(lotId, found.seedLotId(), id);
                    return view(caller, again(caller, found, request));
                },
                () -> view(caller, insert(caller, lotId, id, request)));
    }

    private SeedLot again(Caller caller, SeedStep found, SeedLotRequests.Step request) {
        SeedLot lot = lots.held(caller, found.seedLotId());
        if (request.version() == null) {
            if (!found.says(request)) {
                throw ConflictException.otherwise("step");
            }
            return lot;
        }
        steps.correct(caller, found.id(), request.version(), step -> {
            fits(caller, lot, step.id(), Optional.of(request));
            step.correct(request);
        });
        return lot;
    }

    private SeedLot insert(Caller caller, UUID lotId, UUID id, SeedLotRequests.Step request) {
        // Two who pot seedlings of one tray at once must not pot more than came up.
        SeedLot lot = lots.held(caller, lots.current(caller, lotId).id());
        fits(caller, lot, id, Optional.of(request));
        steps.saveAndFlush(new SeedStep(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                lotId,
                request));
        return lot;
    }

    /** Refuses a step, or to be without it, where the lot's other steps do not go with that. */
    private void fits(Caller caller, SeedLot lot, UUID id, Optional<SeedLotRequests.Step> request) {
        Nursery.Written written = nursery.of(caller, lot);
        List<SeedLotStock.Done> done = written.steps().stream()
                .filter(s -> !s.id().equals(id))
                .map(SeedStep::done)
                .collect(Collectors.toCollection(ArrayList::new));
        request.ifPresent(step -> {
            Given.notAhead("on", step.on(), orchards.today(caller));
            done.add(step.done());
        });
        SeedLotStock.of(lot.seeds(), lot.harvestedOn(), done, written.lives().values());
    }

    @Transactional
    public void voidStep(Caller caller, UUID lotId, UUID id, VoidRequest request) {
        steps.voidOnce(caller, id, request, orchards.now(caller), step -> {
            steps.requirePartOf(lotId, step.seedLotId(), id);
            SeedLot lot = lots.held(caller, lotId);
            try {
                fits(caller, lot, id, Optional.empty());
            } catch (InvalidInputException e) {
                throw new InvalidInputException(
                        "reason",
                        "does not help: later steps need this one. Without it, "
                                + e.problems().get(0).message());
            }
        });
    }

    @Transactional
    void restoreStep(Caller caller, UUID id, Long version) {
        steps.restoreOnce(caller, id, version, step -> {
            SeedLot lot =
                    lots.held(caller, lots.current(caller, step.seedLotId()).id());
            fits(
                    caller,
                    lot,
                    id,
                    Optional.of(new SeedLotRequests.Step(
                            step.kind(), step.doneOn(), step.count(), step.stage(), step.note(), null)));
        });
    }

    UUID lotOf(Caller caller, UUID step) {
        return steps.require(caller, step).seedLotId();
    }

    /** What lots are told with, looked up together. */
    private record Names(
            Caller caller, LocalDate today, NurseryCalendar.Hemisphere hemisphere, Origins.Found origins) {}

    /** @param crossIds whose labels and fathers are told; null among them stands for none */
    private Names names(Caller caller, Stream<UUID> crossIds) {
        return new Names(
                caller,
                orchards.today(caller),
                NurseryCalendar.Hemisphere.at(orchards.details(caller).site().latitude()),
                origins.of(caller, crossIds));
    }
}
