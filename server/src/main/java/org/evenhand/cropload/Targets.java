package org.evenhand.cropload;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.Settings;
import org.evenhand.availability.SettingsView;
import org.evenhand.availability.Strokes;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.CropLoadTraits;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.cropload.TreeCarries;
import org.evenhand.core.findings.ShrunkenRatio;
import org.evenhand.core.statistics.BetaPosterior;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietiesMerged;
import org.evenhand.orchard.VarietiesParted;
import org.evenhand.orchard.VarietyNumbers;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How many fruits are wanted, and how many flowers that takes. */
@Service
public class Targets {
    private final FruitTargetRepository targets;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final TreeResults results;
    private final Settings settings;
    private final IdempotentWriter once;

    Targets(
            FruitTargetRepository targets,
            Orchards orchards,
            CropCatalogue crops,
            @Lazy TreeResults results,
            Settings settings,
            IdempotentWriter once) {
        this.targets = targets;
        this.orchards = orchards;
        this.crops = crops;
        this.results = results;
        this.settings = settings;
        this.once = once;
    }

    /** What is wanted of the one that stays is kept, where both had something. */
    @EventListener
    void merge(VarietiesMerged merged) {
        List<FruitTarget> all =
                targets.findByOrchardIdAndVoidedAtIsNull(merged.caller().orchardId());
        boolean had = all.stream().anyMatch(t -> merged.into().equals(t.varietyId()));
        all.stream().filter(t -> merged.from().equals(t.varietyId())).forEach(target -> {
            if (had) {
                target.voidBecause(merged.reason(), orchards.now(merged.caller()));
            } else {
                target.mergeVariety(merged.into());
            }
            targets.saveAndFlush(target);
        });
    }

    @EventListener
    void part(VarietiesParted parted) {
        parted.giveBack(
                FruitTarget.class,
                targets,
                t -> Optional.ofNullable(t.varietyId()),
                (now, was) -> now.mergeVariety(was.varietyId()));
    }

    /** What is wanted of every tree, and how many flowers that takes. */
    @Transactional(readOnly = true)
    public List<TargetView.Budget> budgets(Caller caller) {
        return new Answer(caller, settings.of(caller).useLearned()).all();
    }

    /** The same with what was learned, whether it is to be used or not. */
    @Transactional(readOnly = true)
    List<TargetView.Budget> budgetsAsLearned(Caller caller) {
        return new Answer(caller, true).all();
    }

    /** One look at what is wanted and what is there. */
    private final class Answer {
        private final Caller caller;
        private final List<TreeView> trees;
        private final LocalDate today;
        private final Map<UUID, TargetView> ofTree = new HashMap<>();
        private final Map<UUID, TargetView> ofVariety = new HashMap<>();
        private final Map<UUID, TreeResults.Result> seen;
        private final List<TreeResults.Technique> techniques;
        private final SettingsView school;
        private final boolean useLearned;
        private final Map<UUID, VarietyNumbers> numbers = new HashMap<>();

        Answer(Caller caller, boolean useLearned) {
            this.caller = caller;
            orchards.varieties(caller).forEach(v -> numbers.put(v.id(), v.numbers()));
            this.useLearned = useLearned;
            this.trees = orchards.standing(caller);
            this.today = orchards.today(caller);
            targets.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).forEach(t -> {
                if (t.treeId() != null) {
                    ofTree.put(t.treeId(), t.view());
                } else {
                    ofVariety.put(t.varietyId(), t.view());
                }
            });
            this.seen = results.of(caller).stream()
                    .collect(Collectors.toMap(TreeResults.Result::treeId, Function.identity()));
            this.techniques = results.techniques(caller);
            this.school = settings.of(caller);
        }

        List<TargetView.Budget> all() {
            // Male plants bear no fruit, so nobody is asked how many.
            return trees.stream()
                    .filter(t -> crops.of(caller, t.crop()).receives())
                    .map(this::budget)
                    .toList();
        }

        private TargetView.Budget budget(TreeView tree) {
            CropSheet sheet = crops.of(caller, tree.crop());
            TargetView own = ofTree.get(tree.id());
            TargetView target = own == null ? ofVariety.get(tree.varietyId()) : own;
            TreeCarries carries = carries(tree, sheet.load(), own);
            Integer wanted = target == null ? unasked(carries) : wanted(target, carries);
            TreeResults.Result got =
                    seen.getOrDefault(tree.id(), new TreeResults.Result(tree.id(), 0, 0, SetBelief.Seen.NOTHING));
            SetBelief learned = learned(tree, sheet);
            int confidence = target == null ? 90 : target.confidence();
            List<TargetView.Sure> sure = wanted == null ? List.of() : sure(wanted - got.taken(), learned.share());
            Integer flowers = sure.stream()
                    .filter(s -> s.confidence() == confidence)
                    .map(TargetView.Sure::flowers)
                    .findFirst()
                    .orElse(null);
            Proportion.Interval interval = learned.share().interval(0.8);
            return new TargetView.Budget(
                    tree.id(),
                    tree.name(),
                    tree.varietyId(),
                    tree.varietyName(),
                    tree.crop(),
                    target,
                    own == null && target != null,
                    ofVariety.get(tree.varietyId()),
                    wanted,
                    carries == null ? null : carries.fruits(),
                    carries != null && carries.young(),
                    got.taken(),
                    got.pending(),
                    learned.share().mean(),
                    interval.lower(),
                    interval.upper(),
                    learned.learnedFrom(),
                    flowers,
                    flowers == null ? null : Math.max(0, flowers - got.pending()),
                    sure,
                    why(tree, carries, wanted, got, learned));
        }

        /** A tree that can carry nothing gets no pollen unless fruit is asked of it; of others any number may set. */
        private static Integer unasked(TreeCarries carries) {
            return carries != null && carries.fruits() == 0 ? 0 : null;
        }

        private Integer wanted(TargetView target, TreeCarries carries) {
            if (target.priority() == 0) {
                return 0;
            }
            if (target.fruits() != null) {
                return target.fruits();
            }
            return carries == null ? null : carries.fruits();
        }

        /** What it can carry; nothing where that cannot be said. */
        private TreeCarries carries(TreeView tree, Optional<CropLoadTraits> load, TargetView own) {
            TreeCarries.Measured measured = new TreeCarries.Measured(
                    Optional.ofNullable(tree.plantedOn()),
                    Optional.ofNullable(own).map(TargetView::girthCm),
                    own == null ? List.of() : own.limbsMm());
            return load.flatMap(l -> TreeCarries.of(l, measured, today)).orElse(null);
        }

        /** What is believed of flowers on this tree; the crop sheet alone where what was learned is not to be used. */
        private SetBelief learned(TreeView tree, CropSheet sheet) {
            return useLearned
                    ? seen(tree, sheet).with(technique(tree.crop()))
                    : SetBelief.of(stated(tree, sheet), SetBelief.Seen.NOTHING, SetBelief.Seen.NOTHING);
        }

        /** The variety's own number, else the crop sheet's. */
        private Optional<Double> stated(TreeView tree, CropSheet sheet) {
            return Optional.ofNullable(numbers.get(tree.varietyId()).setShare())
                    .or(() -> sheet.setShare().map(s -> s.value()));
        }

        /** Who says so. */
        private String statedBy(TreeView tree, SetBelief belief) {
            VarietyNumbers own = numbers.get(tree.varietyId());
            if (own.setShare() != null) {
                return "as set for " + tree.varietyName() + (own.source().isEmpty() ? "" : " (" + own.source() + ")");
            }
            return belief.stated() ? "as the crop sheet says" : "a guess";
        }

        /** How the strokes that are chosen did here against all. */
        private ShrunkenRatio technique(String crop) {
            return school.strokes() == Strokes.AS_SHEET
                    ? ShrunkenRatio.NONE
                    : TreeResults.factor(techniques, crop, school.strokes());
        }

        private SetBelief seen(TreeView tree, CropSheet sheet) {
            SetBelief.Seen variety = SetBelief.Seen.NOTHING;
            SetBelief.Seen others = SetBelief.Seen.NOTHING;
            for (TreeView other : trees) {
                TreeResults.Result r = seen.get(other.id());
                if (r != null && other.crop().equals(tree.crop())) {
                    if (other.varietyId().equals(tree.varietyId())) {
                        variety = variety.plus(r.ordinary());
                    } else {
                        others = others.plus(r.ordinary());
                    }
                }
            }
            return SetBelief.of(stated(tree, sheet), variety, others);
        }

        /** None where so many fruits are out of reach. */
        private static List<TargetView.Sure> sure(int fruits, BetaPosterior belief) {
            List<TargetView.Sure> sure = new ArrayList<>();
            for (int confidence : new int[] {80, 90, 95}) {
                try {
                    sure.add(new TargetView.Sure(
                            confidence,
                            FlowerBudget.believed(Math.max(0, fruits), belief, confidence / 100.0)
                                    .flowers()));
                } catch (InvalidInputException outOfReach) {
                    return sure;
                }
            }
            return sure;
        }

        private String why(
                TreeView tree, TreeCarries carries, Integer wanted, TreeResults.Result got, SetBelief learned) {
            List<String> why = new ArrayList<>();
            if (carries != null) {
                why.add("It can carry " + carries.fruits() + ": " + carries.how() + ".");
            }
            if (wanted != null) {
                why.add(wanted + " wanted, " + got.taken() + " set already.");
            }
            if (!learned.stated()) {
                why.add(
                        "Nobody says for this crop how many flowers set: until flowers are checked here the share is unknown.");
            }
            why.add(String.format(
                    Locale.ROOT,
                    "Of pollinated flowers about %.0f %% set here, %s.",
                    100 * learned.share().mean(),
                    learned.learnedFrom() == 0
                            ? statedBy(tree, learned)
                                    + (useLearned
                                            ? "; nothing was checked here yet"
                                            : "; what was learned here is switched off")
                            : "learned from " + Plural.of(learned.learnedFrom(), "flower") + " of " + tree.crop()));
            if (got.pending() > 0) {
                why.add(Plural.of(got.pending(), "flower is", "flowers are") + " done and not yet known.");
            }
            return String.join(" ", why);
        }
    }

    public TargetView put(Caller caller, UUID id, TargetRequest request) {
        check(caller, request);
        return once.write(targets, caller, id, found -> change(found, request), () -> insert(caller, id, request));
    }

    private TargetView change(FruitTarget found, TargetRequest request) {
        if (request.version() != null) {
            found.requireVersion("target", request.version());
            found.change(request);
            targets.saveAndFlush(found);
        }
        return found.view();
    }

    private TargetView insert(Caller caller, UUID id, TargetRequest request) {
        refuseSecond(caller, request.treeId(), request.varietyId());
        return targets.saveAndFlush(new FruitTarget(
                        id,
                        caller,
                        orchards.now(caller),
                        orchards.details(caller).site().zone(),
                        request))
                .view();
    }

    private void refuseSecond(Caller caller, UUID treeId, UUID varietyId) {
        boolean there = targets.findByOrchardIdAndVoidedAtIsNull(caller.orchardId()).stream()
                .anyMatch(t -> treeId != null ? treeId.equals(t.treeId()) : varietyId.equals(t.varietyId()));
        if (there) {
            throw new InvalidInputException(
                    treeId != null ? "treeId" : "varietyId", "has a target already; change that one.");
        }
    }

    private void check(Caller caller, TargetRequest r) {
        if ((r.treeId() == null) == (r.varietyId() == null)) {
            throw new InvalidInputException("treeId", "or variety: give one of the two.");
        }
        if (r.treeId() != null) {
            orchards.tree(caller, r.treeId());
        } else {
            orchards.variety(caller, r.varietyId());
        }
        if (r.girthCm() != null && r.varietyId() != null) {
            throw new InvalidInputException("girthCm", "belongs to a tree, not to a variety.");
        }
        if (!List.of(80, 90, 95).contains(r.confidence())) {
            throw new InvalidInputException("confidence", "is " + r.confidence() + "; allowed are 80, 90 and 95.");
        }
    }

    @Transactional
    public void voidTarget(Caller caller, UUID id, VoidRequest request) {
        targets.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts a removed target back, where no other was set since. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        targets.restoreOnce(caller, id, version, target -> refuseSecond(caller, target.treeId(), target.varietyId()));
    }
}
