package org.evenhand.cropload;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.evenhand.availability.Strokes;

/**
 * What was learned here, beside what the crop sheets say.
 *
 * @param used whether the plan reckons with it
 */
@Schema(name = "Learned")
public record LearnedView(boolean used, List<OfVariety> varieties, List<OfCross> crosses, List<OfStrokes> strokes) {

    /**
     * The share of pollinated flowers that sets and stays.
     *
     * @param shipped share of the crop sheet; absent where it says none
     * @param basis what that rests on
     * @param learned mean of what is believed by now, with the interval that holds it eight times in ten
     * @param flowers flowers it was learned from
     */
    @Schema(name = "LearnedVariety")
    record OfVariety(
            String variety,
            String crop,
            @Schema(description = OPTIONAL) Double shipped,
            @Schema(description = OPTIONAL) String basis,
            double learned,
            double low,
            double high,
            int flowers) {}

    /**
     * A pair of mother and father.
     *
     * @param shipped what a dose is worth by what is known of the pair
     * @param learned the same by what its flowers showed
     */
    @Schema(name = "LearnedCross")
    record OfCross(String mother, String father, int taken, int flowers, double shipped, double learned) {}

    /**
     * A way of covering the stigma.
     *
     * @param factor of the share of all ways together
     */
    @Schema(name = "LearnedStrokes")
    record OfStrokes(String crop, Strokes strokes, int taken, int flowers, double factor) {}
}
