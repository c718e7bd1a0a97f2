package org.evenhand.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.MatingTraits;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.cross.SeedlingEvent;
import org.evenhand.core.cross.SeedlingLife;
import org.evenhand.core.cross.SeedlingNumber;
import org.evenhand.core.mating.CertainAlleles;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.mating.SelfIncompatibility;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Breeding;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.Pedigrees;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.evenhand.orchard.VarietyRequest;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollination.CrossFlowers;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Seedlings with numbers of their own: from the tray to a name, or to their end. */
@Service
public class Seedlings {
    private final Nursery nursery;
    private final Origins origins;
    private final SeedLotRepository lots;
    private final SeedlingRepository seedlings;
    private final SeedlingStepRepository steps;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final ControlledCrosses crosses;
    private final IdempotentWriter once;

    Seedlings(
            Nursery nursery,
            Origins origins,
            SeedLotRepository lots,
            SeedlingRepository seedlings,
            SeedlingStepRepository steps,
            Orchards orchards,
            CropCatalogue crops,
            ControlledCrosses crosses,
            IdempotentWriter once) {
        this.nursery = nursery;
        this.origins = origins;
        this.lots = lots;
        this.seedlings = seedlings;
        this.steps = steps;
        this.orchards = orchards;
        this.crops = crops;
        this.crosses = crosses;
        this.once = once;
    }

    /** Of two varieties entered twice that a seedling became one, the other goes on. */
    @EventListener
    void merge(VarietiesMerged merged) {
        seedlings
                .findByOrchardIdAndVarietyId(merged.caller().orchardId(), merged.from())
                .forEach(seedling -> {
                    seedling.named(merged.into());
                    seedlings.saveAndFlush(seedling);
                });
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                Seedling.class,
                seedlings,
                s -> Optional.ofNullable(s.varietyId()),
                (now, was) -> now.named(was.varietyId()));
    }

    // --- looking ---

    @Transactional(readOnly = true)
    public List<SeedlingView.Row> all(Caller caller) {
        return rows(caller, lots.findByOrchardIdAndVoidedAtIsNullOrderByYearDescNumberDesc(caller.orchardId()));
    }

    /** Some, in the order of their ids; refuses an id that is not there. */
    @Transactional(readOnly = true)
    List<SeedlingView.Row> withIds(Caller caller, List<UUID> ids) {
        List<UUID> lotIds = seedlings.findByOrchardIdAndIdIn(caller.orchardId(), ids).stream()
                .map(Seedling::seedLotId)
                .distinct()
                .toList();
        Map<UUID, SeedlingView.Row> found =
                rows(caller, lots.findByOrchardIdAndIdIn(caller.orchardId(), lotIds)).stream()
                        .collect(Collectors.toMap(SeedlingView.Row::id, Function.identity()));
        return ids.stream()
                .map(id -> Optional.ofNullable(found.get(id))
                        .orElseThrow(() -> new NotFoundException(seedlings.noun(), id)))
                .toList();
    }

    private List<SeedlingView.Row> rows(Caller caller, List<SeedLot> of) {
        Map<UUID, Nursery.Written> written = nursery.of(caller, of);
        Kin kin = new Kin(caller, of);
        return of.stream()
                .flatMap(lot -> written.get(lot.id()).lives().entrySet().stream()
                        .map(e -> row(kin, lot, written.get(lot.id()), e.getKey(), e.getValue())))
                .toList();
    }

    @Transactional(readOnly = true)
    public SeedlingView one(Caller caller, UUID id) {
        return view(caller, seedlings.current(caller, id));
    }

    /** The day after which nothing can be said of a seedling any more; empty while it is there. */
    @Transactional(readOnly = true)
    public Optional<LocalDate> endedOn(Caller caller, UUID id) {
        Seedling seedling = seedlings.current(caller, id);
        return Nursery.life(seedling, nursery.stepsOf(caller, seedling)).endedOn();
    }

    private SeedlingView view(Caller caller, Seedling seedling) {
        SeedLot lot = lots.require(caller, seedling.seedLotId());
        Nursery.Written written = nursery.of(caller, lot);
        List<SeedlingStep> happened = nursery.stepsOf(caller, seedling);
        SeedlingLife life = Nursery.life(seedling, happened);
        Kin kin = new Kin(caller, List.of(lot));
        Parents parents = kin.parents(lot);
        Optional<SelfIncompatibility> alleles = kin.alleles(parents);
        return new SeedlingView(
                row(kin, lot, written, seedling, life),
                seedling.numberedAt(),
                seedling.place(),
                seedling.note(),
                kin.inbreeding(parents),
                alleles.map(SelfIncompatibility::progeny).orElse(Map.of()).entrySet().stream()
                        .map(e -> new SeedlingView.Genotype(e.getKey().replace('/', ' '), e.getValue()))
                        .toList(),
                alleles.map(a -> CertainAlleles.of(a.progeny()).say())
                        .filter(said -> !said.isEmpty())
                        .orElse(null),
                happened.stream()
                        .map(s -> new SeedlingView.Step(
                                s.id(), s.kind(), s.doneOn(), s.place(), s.rootstock(), s.note(), s.version()))
                        .toList(),
                life.possible());
    }

    private SeedlingView.Row row(Kin kin, SeedLot lot, Nursery.Written written, Seedling seedling, SeedlingLife life) {
        Parents parents = kin.parents(lot);
        TreeView tree = kin.origins.tree(lot.treeId());
        LocalDate sown = written.sownOn().orElse(lot.harvestedOn());
        VarietyView variety =
                seedling.varietyId() == null ? null : kin.origins.varieties().get(seedling.varietyId());
        return new SeedlingView.Row(
                seedling.id(),
                seedling.label().toString(),
                lot.id(),
                lot.label(),
                tree.crop(),
                parents.motherId(),
                tree.varietyName(),
                parents.fatherId(),
                parents.father(),
                lot.crossId(),
                seedling.numberedOn(),
                life.stage(),
                life.state(),
                place(seedling, written.seedlings().getOrDefault(seedling, List.of())),
                life.first(SeedlingEvent.GRAFTED).orElse(null),
                life.first(SeedlingEvent.FRUITED).orElse(null),
                life.endedOn().orElse(null),
                kin.traitsOf(tree.crop()).flatMap(t -> life.fruitFrom(t, sown)).orElse(null),
                variety == null ? null : variety.id(),
                variety == null ? null : variety.name(),
                seedling.version());
    }

    /** Where it stands by the last that was said. */
    private static String place(Seedling seedling, List<SeedlingStep> happened) {
        String first = seedling.place().isEmpty() ? null : seedling.place();
        return happened.stream()
                .map(SeedlingStep::place)
                .filter(Objects::nonNull)
                .reduce((earlier, later) -> later)
                .orElse(first);
    }

    // --- numbers ---

    /** Gives numbers to seedlings of a lot; those whose ids have one already keep it. */
    @Transactional
    public List<SeedlingView.Row> number(Caller caller, UUID lotId, SeedlingRequests.Numbers request) {
        Given.notAhead("on", request.on(), orchards.today(caller));
        // Of two who take numbers at once the second sees the first's.
        crosses.holdNumbers(caller);
        SeedLot lot = lots.held(caller, lots.current(caller, lotId).id());
        List<UUID> open = request.ids().stream()
                .distinct()
                .filter(id -> !isThere(caller, lotId, id))
                .toList();
        if (!open.isEmpty()) {
            refuseOlderThanSeed(lot, request.on());
            SeedlingLife.of(request.at(), request.on(), List.of());
            refuseMoreThanThere(caller, lot, request, open.size());
            insert(caller, lot, open, request.start());
        }
        return rows(caller, List.of(lot)).stream()
                .filter(row -> request.ids().contains(row.id()))
                .toList();
    }

    private boolean isThere(Caller caller, UUID lotId, UUID id) {
        Optional<Seedling> found = seedlings.find(caller, id);
        found.ifPresent(s -> seedlings.requirePartOf(lotId, s.seedLotId(), id));
        if (found.isEmpty() && seedlings.existsById(id)) {
            throw new NotFoundException(seedlings.noun(), id);
        }
        return found.isPresent();
    }

    private void refuseMoreThanThere(Caller caller, SeedLot lot, SeedlingRequests.Numbers request, int more) {
        int there = nursery.of(caller, lot).stock(lot).unnumbered(request.at());
        if (more > there) {
            throw new InvalidInputException(
                    "ids",
                    "are " + more + ", but " + Plural.of(there, "seedling") + " of " + lot.label()
                            + " without a number " + (there == 1 ? "is" : "are")
                            + " there. Write down first what came up, was potted or planted.");
        }
    }

    private static void refuseOlderThanSeed(SeedLot lot, LocalDate on) {
        if (on.isBefore(lot.harvestedOn())) {
            throw new InvalidInputException(
                    "on", "is " + on + ", before its seed was harvested on " + lot.harvestedOn() + ".");
        }
    }

    private void insert(Caller caller, SeedLot lot, List<UUID> ids, Seedling.Start start) {
        String stem = lot.crossId() == null
                ? lot.label()
                : crosses.cross(caller, lot.crossId()).label();
        int last = seedlings.lastSerial(caller.orchardId(), stem);
        List<Seedling> made = new ArrayList<>();
        for (UUID id : ids) {
            last++;
            made.add(new Seedling(
                    id,
                    caller,
                    orchards.now(caller),
                    orchards.details(caller).site().zone(),
                    lot.id(),
                    new SeedlingNumber(stem, last),
                    start));
        }
        seedlings.saveAllAndFlush(made);
    }

    @Transactional
    public SeedlingView correct(Caller caller, UUID id, SeedlingRequests.Correction request) {
        Given.notAhead("on", request.on(), orchards.today(caller));
        Seedling corrected = seedlings.correct(caller, id, request.version(), seedling -> {
            SeedLot lot = lots.held(caller, seedling.seedLotId());
            refuseOlderThanSeed(lot, request.on());
            seedling.correct(request.start());
            nursery.of(caller, lot).stock(lot);
        });
        return view(caller, corrected);
    }

    @Transactional
    public void voidSeedling(Caller caller, UUID id, VoidRequest request) {
        seedlings.voidOnce(caller, id, request, orchards.now(caller), seedling -> {
            int hang = nursery.stepsOf(caller, seedling).size();
            if (hang > 0) {
                throw new InvalidInputException(
                        "reason",
                        "does not help: " + Plural.of(hang, "step") + " of " + seedling.label()
                                + " are written down. Remove them first, or write down that it was discarded.");
            }
        });
    }

    @Transactional
    public void voidAll(Caller caller, SeedlingRequests.Removal removal) {
        for (UUID id : removal.ids()) {
            voidSeedling(
                    caller, id, new VoidRequest(seedlings.require(caller, id).version(), removal.reason()));
        }
    }

    @Transactional
    void restoreSeedling(Caller caller, UUID id, Long version) {
        seedlings.restoreOnce(caller, id, version, seedling -> {
            SeedLot lot =
                    lots.held(caller, lots.current(caller, seedling.seedLotId()).id());
            if (nursery.of(caller, lot).stock(lot).unnumbered(seedling.numberedAt()) < 1) {
                throw new InvalidInputException(
                        "version", "cannot come back: every seedling of " + lot.label() + " there has a number.");
            }
        });
    }

    // --- what happens to one ---

    public SeedlingView putStep(Caller caller, UUID seedlingId, UUID id, SeedlingRequests.Step request) {
        return once.write(
                steps,
                caller,
                id,
                found -> {
                    steps.requirePartOf(seedlingId, found.seedlingId(), id);
                    return view(caller, again(caller, found, request));
                },
                () -> view(caller, insert(caller, seedlingId, id, request)));
    }

    private Seedling again(Caller caller, SeedlingStep found, SeedlingRequests.Step request) {
        Seedling seedling = seedlings.current(caller, found.seedlingId());
        if (request.version() == null) {
            if (!found.says(request)) {
                throw ConflictException.otherwise("step");
            }
            return seedling;
        }
        steps.correct(caller, found.id(), request.version(), step -> {
            check(caller, seedling, request);
            step.correct(request);
            refuseWhatDoesNotFit(caller, seedling);
        });
        return seedling;
    }

    private Seedling insert(Caller caller, UUID seedlingId, UUID id, SeedlingRequests.Step request) {
        Seedling seedling = seedlings.current(caller, seedlingId);
        check(caller, seedling, request);
        lots.held(caller, seedling.seedLotId());
        steps.saveAndFlush(new SeedlingStep(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                seedlingId,
                request));
        refuseWhatDoesNotFit(caller, seedling);
        return seedling;
    }

    private void check(Caller caller, Seedling seedling, SeedlingRequests.Step request) {
        Given.notAhead("on", request.on(), orchards.today(caller));
        if (request.event() == SeedlingEvent.GRAFTED) {
            SeedlingLife.requireOtherRoots(
                    seedling.label().toString(), Given.text("rootstock", request.rootstock(), 60));
        } else if (request.rootstockOrNone() != null) {
            throw new InvalidInputException("rootstock", "belongs to a grafting only; leave it out.");
        }
        if (request.event() == SeedlingEvent.MOVED) {
            Given.text("place", request.place(), 60);
        }
    }

    /** With what is written by now, this seedling and its lot must still be possible; else nothing is written. */
    private void refuseWhatDoesNotFit(Caller caller, Seedling seedling) {
        SeedLot lot = lots.require(caller, seedling.seedLotId());
        nursery.of(caller, lot).stock(lot);
    }

    @Transactional
    public void voidStep(Caller caller, UUID seedlingId, UUID id, VoidRequest request) {
        steps.voidOnce(
                        caller,
                        id,
                        request,
                        orchards.now(caller),
                        step -> steps.requirePartOf(seedlingId, step.seedlingId(), id))
                .ifPresent(step -> {
                    try {
                        refuseWhatDoesNotFit(caller, seedlings.require(caller, seedlingId));
                    } catch (InvalidInputException e) {
                        throw new InvalidInputException(
                                "reason",
                                "does not help: what came later needs this step. Without it, "
                                        + e.problems().get(0).message());
                    }
                });
    }

    @Transactional
    void restoreStep(Caller caller, UUID id, Long version) {
        steps.restoreOnce(caller, id, version, step -> {})
                .ifPresent(step -> refuseWhatDoesNotFit(caller, seedlings.current(caller, step.seedlingId())));
    }

    UUID seedlingOf(Caller caller, UUID step) {
        return steps.require(caller, step).seedlingId();
    }

    // --- a name ---

    /** Makes a variety of a seedling, with its parents, its year and the S alleles that are certain. */
    @Transactional
    public SeedlingView name(Caller caller, UUID id, SeedlingRequests.Name request) {
        Seedling seedling = seedlings.held(caller, seedlings.current(caller, id).id());
        SeedlingView now = view(caller, seedling);
        if (now.row().varietyId() != null) {
            if (now.row().varietyId().equals(request.varietyId())) {
                return now;
            }
            throw new InvalidInputException(
                    "name", "is given already: it is " + now.row().variety() + ".");
        }
        if (now.row().endedOn() != null) {
            throw new InvalidInputException(
                    "name", "comes too late: it left on " + now.row().endedOn() + ". Correct that first.");
        }
        SeedLot lot = lots.require(caller, seedling.seedLotId());
        boolean known = crops.of(caller, now.row().crop()).mating().alleles() != MatingTraits.Alleles.NONE;
        orchards.put(
                caller,
                request.varietyId(),
                new VarietyRequest(
                        now.row().crop(),
                        request.name(),
                        new Breeding(
                                known ? now.certainAlleles() : "",
                                null,
                                now.row().motherId(),
                                now.row().fatherId(),
                                null,
                                lot.harvestedOn().getYear(),
                                null,
                                null,
                                null),
                        null,
                        null));
        seedling.named(request.varietyId());
        return view(caller, seedlings.saveAndFlush(seedling));
    }

    /** @param fatherId null where nobody knows it, and so is his name */
    private record Parents(UUID motherId, UUID fatherId, String father) {}

    /** What is known of where seedlings come from. */
    private final class Kin {
        private final Caller caller;
        private final Origins.Found origins;
        private final Map<String, Optional<SeedTraits>> traits = new HashMap<>();

        Kin(Caller caller, List<SeedLot> of) {
            this.caller = caller;
            this.origins = Seedlings.this.origins.of(caller, of);
        }

        Parents parents(SeedLot lot) {
            CrossFlowers.Cross cross = origins.cross(lot.crossId());
            return new Parents(
                    origins.tree(lot.treeId()).varietyId(),
                    cross == null ? null : cross.fatherId(),
                    origins.father(cross));
        }

        Optional<SeedTraits> traitsOf(String crop) {
            return traits.computeIfAbsent(crop, key -> crops.of(caller, key).seeds());
        }

        /** By the pedigree; null where a parent is not known or was removed. */
        Double inbreeding(Parents of) {
            if (of.fatherId() == null || !there(of)) {
                return null;
            }
            Pedigrees pedigrees = Pedigrees.of(origins.allVarieties());
            String mother = pedigrees.name(of.motherId());
            String father = pedigrees.name(of.fatherId());
            return Kinship.among(pedigrees.pedigree(), List.of(mother, father)).ofSeedlings(mother, father);
        }

        /** Of the parents, where all their S alleles are known and matter. */
        Optional<SelfIncompatibility> alleles(Parents of) {
            if (of.fatherId() == null || !there(of)) {
                return Optional.empty();
            }
            MatingPartners partners = MatingPartners.of(origins.allVarieties(), crop -> crops.of(caller, crop));
            return partners.of(of.motherId())
                    .alleles()
                    .all()
                    .flatMap(mother -> partners.of(of.fatherId())
                            .alleles()
                            .all()
                            .map(father -> SelfIncompatibility.of(mother, father)));
        }

        private boolean there(Parents of) {
            return Stream.of(of.motherId(), of.fatherId()).allMatch(origins.varieties()::containsKey);
        }
    }
}
