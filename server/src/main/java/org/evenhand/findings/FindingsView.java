package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.statistics.MeanInterval;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/**
 * What the counts of one season of one crop say; no season while there are no records.
 *
 * @param seasons all there are, the latest first
 * @param waiting records that are still being worked out and count for nothing yet
 * @param all flowers by hand of ordinary work; absent while nothing is decided
 * @param undecided of them, those of which nothing is known yet
 * @param apart flowers by hand that teach nothing of ordinary work
 * @param drop what of the set fruitlets fell by itself; absent where none was seen to and the crop sheds none by nature
 * @param told what looks told of the fruit, by how the stigma was covered
 * @param misshapen whether the fruit's shape differs by that; empty where it cannot be said
 * @param comparisons how many classes were held against a usual one
 */
@Schema(name = "Findings")
record FindingsView(
        List<SeasonView> seasons,
        @Schema(description = OPTIONAL) SeasonView shown,
        int waiting,
        @Schema(description = OPTIONAL) SetRate all,
        int undecided,
        List<ApartView> apart,
        @Schema(description = OPTIONAL) DropView drop,
        List<FactorView> factors,
        @Schema(description = OPTIONAL) HandView hand,
        List<SeedView> seeds,
        List<CoverView> byCover,
        String misshapen,
        List<YieldView> yield,
        int comparisons) {

    @Schema(name = "FindingSeason")
    record SeasonView(int season, String crop, String cropName, long flowers, long decided) {}

    /** So many taken of so many decided, with Wilson's interval. */
    @Schema(name = "SetRate")
    record SetRate(int taken, int decided, double share, double lower, double upper, double confidence) {
        static SetRate of(Proportion p) {
            Proportion.Interval interval = p.wilson(Proportion.USUAL_CONFIDENCE);
            return new SetRate(
                    p.successes(),
                    p.trials(),
                    p.share(),
                    interval.lower(),
                    interval.upper(),
                    Proportion.USUAL_CONFIDENCE);
        }
    }

    /**
     * Flowers that are shown apart, as their share is nobody's practice.
     *
     * @param flowers all of them, decided or not
     */
    @Schema(name = "FindingApart")
    record ApartView(
            Evidence evidence,
            String what,
            int flowers,
            @Schema(description = OPTIONAL) SetRate rate) {}

    /**
     * Fruitlets that fell by themselves, of those that had set.
     *
     * @param rate taken are those that fell
     * @param expected share that the crop sheds by nature; absent where its sheet says none
     * @param basis what that rests on
     */
    @Schema(name = "FindingDrop")
    record DropView(
            SetRate rate,
            @Schema(description = OPTIONAL) Double expected,
            @Schema(description = OPTIONAL) String basis,
            boolean moreThanNature,
            String sentence) {}

    /**
     * Fruit of flowers whose stigma was covered alike, as looks told it.
     *
     * @param fruitsPerFlower of flowers that set; absent where nobody counted fruits
     * @param resting fruitlets that rest, of flowers that set
     * @param misshapen one-sided or crooked, of fruits whose shape was told
     */
    @Schema(name = "FindingTold")
    record CoverView(
            String of,
            int flowers,
            @Schema(description = OPTIONAL) Double fruitsPerFlower,
            @Schema(description = OPTIONAL) SetRate resting,
            @Schema(description = OPTIONAL) SetRate misshapen) {}

    /** A difference or ratio with its interval. */
    @Schema(name = "Estimate")
    record EstimateView(double value, double lower, double upper) {
        static EstimateView of(TwoProportions.Estimate e) {
            return new EstimateView(e.value(), e.lower(), e.upper());
        }
    }

    /**
     * One factor and the share of each of its classes.
     *
     * @param sentence what it comes to, in plain words
     * @param change what it changes in the next plan; empty where nothing
     * @param sure whether the difference is there for sure, were it the only one looked at
     * @param sureAmongAll whether it would be though so many were looked at
     * @param left out classes not shown, as there are too many
     */
    @Schema(name = "FactorFinding")
    record FactorView(
            Factor factor,
            String title,
            List<LevelView> levels,
            int notShown,
            String sentence,
            String change,
            boolean sure,
            boolean sureAmongAll) {}

    /** A class of a factor; no rate while nothing of it is decided. */
    @Schema(name = "FactorLevel")
    record LevelView(
            String level,
            String name,
            @Schema(description = OPTIONAL) SetRate rate,
            int undecided,
            boolean few) {}

    /**
     * Flowers by hand beside those left to nature and those bagged without pollen.
     *
     * @param difference of the share by hand less that of nature
     * @param ratio absent where nature, or the hand, set nothing
     * @param pooled the ratio with each tree compared within itself
     * @param trees trees that have both
     */
    @Schema(name = "HandFinding")
    record HandView(
            List<LevelView> arms,
            @Schema(description = OPTIONAL) EstimateView difference,
            @Schema(description = OPTIONAL) EstimateView ratio,
            @Schema(description = OPTIONAL) EstimateView pooled,
            int trees,
            String sentence) {}

    /**
     * Seeds and shape of the fruit of flowers treated alike.
     *
     * @param of what they have in common
     * @param seeds mean; absent where nobody counted
     */
    @Schema(name = "SeedFinding")
    record SeedView(
            String of,
            int fruits,
            @Schema(description = OPTIONAL) MeanView seeds,
            int shaped,
            @Schema(description = OPTIONAL) SetRate whole,
            int seedless) {}

    /** A mean of some numbers; no interval of a single one. */
    @Schema(name = "MeanInterval")
    record MeanView(
            int n,
            double mean,
            @Schema(description = OPTIONAL) Double lower,
            @Schema(description = OPTIONAL) Double upper) {
        static MeanView of(MeanInterval m) {
            Optional<Proportion.Interval> i = m.interval(Proportion.USUAL_CONFIDENCE);
            return new MeanView(
                    m.n(),
                    m.mean(),
                    i.map(b -> Math.max(0, b.lower())).orElse(null),
                    i.map(Proportion.Interval::upper).orElse(null));
        }
    }

    /** What was harvested of a variety. */
    @Schema(name = "YieldFinding")
    record YieldView(
            String variety,
            int fruits,
            double kilograms,
            @Schema(description = OPTIONAL) MeanView grams) {}

    /** What of each class still holds, day by day. */
    @Schema(name = "Retention")
    record RetentionView(
            Factor factor,
            String title,
            List<CurveView> curves,
            @Schema(description = OPTIONAL) Double p,
            String sentence) {}

    /**
     * One class's curve.
     *
     * @param lastDay until when any was followed
     */
    @Schema(name = "RetentionCurve")
    record CurveView(
            String level,
            String name,
            int followed,
            int lost,
            int lastDay,
            @Schema(description = OPTIONAL) Integer median,
            List<StepView> steps) {}

    @Schema(name = "RetentionStep")
    record StepView(
            int day,
            int atRisk,
            double share,
            @Schema(description = OPTIONAL) Double lower,
            @Schema(description = OPTIONAL) Double upper) {}

    /** Several causes at once; no effects where the records cannot tell them apart. */
    @Schema(name = "Causes")
    record CausesView(int flowers, List<EffectView> effects, List<String> leftOut, String sentence) {}

    /** Odds of a class over the usual one of its factor, all else equal. */
    @Schema(name = "CauseEffect")
    record EffectView(Factor factor, String title, String name, String usual, int flowers, EstimateView oddsRatio) {}
}
