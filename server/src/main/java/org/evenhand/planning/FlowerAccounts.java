package org.evenhand.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;

/**
 * What becomes of every flower that can take pollen at a visit: done in it, done later, kept for a cross, not wanted, or lost, and why.
 * Each flower stands in one of these once, so that they add up tree by tree.
 */
final class FlowerAccounts {
    private final MadePlan made;
    private final PlanWords words;
    private final int round;
    private final Instant at;

    FlowerAccounts(MadePlan made, PlanWords words, int round) {
        this.made = made;
        this.words = words;
        this.round = round;
        this.at = made.slots().get(round).at();
    }

    PlanView.Account account() {
        List<PlanView.OfTree> trees = made.request().mothers().stream()
                .map(m -> tree(m, made.ground().byTree().get(m.id().value())))
                .filter(t -> t.flowers() > 0 || t.receptive() >= PlanSlots.THERE)
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
                trees.stream().mapToInt(PlanView.OfTree::past).sum(),
                trees.stream().mapToInt(PlanView.OfTree::lost).sum(),
                trees);
    }

    /** Takes from what is still to be accounted for. */
    private static final class Rest {
        private int flowers;

        Rest(int flowers) {
            this.flowers = flowers;
        }

        int take(int wanted) {
            int taken = Math.max(0, Math.min(wanted, flowers));
            flowers -= taken;
            return taken;
        }
    }

    private PlanView.OfTree tree(RoundRequest.Mother mother, Foreseen tree) {
        double receptive = tree.forecast().at(List.of(at)).get(0).taking().mean();
        double havePollen = PlanMothers.done(tree, at, made.ground().before());
        List<RoundRequest.OpenFlowers> open = mother.flowers().stream()
                .filter(f -> f.receptivity().get(round) > 0)
                .toList();
        int flowers = open.stream().mapToInt(RoundRequest.OpenFlowers::flowers).sum();
        Rest rest = new Rest(flowers);
        int inVisit = rest.take(planned(mother.id(), round));
        List<PlanView.Later> later = later(mother.id(), rest);
        int past = rest.take(flowers - (int) Math.round(Math.max(0, receptive - havePollen)));
        int ofCrosses = open.stream()
                .filter(f -> f.only().isPresent())
                .mapToInt(RoundRequest.OpenFlowers::flowers)
                .sum();
        int forCross = rest.take(ofCrosses - plannedOfCrosses(mother.id()));
        Optional<RoundPlan.Unserved> unserved = made.plan().unserved().stream()
                .filter(u -> u.tree().equals(mother.id()))
                .findFirst();
        int lost = unserved.map(u -> rest.take(u.flowers())).orElse(0);
        Optional<PlanView.Left> why =
                unserved.filter(u -> lost > 0).map(u -> words.left(new RoundPlan.Unserved(u.tree(), lost, u.reason())));
        return new PlanView.OfTree(
                tree.tree().id(),
                tree.tree().name(),
                receptive,
                havePollen,
                flowers,
                inVisit,
                later,
                forCross,
                rest.flowers,
                past,
                lost,
                why.map(PlanView.Left::reason).orElse(null),
                why.map(PlanView.Left::wouldServe).orElse(null));
    }

    private int planned(TreeId tree, int inRound) {
        return made.plan().stops().stream()
                .filter(s -> s.round() == inRound && s.tree().equals(tree))
                .mapToInt(RoundPlan.Stop::flowers)
                .sum();
    }

    /** Flowers of crosses that some visit serves, this one or a later. */
    private int plannedOfCrosses(TreeId tree) {
        return made.plan().stops().stream()
                .filter(s -> s.round() >= round && s.tree().equals(tree))
                .flatMap(s -> s.parts().stream())
                .filter(p -> made.crosses().owns(p.stage()))
                .mapToInt(RoundPlan.Part::flowers)
                .sum();
    }

    private List<PlanView.Later> later(TreeId tree, Rest rest) {
        List<PlanView.Later> later = new ArrayList<>();
        for (RoundPlan.Stop stop : made.plan().stops()) {
            if (stop.round() > round && stop.tree().equals(tree)) {
                int flowers = rest.take(stop.flowers());
                if (flowers > 0) {
                    later.add(new PlanView.Later(made.slots().get(stop.round()).at(), words.pollen(stop), flowers));
                }
            }
        }
        return later;
    }
}
