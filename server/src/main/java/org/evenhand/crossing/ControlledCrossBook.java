package org.evenhand.crossing;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.mating.WantedCross;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;

/** Some crosses as they stand at a moment: what was done on each, and what comes next. */
final class ControlledCrossBook {
    private final List<ControlledCross> found;
    private final Instant now;
    private final ZoneId zone;
    private final Function<UUID, TreeView> trees;
    private final Set<UUID> standing;
    private final Map<UUID, VarietyView> varieties;
    private final Function<String, CropSheet> sheets;
    private final Map<UUID, List<ControlledCrossView.Done>> done;

    /**
     * @param trees every tree of the orchard, removed ones too
     * @param standing ids of the trees that are not removed
     * @param sheets the orchard's crop sheets, by key
     * @param done what was done on each cross, the earliest first
     */
    ControlledCrossBook(
            List<ControlledCross> found,
            Instant now,
            ZoneId zone,
            Function<UUID, TreeView> trees,
            Set<UUID> standing,
            Map<UUID, VarietyView> varieties,
            Function<String, CropSheet> sheets,
            Map<UUID, List<ControlledCrossView.Done>> done) {
        this.found = List.copyOf(found);
        this.now = now;
        this.zone = zone;
        this.trees = trees;
        this.standing = standing;
        this.varieties = varieties;
        this.sheets = sheets;
        this.done = done;
    }

    List<ControlledCross> controlledCrosses() {
        return found;
    }

    ZoneId zone() {
        return zone;
    }

    private TreeView tree(ControlledCross c) {
        return trees.apply(c.treeId());
    }

    private CropSheet sheet(ControlledCross c) {
        return sheets.apply(tree(c).crop());
    }

    private CrossTraits traits(ControlledCross c) {
        return sheet(c).cross().orElseThrow();
    }

    private List<ControlledCrossView.Done> done(ControlledCross c) {
        return done.getOrDefault(c.id(), List.of());
    }

    private CrossProtocol work(ControlledCross c) {
        return new CrossProtocol(traits(c), c.method(), work(done(c)));
    }

    /** Pollen is given once and once again, however many went with the brush. */
    private static List<CrossProtocol.Done> work(List<ControlledCrossView.Done> done) {
        List<CrossProtocol.Done> work = new ArrayList<>();
        done.stream()
                .filter(d -> !d.pollination())
                .forEach(d -> work.add(new CrossProtocol.Done(d.kind(), d.flowers(), d.doneAt(), d.skipped())));
        for (CrossProtocol.Step visit : List.of(CrossProtocol.Step.POLLINATE, CrossProtocol.Step.POLLINATE_AGAIN)) {
            List<ControlledCrossView.Done> made = done.stream()
                    .filter(d -> d.pollination() && d.kind() == visit)
                    .toList();
            if (!made.isEmpty()) {
                work.add(new CrossProtocol.Done(
                        visit,
                        made.stream()
                                .mapToInt(ControlledCrossView.Done::flowers)
                                .sum(),
                        made.get(0).doneAt()));
            }
        }
        return work;
    }

    private int flowers(ControlledCross c) {
        return done(c).isEmpty() ? c.planned() : work(c).flowers();
    }

    boolean over(ControlledCross c) {
        return due(c).isEmpty();
    }

    /** Nothing on a tree that is gone. */
    private List<CrossProtocol.Due> due(ControlledCross c) {
        return treeGone(c) ? List.of() : work(c).due(now);
    }

    private boolean treeGone(ControlledCross c) {
        return !standing.contains(c.treeId());
    }

    CrossNeeds.Open open(ControlledCross c, WantedCross crossRequest) {
        int priority = crossRequest == null ? 1 : crossRequest.priority();
        return new CrossNeeds.Open(
                c.id(),
                c.label(),
                c.treeId(),
                c.fatherId(),
                c.crossRequestId(),
                flowers(c),
                work(c),
                PlanConventions.crossWeight(priority));
    }

    ControlledCrossView.Wanted wanted(WantedCross w) {
        List<ControlledCross> made =
                found.stream().filter(c -> w.id().equals(c.crossRequestId())).toList();
        int pollinated = made.stream()
                .filter(c -> work(c).pollinated())
                .mapToInt(this::flowers)
                .sum();
        int ready = made.stream()
                .filter(c -> !work(c).pollinated())
                .mapToInt(this::flowers)
                .sum();
        return new ControlledCrossView.Wanted(
                w.id(),
                w.motherId(),
                w.mother(),
                w.fatherId(),
                w.father(),
                w.flowers(),
                w.seeds(),
                w.priority(),
                pollinated,
                ready,
                w.priority() == 0 ? 0 : Math.max(0, w.flowers() - pollinated - ready),
                sheets.apply(varieties.get(w.motherId()).crop()).cross().isPresent());
    }

    ControlledCrossView view(ControlledCross c) {
        TreeView tree = tree(c);
        CrossProtocol work = work(c);
        List<CrossProtocol.Due> due = due(c);
        VarietyView father = varieties.get(c.fatherId());
        return new ControlledCrossView(
                c.id(),
                c.label(),
                tree.id(),
                tree.name(),
                tree.varietyName(),
                tree.crop(),
                tree.block(),
                tree.row(),
                tree.position(),
                father.id(),
                father.name(),
                c.crossRequestId(),
                c.method().bag(),
                c.method().visits(),
                c.method().emasculate(),
                c.note(),
                flowers(c),
                work.begun().isPresent(),
                work.pollinated(),
                due.isEmpty(),
                treeGone(c),
                done(c),
                due.stream()
                        .map(d -> new ControlledCrossView.Due(
                                d.step(),
                                d.from(),
                                d.until().orElse(null),
                                CrossWords.say(sheet(c), traits(c), d.step(), flowers(c))))
                        .toList(),
                CrossWords.metalTag(c.label(), tree.varietyName(), father.name(), day(c), zone),
                c.version());
    }

    /** The day that a label names: of the pollen, or today. */
    Instant day(ControlledCross c) {
        return done(c).stream()
                .filter(d -> d.pollination() && d.kind() == CrossProtocol.Step.POLLINATE)
                .map(ControlledCrossView.Done::doneAt)
                .findFirst()
                .orElse(now);
    }
}
