package org.evenhand.findings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.findings.TrialAnalysis;
import org.evenhand.core.findings.TrialAnalysis.FlowerOutcome;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.fruitset.TrialLesson;
import org.evenhand.core.statistics.BlockRandomization;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.SampleSize;
import org.evenhand.core.statistics.TwoProportions;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.fruitset.FlowerOutcomes;
import org.evenhand.kit.Caller;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Comparisons and trials: drawn by lot, followed alike, judged when complete. */
@Service
public class Comparisons {

    private final ComparisonRepository comparisons;
    private final FlowerOutcomes outcomes;
    private final Pollinations pollinations;
    private final CropCatalogue crops;
    private final Orchards orchards;
    private final IdempotentWriter once;

    Comparisons(
            ComparisonRepository comparisons,
            FlowerOutcomes outcomes,
            Pollinations pollinations,
            CropCatalogue crops,
            Orchards orchards,
            IdempotentWriter once) {
        this.comparisons = comparisons;
        this.outcomes = outcomes;
        this.pollinations = pollinations;
        this.crops = crops;
        this.orchards = orchards;
        this.once = once;
    }

    /** Those that are not voided, the latest first. */
    List<ComparisonView> all(Caller caller) {
        outcomes.refresh(caller);
        return views(
                caller, comparisons.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(caller.orchardId()));
    }

    private Map<UUID, TreeView> trees(Caller caller) {
        return orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
    }

    private List<ComparisonView> views(Caller caller, List<Comparison> of) {
        List<Pollinations.Done> done = pollinations.ofComparisons(
                caller, of.stream().map(Comparison::id).toList());
        Map<UUID, FlowerOutcomes.Known> known = outcomes.known(
                caller, done.stream().map(Pollinations.Done::pollinationId).toList());
        Map<UUID, Map<Integer, UUID>> byPlace = done.stream()
                .collect(Collectors.groupingBy(
                        Pollinations.Done::comparisonId,
                        Collectors.toMap(Pollinations.Done::slot, Pollinations.Done::pollinationId)));
        Map<UUID, TreeView> trees = trees(caller);
        return of.stream()
                .map(c -> view(caller, c, byPlace.getOrDefault(c.id(), Map.of()), known, trees))
                .toList();
    }

    /** @param done pollinations by place */
    private ComparisonView view(
            Caller caller,
            Comparison c,
            Map<Integer, UUID> done,
            Map<UUID, FlowerOutcomes.Known> known,
            Map<UUID, TreeView> trees) {
        List<ComparisonView.Place> places = new ArrayList<>();
        for (int slot = 0; slot < c.slots().size(); slot++) {
            UUID pollination = done.get(slot);
            TreeView tree = trees.computeIfAbsent(c.slots().get(slot).treeId(), gone -> orchards.tree(caller, gone));
            places.add(new ComparisonView.Place(
                    slot,
                    c.tag(slot),
                    tree.id(),
                    tree.name(),
                    c.slots().get(slot).arm(),
                    pollination,
                    pollination == null ? null : outcome(known.get(pollination))));
        }
        List<TrialAnalysis.Place> outcomes = places.stream()
                .map(p -> new TrialAnalysis.Place(p.arm(), p.outcome() == null ? FlowerOutcome.WAITING : p.outcome()))
                .toList();
        Optional<TrialAnalysis> judged = TrialAnalysis.of(c.arms().size(), outcomes);
        return new ComparisonView(
                c.id(),
                c.label(),
                c.question(),
                asks(c),
                c.arms(),
                Long.toString(c.seed()),
                c.expected(),
                c.note(),
                done.size(),
                TrialAnalysis.decided(outcomes),
                judged.isPresent(),
                judged.map(j -> result(c, j, lesson(caller, c, j, trees))).orElse(null),
                places,
                c.version());
    }

    /** @param known absent where nothing is known yet */
    private static FlowerOutcome outcome(FlowerOutcomes.Known known) {
        return known == null
                ? FlowerOutcome.WAITING
                : FlowerOutcome.of(
                        known.lookedAt(), known.lookWanted(), known.set(), known.failed(), known.undecided());
    }

    private static String asks(Comparison c) {
        return switch (c.question()) {
            case NATURE -> "Does the hand add to what nature does?";
            case DESICCANT -> "Does it matter whether pollen is kept with desiccant?";
            case SECOND_VISIT -> "Does a second visit matter?";
            case FULL_COVER -> "Does covering the whole stigma matter?";
            case STAGE -> "At which stage do flowers set best?";
            case TOOL -> "Does the tool matter?";
            case OWN ->
                c.arms().stream()
                        .map(ComparisonView.Arm::name)
                        .collect(Collectors.joining(" or ", "Which is better: ", "?"));
        };
    }

    private static ComparisonView.Result result(Comparison c, TrialAnalysis judged, ComparisonView.Lesson lesson) {
        List<FindingsView.LevelView> arms = IntStream.range(0, c.arms().size())
                .mapToObj(arm ->
                        level(arm, c.arms().get(arm).name(), judged.arms().get(arm)))
                .toList();
        List<FindingsView.EstimateView> differences =
                judged.differences().stream().map(FindingsView.EstimateView::of).toList();
        return new ComparisonView.Result(
                arms,
                differences,
                differences.isEmpty()
                        ? "Of one treatment no flower is decided, so that nothing can be compared."
                        : IntStream.range(1, arms.size())
                                .mapToObj(w -> say(arms.get(w), arms.get(0), judged, w - 1))
                                .collect(Collectors.joining(" ")),
                lesson);
    }

    /** What a complete trial says of its crop's sheet; null where nothing, as where its trees are of several crops. */
    private ComparisonView.Lesson lesson(Caller caller, Comparison c, TrialAnalysis judged, Map<UUID, TreeView> trees) {
        List<String> ofCrops = c.slots().stream()
                .map(s -> trees.get(s.treeId()).crop())
                .distinct()
                .toList();
        if (ofCrops.size() > 1) {
            return null;
        }
        CropSheet sheet = crops.of(caller, ofCrops.get(0));
        List<TrialLesson.Change> changes = lesson(sheet, c, judged).changes();
        return changes.isEmpty()
                ? null
                : new ComparisonView.Lesson(
                        sheet.crop(),
                        sheet.name(),
                        changes.stream()
                                .map(n -> new ComparisonView.Change(
                                        n.number().path(),
                                        n.what(),
                                        n.number().number().value(),
                                        n.value()))
                                .toList(),
                        note(c, judged),
                        changes.stream().allMatch(TrialLesson.Change::applied));
    }

    private static TrialLesson lesson(CropSheet sheet, Comparison c, TrialAnalysis judged) {
        Map<Integer, Proportion> came = new HashMap<>();
        for (int arm = 0; arm < c.arms().size(); arm++) {
            int at = arm;
            judged.arms().get(arm).share().ifPresent(s -> came.put(at, s));
        }
        if (c.question() == ComparisonView.Question.STAGE) {
            return came.size() < c.arms().size()
                    ? new TrialLesson(List.of())
                    : TrialLesson.ofStages(
                            sheet,
                            came.entrySet().stream()
                                    .collect(Collectors.toMap(
                                            e -> c.arms().get(e.getKey()).stage(), Map.Entry::getValue)));
        }
        return came.entrySet().stream()
                .filter(e -> c.question() == ComparisonView.Question.NATURE
                        && c.arms().get(e.getKey()).treatment() == Treatment.HAND)
                .findFirst()
                .map(e -> TrialLesson.ofHand(sheet, e.getValue()))
                .orElse(new TrialLesson(List.of()));
    }

    /** Where the numbers come from. */
    private static String note(Comparison c, TrialAnalysis judged) {
        return "trial " + c.label() + ": "
                + IntStream.range(0, c.arms().size())
                        .filter(w -> judged.arms().get(w).share().isPresent())
                        .mapToObj(w -> {
                            Proportion came = judged.arms().get(w).share().orElseThrow();
                            return c.arms().get(w).name() + " " + came.successes() + " of " + came.trials();
                        })
                        .collect(Collectors.joining(", "));
    }

    /** Puts what a complete trial says into the orchard's own sheet, beside the orchard's other numbers. */
    ComparisonView apply(Caller caller, UUID id, UUID changeId) {
        Comparison c = comparisons.current(caller, id);
        outcomes.refresh(caller);
        ComparisonView view = views(caller, List.of(c)).get(0);
        if (view.result() == null || view.result().lesson() == null) {
            throw new InvalidInputException(
                    "comparison", "says nothing that stands on a crop sheet, or is not complete.");
        }
        ComparisonView.Lesson lesson = view.result().lesson();
        crops.change(
                caller,
                changeId,
                lesson.crop(),
                lesson.changes().stream()
                        .collect(Collectors.toMap(ComparisonView.Change::path, ComparisonView.Change::trial)),
                lesson.note());
        return views(caller, List.of(c)).get(0);
    }

    private static FindingsView.LevelView level(int arm, String name, TrialAnalysis.TreatmentArm came) {
        return new FindingsView.LevelView(
                Integer.toString(arm),
                name,
                came.share().map(FindingsView.SetRate::of).orElse(null),
                came.lost(),
                came.few());
    }

    private static String say(
            FindingsView.LevelView one, FindingsView.LevelView other, TrialAnalysis judged, int further) {
        TwoProportions.Estimate d = judged.differences().get(further);
        String few = one.few() || other.few() ? " Few flowers: repeat it before you rely on it." : "";
        String said = String.format(
                Locale.ROOT,
                "%s %s, %s %s: ",
                one.name(),
                FindingWords.percent(one.rate().share()),
                other.name(),
                FindingWords.percent(other.rate().share()));
        return said
                + (judged.verdict(further) == TrialAnalysis.Verdict.BETTER
                        ? one.name() + " is better, by " + FindingWords.points(d.lower()) + " to "
                                + FindingWords.points(d.upper()) + " points."
                        : judged.verdict(further) == TrialAnalysis.Verdict.WORSE
                                ? one.name() + " is worse, by " + FindingWords.points(d.upper()) + " to "
                                        + FindingWords.points(d.lower()) + " points."
                                : "no difference is shown; it lies between " + signed(d.lower()) + " and "
                                        + signed(d.upper()) + " points (exact test: p "
                                        + String.format(
                                                Locale.ROOT,
                                                "%.2f",
                                                judged.exactP().get(further)) + ").")
                + few;
    }

    private static String signed(double difference) {
        return String.format(Locale.ROOT, "%+.0f", difference * 100);
    }

    public ComparisonView put(Caller caller, UUID id, ComparisonView.Request request) {
        Comparison written = once.write(comparisons, caller, id, found -> found, () -> insert(caller, id, request));
        outcomes.refresh(caller);
        return views(caller, List.of(written)).get(0);
    }

    private Comparison insert(Caller caller, UUID id, ComparisonView.Request request) {
        List<UUID> trees = request.trees().stream().distinct().toList();
        List<String> ofCrops = trees.stream()
                .map(t -> orchards.tree(caller, t).crop())
                .distinct()
                .toList();
        if (ofCrops.size() > 1 && request.question() == ComparisonView.Question.STAGE) {
            throw new InvalidInputException(
                    "trees", "are of several crops, whose stages are not the same; choose one crop.");
        }
        List<ComparisonView.Arm> arms = TreatmentArms.of(request, crops.of(caller, ofCrops.get(0)));
        int each = Require.within("flowersEach", request.flowersEach(), trees.size(), 2000);
        comparisons.lockLabels(caller.orchardId().toString());
        String label = "K" + (comparisons.countByOrchardId(caller.orchardId()) + 1);
        // The id is random and kept, so that anybody can draw the same lot again.
        long seed = id.getLeastSignificantBits();
        return comparisons.saveAndFlush(new Comparison(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                label,
                request,
                arms,
                drawn(trees, arms.size(), each, seed),
                seed));
    }

    /** On each tree every arm as often as on the others, but for one; the lot is drawn within each tree. */
    private static List<Comparison.Slot> drawn(List<UUID> trees, int arms, int each, long seed) {
        List<Comparison.Slot> slots = new ArrayList<>();
        for (int t = 0; t < trees.size(); t++) {
            int share = each / trees.size() + (t < each % trees.size() ? 1 : 0);
            UUID tree = trees.get(t);
            BlockRandomization.blocks(arms, share, seed + t).forEach(arm -> slots.add(new Comparison.Slot(tree, arm)));
        }
        return slots;
    }

    /** Tags to print, in the order in which they are hung. */
    @Transactional(readOnly = true)
    public LabelSheet.Sheet tags(Caller caller, UUID id, LabelGrid grid, String origin) {
        Comparison c = comparisons.current(caller, id);
        Map<UUID, TreeView> trees = trees(caller);
        return LabelSheet.of(
                grid,
                IntStream.range(0, c.slots().size())
                        .mapToObj(slot -> new LabelSheet.Label(
                                c.tag(slot),
                                origin + "/findings/trials#" + c.tag(slot),
                                List.of(
                                        c.tag(slot),
                                        c.arms().get(c.slots().get(slot).arm()).name(),
                                        trees.computeIfAbsent(
                                                        c.slots().get(slot).treeId(),
                                                        gone -> orchards.tree(caller, gone))
                                                .name())))
                        .toList(),
                0);
    }

    @Transactional
    public void voidComparison(Caller caller, UUID id, VoidRequest request) {
        comparisons.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** How many flowers a difference takes to be seen. */
    ComparisonView.Size size(double one, double other, double power) {
        if (!(power >= 0.5 && power <= 0.99)) {
            throw new InvalidInputException("power", "is " + power + "; give a chance from 0.5 to 0.99.");
        }
        SampleSize size = SampleSize.of(one, other, Proportion.USUAL_CONFIDENCE, power);
        return new ComparisonView.Size(
                size.flowers(),
                size.power(),
                size.falseAlarm(),
                size.flowers() + " flowers of each treatment: if " + FindingWords.percent(one) + " set with one and "
                        + FindingWords.percent(other) + " with the other, that is seen with a chance of "
                        + FindingWords.percent(size.power())
                        + "; where there is no difference, one is seen all the same in "
                        + FindingWords.percent(size.falseAlarm()) + ".");
    }
}
