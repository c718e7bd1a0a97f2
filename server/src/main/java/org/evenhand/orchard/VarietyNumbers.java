package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import org.evenhand.kit.Given;

/**
 * A variety's own numbers; where one is absent its crop sheet's counts.
 *
 * @param ownPollen how well its own pollen serves it against another variety's, 0 (self-sterile) to 1 (self-fertile)
 * @param setShare share of pollinated flowers that set and stay, more than 0, up to 1
 * @param seedsPerFruit full seeds in one of its fruits when crossed, 0.01 to 10 000
 * @param chillPortions chill it needs, 0 to 200
 * @param dosesPerFlower doses one of its shedding flowers gives, 0.05 to 500
 * @param developmentRate factor on all durations, 0.5 to 2; more than 1 is slower
 * @param source where the numbers come from
 */
public record VarietyNumbers(
        @Schema(description = OPTIONAL) Double ownPollen,
        @Schema(description = OPTIONAL) Double setShare,
        @Schema(description = OPTIONAL) Double seedsPerFruit,
        @Schema(description = OPTIONAL) Double chillPortions,
        @Schema(description = OPTIONAL) Double dosesPerFlower,
        @Schema(description = OPTIONAL) Double developmentRate,
        @Schema(description = OPTIONAL) String source) {
    /** None of its own. */
    public static final VarietyNumbers NONE = new VarietyNumbers(null, null, null, null, null, null, "");

    private static final double LEAST_SHARE = 0.001;

    VarietyNumbers checked() {
        return new VarietyNumbers(
                Given.optionalWithin("ownPollen", ownPollen, 0, 1),
                Given.optionalWithin("setShare", setShare, LEAST_SHARE, 1),
                Given.optionalWithin("seedsPerFruit", seedsPerFruit, 0.01, 10_000),
                Given.optionalWithin("chillPortions", chillPortions, 0, 200),
                Given.optionalWithin("dosesPerFlower", dosesPerFlower, 0.05, 500),
                Given.optionalWithin("developmentRate", developmentRate, 0.5, 2),
                Given.optionalText("source", source, 200));
    }
}
