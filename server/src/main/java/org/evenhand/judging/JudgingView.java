package org.evenhand.judging;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.judging.Merit;
import org.evenhand.core.judging.Repeatability;
import org.evenhand.core.judging.TraitScale;

/**
 * Plants of a crop by their scores.
 *
 * @param plants with a score, the best first by the traits' weights
 */
@Schema(name = "Judging")
record JudgingView(List<OfTrait> traits, List<Plant> plants) {

    /**
     * A trait.
     *
     * @param scores how many were given in it
     * @param agreement whether scores of one plant agree; absent where too few were scored twice
     */
    @Schema(name = "Trait")
    record OfTrait(
            UUID id,
            String crop,
            String name,
            String unit,
            double low,
            double high,
            TraitScale.Better better,
            double weight,
            int scores,
            @Schema(description = OPTIONAL) Agreement agreement,
            long version) {}

    /**
     * Share of the scores' variance that lies between plants, ICC(1).
     *
     * @param from lower end of the interval that holds it nineteen times in twenty
     * @param until its upper end
     */
    @Schema(name = "ScoreAgreement")
    record Agreement(double share, double from, double until, int plants, int scores, Repeatability.Verdict verdict) {}

    /** What was scored. */
    enum Kind {
        VARIETY,
        SEEDLING
    }

    /**
     * A variety or seedling.
     *
     * @param merit by the traits' weights, in standard deviations above the mean
     * @param unknown weighted traits that it was not scored in
     */
    @Schema(name = "JudgedPlant")
    record Plant(
            Kind kind,
            UUID id,
            String name,
            @Schema(description = OPTIONAL) String mother,
            @Schema(description = OPTIONAL) String father,
            List<Mean> means,
            double merit,
            int unknown) {}

    /**
     * Its mean in one trait.
     *
     * @param times how often it was scored
     * @param from lower end of the mean's 90 % interval; absent where it was scored once
     */
    @Schema(name = "JudgedMean")
    record Mean(
            UUID traitId,
            double mean,
            int times,
            @Schema(description = OPTIONAL) Double from,
            @Schema(description = OPTIONAL) Double until) {}

    /**
     * What one plant is scored by, and what it was given.
     *
     * @param scores the latest first
     */
    @Schema(name = "ScoreCard")
    record Card(List<Line> traits, List<One> scores) {}

    /** A trait on a card. */
    @Schema(name = "ScoreCardLine")
    record Line(UUID id, String name, String unit, double low, double high, TraitScale.Better better) {}

    /** A number in one of the card's traits. */
    @Schema(name = "Score")
    record One(UUID id, UUID traitId, LocalDate on, String taster, double value, String note, long version) {}

    /**
     * Which crosses promise most.
     *
     * @param pairs the best first; no more than are worth looking at
     * @param compared crosses that were compared: of scored varieties that fit
     */
    @Schema(name = "PromisingCrosses")
    record Crosses(List<Pair> pairs, int compared) {}

    /**
     * A cross that could be made.
     *
     * @param inbreeding of its seedlings, by the pedigree
     * @param known whether it is known that they fit
     * @param made numbers of such crosses of any year
     * @param merit of its seedlings' means by the traits' weights, in standard deviations above the mean of all compared
     */
    @Schema(name = "PromisingCross")
    record Pair(
            UUID motherId,
            String mother,
            UUID fatherId,
            String father,
            double inbreeding,
            boolean known,
            List<Foretold> traits,
            List<String> made,
            double merit,
            int unknown) {
        Pair with(Merit of) {
            return new Pair(
                    motherId, mother, fatherId, father, inbreeding, known, traits, made, of.value(), of.unknown());
        }
    }

    /**
     * What its seedlings would be like in one trait.
     *
     * @param meanFrom lower end of the interval that holds their mean nine times in ten; absent where own crosses do not say
     * @param oneFrom lower end of the interval that holds a single seedling nine times in ten; absent where no spread is known
     * @param slope by how much seedlings go up where the mean of the parents goes up by one; absent where own crosses do not say
     * @param crosses with scored seedlings that it is learned from
     */
    @Schema(name = "ForetoldTrait")
    record Foretold(
            UUID traitId,
            double mean,
            @Schema(description = OPTIONAL) Double meanFrom,
            @Schema(description = OPTIONAL) Double meanUntil,
            @Schema(description = OPTIONAL) Double oneFrom,
            @Schema(description = OPTIONAL) Double oneUntil,
            @Schema(description = OPTIONAL) Double slope,
            int crosses,
            int seedlings) {}
}
