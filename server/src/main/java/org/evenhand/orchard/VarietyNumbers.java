package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Size;
import org.evenhand.kit.Given;
import org.evenhand.kit.Within;

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
        @Schema(description = OPTIONAL) @Within(min = 0, max = 1)
        Double ownPollen,

        @Schema(description = OPTIONAL) @Within(min = 0.001, max = 1)
        Double setShare,

        @Schema(description = OPTIONAL) @Within(min = 0.01, max = 10_000)
        Double seedsPerFruit,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 200)
        Double chillPortions,

        @Schema(description = OPTIONAL) @Within(min = 0.05, max = 500)
        Double dosesPerFlower,

        @Schema(description = OPTIONAL) @Within(min = 0.5, max = 2)
        Double developmentRate,

        @Schema(description = OPTIONAL) @Size(max = 200) String source) {
    /** None of its own. */
    public static final VarietyNumbers NONE = new VarietyNumbers(null, null, null, null, null, null, "");

    VarietyNumbers checked() {
        return new VarietyNumbers(
                ownPollen,
                setShare,
                seedsPerFruit,
                chillPortions,
                dosesPerFlower,
                developmentRate,
                Given.stripped(source));
    }
}
