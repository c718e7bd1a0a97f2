package org.evenhand.mating;

import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.bloom.Seasons;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.mating.PollenStoragePlan;
import org.evenhand.core.pollen.FlowersToCollect;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.Pedigrees;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Requested crosses, and the plan that gets each one's pollen from the father's season to the mother's. */
@Service
public class CrossRequests {
    private final CrossRequestRepository crossRequests;
    private final Crosses crosses;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final PollenShelf shelf;
    private final Seasons seasons;
    private final LearnedUse learned;
    private final IdempotentWriter once;

    CrossRequests(
            CrossRequestRepository crossRequests,
            Crosses crosses,
            Orchards orchards,
            CropCatalogue crops,
            PollenShelf shelf,
            Seasons seasons,
            LearnedUse learned,
            IdempotentWriter once) {
        this.crossRequests = crossRequests;
        this.crosses = crosses;
        this.orchards = orchards;
        this.crops = crops;
        this.shelf = shelf;
        this.seasons = seasons;
        this.learned = learned;
        this.once = once;
    }

    /** A pair that is wanted already, or is of one variety by now, is wanted once or not at all. */
    @EventListener
    void merge(VarietiesMerged merged) {
        List<CrossRequest> all = crossRequests.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(
                merged.caller().orchardId());
        for (CrossRequest of : all) {
            UUID mother = merged.now(of.motherId());
            UUID father = merged.now(of.fatherId());
            if (mother.equals(of.motherId()) && father.equals(of.fatherId())) {
                continue;
            }
            boolean had = all.stream()
                    .anyMatch(r -> !r.voided()
                            && r.motherId().equals(mother)
                            && r.fatherId().equals(father));
            if (had || mother.equals(father)) {
                of.voidBecause(merged.reason(), orchards.now(merged.caller()));
            } else {
                of.mergeVarieties(mother, father);
            }
            crossRequests.saveAndFlush(of);
        }
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                CrossRequest.class,
                crossRequests,
                r -> List.of(r.motherId(), r.fatherId()),
                (now, was) -> now.mergeVarieties(was.motherId(), was.fatherId()));
    }

    @Transactional(readOnly = true)
    public List<MatesView.CrossRequest> all(Caller caller) {
        List<CrossRequest> found =
                crossRequests.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId());
        if (found.isEmpty()) {
            return List.of();
        }
        Answer answer = new Answer(caller);
        return found.stream().map(answer::crossRequest).toList();
    }

    /** What is wanted, for the rooms that make it. */
    @Transactional(readOnly = true)
    public List<WantedCross> wanted(Caller caller) {
        List<CrossRequest> found =
                crossRequests.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId());
        if (found.isEmpty()) {
            return List.of();
        }
        CrossBook book = crosses.book(caller);
        Map<UUID, VarietyView> varieties = Pedigrees.byId(orchards.varieties(caller));
        return found.stream()
                .map(w -> new WantedCross(
                        w.id(),
                        w.motherId(),
                        varieties.get(w.motherId()).name(),
                        w.fatherId(),
                        varieties.get(w.fatherId()).name(),
                        flowers(caller, w, book, varieties).flowers(),
                        w.seeds(),
                        w.priority()))
                .toList();
    }

    private RequestedFlowers flowers(Caller caller, CrossRequest w, CrossBook book, Map<UUID, VarietyView> varieties) {
        return RequestedFlowers.orMost(
                new CrossRequest.Wanted(w.flowers(), w.seeds(), w.priority(), w.note()),
                crops.of(caller, varieties.get(w.motherId()).crop()),
                varieties.get(w.motherId()).numbers(),
                seen(caller, book, w.motherId(), w.fatherId()));
    }

    /** What the cross showed here, as far as that is to be reckoned with. */
    private CrossEvidence seen(Caller caller, CrossBook book, UUID mother, UUID father) {
        return learned.useLearned(caller) ? book.evidence(mother, father) : CrossEvidence.NONE;
    }

    /** The request, or "not found". */
    @Transactional(readOnly = true)
    public WantedCross wantedCross(Caller caller, UUID id) {
        return wanted(caller).stream()
                .filter(w -> w.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("wanted cross", id));
    }

    /** One look at an orchard's requests. */
    private final class Answer {
        private final Caller caller;
        private final CrossBook book;
        private final Map<UUID, VarietyView> varieties;
        private final Map<UUID, BloomProgress> courses;
        private final List<LotView> lots;
        private final Map<Instant, Map<UUID, LotView>> onDay = new HashMap<>();
        private final Instant now;
        private final ZoneId zone;

        Answer(Caller caller) {
            this.caller = caller;
            this.book = crosses.book(caller);
            this.varieties = Pedigrees.byId(orchards.varieties(caller));
            this.courses = seasons.courses(caller);
            this.now = orchards.now(caller);
            this.zone = orchards.details(caller).site().zone();
            this.lots = shelf.all(caller, now);
        }

        MatesView.CrossRequest crossRequest(CrossRequest w) {
            VarietyView father = varieties.get(w.fatherId());
            RequestedFlowers flowers = flowers(caller, w, book, varieties);
            BloomProgress sheds = courses.get(w.fatherId());
            BloomProgress receives = courses.get(w.motherId());
            PollenStoragePlan bridge = sheds == null || receives == null
                    ? null
                    : PollenStoragePlan.of(
                            crops.of(caller, father.crop()),
                            father.smallFlowers(),
                            sheds,
                            receives,
                            flowers.flowers(),
                            now.atZone(zone).toLocalDate(),
                            zone);
            return new MatesView.CrossRequest(
                    w.id(),
                    w.motherId(),
                    varieties.get(w.motherId()).name(),
                    w.fatherId(),
                    father.name(),
                    flowers.flowers(),
                    w.flowers(),
                    w.seeds(),
                    flowers.why(),
                    w.priority(),
                    w.note(),
                    MatesView.Answer.of(book.explained(w.motherId(), w.fatherId())),
                    bridge == null ? null : view(bridge),
                    missing(w),
                    jars(w, receives),
                    w.version());
        }

        private String missing(CrossRequest w) {
            return List.of(w.fatherId(), w.motherId()).stream()
                    .distinct()
                    .filter(v -> !courses.containsKey(v))
                    .map(v -> varieties.get(v).name())
                    .collect(Collectors.joining(", "));
        }

        private List<MatesView.StoredJar> jars(CrossRequest w, BloomProgress receives) {
            Instant first = receives == null
                    ? now
                    : receives.receives()
                            .map(days -> days.first().atTime(12, 0).atZone(zone).toInstant())
                            .filter(now::isBefore)
                            .orElse(now);
            Map<UUID, LotView> then = onDay.computeIfAbsent(
                    first, at -> shelf.all(caller, at).stream().collect(Collectors.toMap(LotView::id, l -> l)));
            return lots.stream()
                    .filter(l -> l.dosesLeft() > 0
                            && l.fathers().size() == 1
                            && l.fathers().get(0).varietyId().equals(w.fatherId()))
                    .map(l -> kept(l, then.get(l.id()), first))
                    .toList();
        }

        private MatesView.StoredJar kept(LotView lot, LotView then, Instant at) {
            LotView.Viability v = then.viability();
            return new MatesView.StoredJar(lot, at, v.share(), v.low(), v.high(), v.goodUntil() != null);
        }
    }

    private static MatesView.StoragePlan view(PollenStoragePlan b) {
        return new MatesView.StoragePlan(
                b.kind(),
                b.nextSeason(),
                b.fresh().map(BloomProgress.Days::first).orElse(null),
                b.fresh().map(BloomProgress.Days::last).orElse(null),
                b.collect().map(BloomProgress.Days::first).orElse(null),
                b.collect().map(BloomProgress.Days::last).orElse(null),
                b.use().map(BloomProgress.Days::first).orElse(null),
                b.use().map(BloomProgress.Days::last).orElse(null),
                b.days(),
                b.choices().stream().map(CrossRequests::keeping).toList());
    }

    private static MatesView.Keeping keeping(PollenStoragePlan.Keeping k) {
        return new MatesView.Keeping(
                k.storage(),
                k.first().share(),
                k.first().low(),
                k.first().high(),
                k.last().share(),
                k.last().low(),
                k.last().high(),
                k.useful(),
                k.doses().orElse(null),
                k.flowersToCollect().map(FlowersToCollect::sure).orElse(null));
    }

    /** Writes a request down, or changes flowers and note of one that is there. */
    public void want(Caller caller, UUID id, WantedCrossRequest request) {
        put(caller, id, request);
    }

    MatesView.CrossRequest put(Caller caller, UUID id, WantedCrossRequest request) {
        CrossRequest.Wanted wanted = wanted(request);
        return once.write(
                crossRequests,
                caller,
                id,
                found -> change(caller, found, request, wanted),
                () -> insert(caller, id, request, wanted));
    }

    /** Refuses seeds that no number of flowers gives. */
    private void check(Caller caller, CrossBook book, CrossRequest.Wanted wanted, UUID mother, UUID father) {
        VarietyView seedParent = orchards.variety(caller, mother);
        RequestedFlowers.of(
                wanted, crops.of(caller, seedParent.crop()), seedParent.numbers(), seen(caller, book, mother, father));
    }

    private static CrossRequest.Wanted wanted(WantedCrossRequest r) {
        if (r.flowers() == null && r.seeds() == null) {
            throw new InvalidInputException("flowers", "or seeds: please give one of the two.");
        }
        return new CrossRequest.Wanted(
                r.flowers(), r.seeds(), r.priority() == null ? 1 : r.priority(), Given.stripped(r.note()));
    }

    private MatesView.CrossRequest change(
            Caller caller, CrossRequest found, WantedCrossRequest request, CrossRequest.Wanted wanted) {
        if (request.version() != null) {
            found.requireVersion("wanted cross", request.version());
            check(caller, crosses.book(caller), wanted, found.motherId(), found.fatherId());
            found.change(wanted);
            crossRequests.saveAndFlush(found);
        }
        return new Answer(caller).crossRequest(found);
    }

    /** Writes several down together, all or none; one that is there under its id already stays as it is. */
    @Transactional
    public int putAll(Caller caller, ManyCrossesRequest.Wanted request) {
        int written = 0;
        List<ManyCrossesRequest.One> all = request.crosses();
        CrossBook book = crosses.book(caller);
        for (int i = 0; i < all.size(); i++) {
            ManyCrossesRequest.One one = all.get(i);
            if (crossRequests.find(caller, one.id()).isPresent()) {
                continue;
            }
            try {
                insert(
                        caller,
                        book,
                        one.id(),
                        WantedCrossRequest.ofFlowers(one.motherId(), one.fatherId(), one.flowers(), ""),
                        new CrossRequest.Wanted(one.flowers(), null, 1, ""));
            } catch (InvalidInputException e) {
                String field = "crosses[" + i + "].";
                throw new InvalidInputException(
                        e.problems().stream().map(p -> p.of(field + p.field())).toList());
            }
            written++;
        }
        return written;
    }

    /** Removes several together. */
    @Transactional
    public void voidAll(Caller caller, ManyCrossesRequest.Removal removal) {
        for (UUID id : removal.ids()) {
            VoidRequest request =
                    new VoidRequest(crossRequests.require(caller, id).version(), removal.reason());
            crossRequests.voidOnce(caller, id, request, orchards.now(caller));
        }
    }

    private MatesView.CrossRequest insert(
            Caller caller, UUID id, WantedCrossRequest request, CrossRequest.Wanted wanted) {
        return new Answer(caller).crossRequest(insert(caller, crosses.book(caller), id, request, wanted));
    }

    private CrossRequest insert(
            Caller caller, CrossBook book, UUID id, WantedCrossRequest request, CrossRequest.Wanted wanted) {
        VarietyView mother = orchards.variety(caller, request.motherId());
        VarietyView father = orchards.variety(caller, request.fatherId());
        if (!book.cross(mother.id(), father.id()).serves()) {
            throw new InvalidInputException(
                    "fatherId",
                    "is " + father.name() + ", whose pollen does not serve " + mother.name() + ": "
                            + book.explained(mother.id(), father.id()).why());
        }
        check(caller, book, wanted, mother.id(), father.id());
        boolean taken =
                crossRequests.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId()).stream()
                        .anyMatch(w ->
                                w.motherId().equals(mother.id()) && w.fatherId().equals(father.id()));
        if (taken) {
            throw new InvalidInputException("fatherId", "is wanted for this mother already; change that wanted cross.");
        }
        ZoneId zone = orchards.details(caller).site().zone();
        CrossRequest crossRequest = new CrossRequest(id, caller, orchards.now(caller), zone, mother.id(), father.id());
        crossRequest.change(wanted);
        return crossRequests.saveAndFlush(crossRequest);
    }

    @Transactional
    public void voidCrossRequest(Caller caller, UUID id, VoidRequest request) {
        crossRequests.voidOnce(caller, id, request, orchards.now(caller));
    }
}
