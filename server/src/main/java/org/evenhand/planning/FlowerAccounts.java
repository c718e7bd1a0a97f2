package org.evenhand.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.planning.FlowerAccount;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.cropload.TargetView;

/** What becomes of every flower that can take pollen at a visit, beside what the forecast expects. */
final class FlowerAccounts {
    private final PreparedPlan made;
    private final PlanWords words;
    private final int round;
    private final Instant at;

    FlowerAccounts(PreparedPlan made, PlanWords words, int round) {
        this.made = made;
        this.words = words;
        this.round = round;
        this.at = made.slots().get(round).at();
    }

    PlanView.Account account() {
        Map<UUID, Foreseen> byTree = made.ground().byTree();
        List<PlanView.OfTree> trees = FlowerAccount.of(made.request(), made.plan(), round).stream()
                .map(a -> tree(a, byTree.get(a.tree().value())))
                .filter(t -> t.flowers() > 0 || t.receptive() >= TreeOutlook.THERE)
                .sorted(Comparator.comparingInt((PlanView.OfTree t) -> -t.lost())
                        .thenComparing(Comparator.comparingInt((PlanView.OfTree t) -> -t.flowers()))
                        .thenComparing(PlanView.OfTree::tree))
                .toList();
        return new PlanView.Account(
                at,
                trees.stream().mapToDouble(PlanView.OfTree::receptive).sum(),
                trees.stream().mapToDouble(PlanView.OfTree::havePollen).sum(),
                trees.stream().mapToInt(PlanView.OfTree::flowers).sum(),
                trees.stream().mapToInt(PlanView.OfTree::inVisit).sum(),
                trees.stream()
                        .flatMap(t -> t.later().stream())
                        .mapToInt(PlanView.Later::flowers)
                        .sum(),
                trees.stream().mapToInt(PlanView.OfTree::forCross).sum(),
                trees.stream().mapToInt(PlanView.OfTree::notWanted).sum(),
                trees.stream().mapToInt(PlanView.OfTree::lost).sum(),
                trees);
    }

    private PlanView.OfTree tree(FlowerAccount of, Foreseen tree) {
        Optional<PlanView.Left> why =
                of.lost().map(lost -> words.left(new RoundPlan.Unserved(of.tree(), lost.flowers(), lost.reason())));
        return new PlanView.OfTree(
                tree.tree().id(),
                tree.tree().name(),
                made.forecasts().at(tree, round).receptive().mean(),
                PlanMothers.done(tree, at, made.ground()),
                of.flowers(),
                of.inRound(),
                later(of),
                of.forCross(),
                of.notWanted(),
                of.notWanted() == 0 ? null : notWanted(tree),
                made.ground().begins(tree).filter(this::waits).orElse(null),
                of.lost().map(FlowerAccount.Lost::flowers).orElse(0),
                why.map(PlanView.Left::reason).orElse(null),
                why.map(PlanView.Left::wouldServe).orElse(null));
    }

    private boolean waits(LocalDate begins) {
        return Rhythm.workday(at, made.ground().zone()).isBefore(begins);
    }

    private PlanView.NotWanted notWanted(Foreseen tree) {
        TargetView.Budget budget = made.ground().budgets().get(tree.tree().id());
        if (made.ground().begins(tree).filter(this::waits).isPresent()) {
            return PlanView.NotWanted.EARLY_FLUSH;
        }
        if (budget.target() == null && budget.flowersWanted() == 0) {
            return PlanView.NotWanted.CANNOT_CARRY;
        }
        return budget.wanted() != null && budget.wanted() == 0
                ? PlanView.NotWanted.LEFT_ALONE
                : PlanView.NotWanted.TARGET_REACHED;
    }

    /** By hour and pollen: what is collected in one visit or another has the same name. */
    private List<PlanView.Later> later(FlowerAccount of) {
        record When(Instant at, Text pollen) {}
        Map<When, Integer> sums = new LinkedHashMap<>();
        of.later()
                .forEach(l -> sums.merge(
                        new When(made.slots().get(l.round()).at(), words.pollen(l.lot())), l.flowers(), Integer::sum));
        return sums.entrySet().stream()
                .map(e -> new PlanView.Later(e.getKey().at(), e.getKey().pollen(), e.getValue()))
                .toList();
    }
}
