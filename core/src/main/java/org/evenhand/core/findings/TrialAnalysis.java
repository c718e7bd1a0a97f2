package org.evenhand.core.findings;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/**
 * What came out of flowers whose arm was drawn by lot. A look at unfinished results, repeated until one pleases, finds differences where
 * there are none: so nothing is told before the fate of every flower is known.
 *
 * @param arms what came out of each arm, in their order
 * @param differences of each further arm less the first, at 95 %; empty where of some arm no flower's fate could be told
 * @param exactP of each further arm against the first, Fisher's exact test on both sides; empty likewise
 */
public record TrialAnalysis(List<TreatmentArm> arms, List<TwoProportions.Estimate> differences, List<Double> exactP) {
    /** With a chance of this or less, were both alike, a difference is called one. */
    private static final double SIGNIFICANT = 1 - Proportion.USUAL_CONFIDENCE;

    /** Whether a further arm did better or worse than the first: the interval and the exact test both say so. */
    public enum Verdict {
        BETTER,
        WORSE,
        NOT_TOLD
    }

    /** @param further index into {@link #differences} */
    public Verdict verdict(int further) {
        TwoProportions.Estimate d = differences.get(further);
        if (exactP.get(further) > SIGNIFICANT) {
            return Verdict.NOT_TOLD;
        }
        return d.lower() > 0 ? Verdict.BETTER : d.upper() < 0 ? Verdict.WORSE : Verdict.NOT_TOLD;
    }

    /** What is known of one flower. */
    public enum FlowerOutcome {
        /** Not yet decided. */
        WAITING,
        SET,
        FAILED,
        /** Its mark is gone, so that it can never be told. */
        LOST;

        /**
         * The fate of a single flower.
         *
         * @param looked whether anybody looked at it
         * @param lookWanted whether a further look could still tell
         * @param took 1 if it is known to have taken
         * @param failed 1 if it is known to have failed
         * @param undecided 1 while neither is known
         */
        public static FlowerOutcome of(boolean looked, boolean lookWanted, int set, int failed, int undecided) {
            if (!looked || (undecided > 0 && lookWanted)) {
                return WAITING;
            }
            return set > 0 ? SET : failed > 0 ? FAILED : LOST;
        }
    }

    /** A flower in its place: its arm, from 0, and what became of it. */
    public record Place(int arm, FlowerOutcome outcome) {}

    /**
     * One arm.
     *
     * @param share of those that could be told; empty where there is none
     * @param lost flowers that can never be told
     */
    public record TreatmentArm(Optional<Proportion> share, int lost) {
        /** Whether these are too few to lean on. */
        public boolean few() {
            return share.map(s -> s.trials() < FactorContrast.FEW_FLOWERS).orElse(true);
        }
    }

    public TrialAnalysis {
        arms = List.copyOf(arms);
        differences = List.copyOf(differences);
        exactP = List.copyOf(exactP);
    }

    /** How many are decided. */
    public static int decided(List<Place> places) {
        return (int) places.stream()
                .filter(p -> p.outcome() != FlowerOutcome.WAITING)
                .count();
    }

    /**
     * The judgement, once every place is decided; empty before.
     *
     * @param arms how many arms there are, at least 2
     * @throws org.evenhand.core.InvalidInputException if {@code arms} is not valid
     */
    public static Optional<TrialAnalysis> of(int arms, List<Place> places) {
        Require.within("arms", arms, 2, 10);
        if (decided(places) < places.size()) {
            return Optional.empty();
        }
        List<TreatmentArm> told =
                IntStream.range(0, arms).mapToObj(arm -> arm(arm, places)).toList();
        return Optional.of(new TrialAnalysis(
                told,
                against(told).stream()
                        .map(s -> s.difference(Proportion.USUAL_CONFIDENCE))
                        .toList(),
                against(told).stream().map(TwoProportions::exactP).toList()));
    }

    private static TreatmentArm arm(int arm, List<Place> places) {
        int set = count(places, arm, FlowerOutcome.SET);
        int trials = set + count(places, arm, FlowerOutcome.FAILED);
        return new TreatmentArm(
                trials == 0 ? Optional.empty() : Optional.of(new Proportion(set, trials)),
                count(places, arm, FlowerOutcome.LOST));
    }

    private static int count(List<Place> places, int arm, FlowerOutcome outcome) {
        return (int) places.stream()
                .filter(p -> p.arm() == arm && p.outcome() == outcome)
                .count();
    }

    /** Each further arm beside the first. */
    private static List<TwoProportions> against(List<TreatmentArm> arms) {
        if (arms.stream().anyMatch(w -> w.share().isEmpty())) {
            return List.of();
        }
        Proportion usual = arms.get(0).share().orElseThrow();
        return arms.stream()
                .skip(1)
                .map(w -> new TwoProportions(w.share().orElseThrow(), usual))
                .toList();
    }
}
