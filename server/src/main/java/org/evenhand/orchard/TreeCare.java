package org.evenhand.orchard;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.RecordKind;
import org.evenhand.kit.VoidRequest;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What becomes of trees and varieties after they were entered: grafted over, merged, moved, restored. */
@Service
class TreeCare {
    private static final String OTHER_VARIETY = "other-variety";

    private final VarietyRepository varieties;
    private final TreeRepository trees;
    private final Orchards orchards;
    private final IdempotentWriter once;
    private final ApplicationEventPublisher events;
    private final EntityManager database;

    TreeCare(
            VarietyRepository varieties,
            TreeRepository trees,
            Orchards orchards,
            IdempotentWriter once,
            ApplicationEventPublisher events,
            EntityManager database) {
        this.varieties = varieties;
        this.trees = trees;
        this.orchards = orchards;
        this.once = once;
        this.events = events;
        this.database = database;
    }

    /** As {@link Orchards#put}; asks before the records of a tree count for another variety. */
    TreeView put(Caller caller, UUID id, TreeRequest request) {
        // Refused before anything is asked: nobody says yes in vain.
        TreeDetails wanted = request.details(orchards.today(caller));
        trees.find(caller, id)
                .filter(t -> !request.confirms(OTHER_VARIETY))
                .filter(t -> !t.details().varietyId().equals(wanted.varietyId()))
                .ifPresent(t -> askAboutRecords(caller, t, request.varietyId()));
        return orchards.put(caller, id, request);
    }

    private void askAboutRecords(Caller caller, Tree tree, UUID varietyId) {
        int records =
                recordsOf(tree).stream().mapToInt(RecordKind.Effect::number).sum();
        if (records == 0) {
            return;
        }
        VarietyView now = varieties.require(caller, tree.details().varietyId()).view();
        VarietyView then = varieties.require(caller, varietyId).view();
        throw new QuestionException(
                OTHER_VARIETY,
                orchards.details(caller).site().zone(),
                Text.of(
                        now.crop().equals(then.crop()) ? "asked.other-variety" : "asked.other-crop",
                        "tree",
                        tree.details().name(),
                        "records",
                        records,
                        "variety",
                        then.name()));
    }

    /** What is recorded of a tree, kind by kind. */
    List<RecordKind.Effect> recordsOf(Caller caller, UUID id) {
        return recordsOf(trees.require(caller, id));
    }

    private List<RecordKind.Effect> recordsOf(Tree tree) {
        return trees.recordsOf(tree.orchardId(), tree.id()).stream()
                .map(r -> new RecordKind.Effect(RecordKind.What.RECORDS, r.getKind(), r.getNumber()))
                .toList();
    }

    /** What names a variety, kind by kind, and would have to go first; of one that was removed, what goes back to it. */
    @Transactional(readOnly = true)
    public List<RecordKind.Effect> namedBy(Caller caller, UUID id) {
        Variety variety = varieties.require(caller, id);
        if (variety.voided()) {
            int back = goingBack(caller, variety);
            return back == 0
                    ? List.of()
                    : List.of(new RecordKind.Effect(
                            RecordKind.What.BACK, variety.view().name(), back));
        }
        return varieties.namedBy(caller.orchardId(), id).stream()
                .map(r -> new RecordKind.Effect(RecordKind.What.FIRST, r.getKind(), r.getNumber()))
                .toList();
    }

    /** Ends a tree as what it was, and begins what it is from then on, at its place. */
    TreeView graft(Caller caller, UUID id, GraftRequest request) {
        return once.write(
                trees,
                caller,
                request.treeId(),
                found -> {
                    if (!id.equals(found.graftedOnId())) {
                        throw ConflictException.otherwise("tree");
                    }
                    return orchards.tree(caller, found.id());
                },
                () -> insertGraft(caller, id, request));
    }

    private TreeView insertGraft(Caller caller, UUID id, GraftRequest r) {
        Tree stock = trees.current(caller, id);
        TreeDetails was = stock.details();
        if (was.varietyId().equals(r.varietyId())) {
            throw new InvalidInputException("varietyId", "is what the tree is already.");
        }
        stock.requireVersion("tree", r.version());
        LocalDate today = orchards.today(caller);
        if (was.stoodUntil() != null) {
            throw new InvalidInputException("on", "is given, but this tree stood until " + was.stoodUntil() + " only.");
        }
        stock.change(was.until(on(r, was, today)));
        trees.saveAndFlush(stock);
        orchards.put(
                caller,
                r.treeId(),
                new TreeRequest(r.varietyId(), r.name(), was.block(), was.row(), was.position(), r.on(), null));
        Tree grafted = trees.require(caller, r.treeId());
        grafted.graftOn(id);
        trees.saveAndFlush(grafted);
        events.publishEvent(new TreeGrafted(caller, id, grafted.id()));
        return orchards.tree(caller, grafted.id());
    }

    private static LocalDate on(GraftRequest r, TreeDetails was, LocalDate today) {
        Given.notAhead("on", r.on(), today);
        if (was.plantedOn() != null && r.on().isBefore(was.plantedOn())) {
            throw new InvalidInputException(
                    "on", "is " + r.on() + ", before " + was.name() + " was planted on " + was.plantedOn() + ".");
        }
        return r.on();
    }

    /** Makes one variety of two; whatever names the one names the other, and the one is removed. */
    @Transactional
    public VarietyView merge(Caller caller, UUID id, MergeRequest request) {
        Variety from = varieties.require(caller, id);
        Variety into = varieties.current(caller, request.into());
        VarietyView gone = from.view();
        VarietyView stays = into.view();
        if (from.voided()) {
            return stays;
        }
        if (id.equals(request.into())) {
            throw new InvalidInputException("into", "is the variety itself.");
        }
        if (!gone.crop().equals(stays.crop())) {
            throw new InvalidInputException("into", "is " + stays.name() + ", of another crop: " + stays.crop() + ".");
        }
        if (isParent(gone, request.into()) || isParent(stays, id)) {
            throw new InvalidInputException(
                    "into",
                    "is a parent, a child or a sport of the other; nobody is their own parent. Correct that first.");
        }
        from.requireVersion("variety", request.version());
        VarietiesMerged merged = new VarietiesMerged(caller, id, request.into());
        moveTrees(caller, merged);
        moveKin(caller, merged);
        events.publishEvent(merged);
        varieties.voidOnce(
                caller,
                id,
                new VoidRequest(from.version(), "the same as " + stays.name() + ", merged into it"),
                orchards.now(caller));
        // Refuses a loop, or a child older than its parent; nothing is written then.
        Pedigrees.of(orchards.varieties(caller));
        return into.view();
    }

    private static boolean isParent(VarietyView child, UUID parent) {
        Breeding b = child.breeding();
        return parent.equals(b.motherId()) || parent.equals(b.fatherId()) || parent.equals(b.sportOfId());
    }

    private void moveTrees(Caller caller, VarietiesMerged merged) {
        List<Tree> moved = new ArrayList<>();
        for (Tree tree : trees.findByOrchardIdAndVarietyId(caller.orchardId(), merged.from())) {
            tree.mergeVariety(merged.into());
            moved.add(tree);
        }
        trees.saveAllAndFlush(moved);
    }

    private void moveKin(Caller caller, VarietiesMerged merged) {
        for (Variety kin : varieties.findByOrchardIdAndVoidedAtIsNull(caller.orchardId())) {
            Breeding b = kin.breeding();
            Breeding now = new Breeding(
                    b.alleles(),
                    b.ploidy(),
                    merged.now(b.motherId()),
                    merged.now(b.fatherId()),
                    merged.now(b.sportOfId()),
                    b.raisedIn(),
                    b.smallFlowered(),
                    b.figRightFromMm(),
                    b.figLateFromMm());
            if (!kin.id().equals(merged.from()) && !now.equals(b)) {
                kin.change(now);
                varieties.saveAndFlush(kin);
            }
        }
    }

    /** Puts a removed variety back; of one that was merged what named it names it again. */
    @Transactional
    public void restoreVariety(Caller caller, UUID id, Long version) {
        // Read before it changes once more.
        ChangedTogether merge = ChangedTogether.withLatestOf(database, varieties.require(caller, id));
        varieties
                .restoreOnce(caller, id, version, variety -> {
                    VarietyView v = variety.view();
                    if (varieties.isTaken(caller.orchardId(), id, v.crop(), v.name())) {
                        throw new InvalidInputException(
                                "version", "is of '" + v.name() + "', which another variety is called by now.");
                    }
                })
                .ifPresent(variety -> events.publishEvent(new VarietiesParted(caller, id, merge, true)));
        // Refuses a loop, or a child older than its parent; nothing is written then.
        Pedigrees.of(orchards.varieties(caller));
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                Tree.class,
                trees,
                t -> t.details().varietyId(),
                (now, was) -> now.mergeVariety(was.details().varietyId()));
        parted.giveBack(Variety.class, varieties, Variety::breeding, (now, was) -> now.change(was.breeding()));
    }

    /** How many records a merge took from it, which it gets back. */
    private int goingBack(Caller caller, Variety variety) {
        VarietiesParted parted =
                new VarietiesParted(caller, variety.id(), ChangedTogether.withLatestOf(database, variety), false);
        events.publishEvent(parted);
        return parted.records();
    }
}
