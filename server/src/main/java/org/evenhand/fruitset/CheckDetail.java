package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.kit.Refusal;
import org.evenhand.kit.Within;

/**
 * What else was seen of the flowers that took.
 *
 * @param resting of those taken, fruitlets that rest and do not grow; they are alive
 * @param fruits fruits in all, where a flower can give several
 * @param whole fruits of a whole shape
 * @param oneSided fruits swollen on one side
 * @param crooked crooked fruits
 * @param sizeMm usual size across
 */
public record CheckDetail(
        @Schema(description = OPTIONAL) Integer resting,
        @Schema(description = OPTIONAL) Integer fruits,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer whole,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer oneSided,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer crooked,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 1000)
        Double sizeMm) {
    /** Nothing else was seen. */
    static final CheckDetail NONE = new CheckDetail(null, null, null, null, null, null);

    /** Refuses what cannot be beside the outcome. */
    void check(CheckOutcome outcome) {
        int taken = outcome.taken();
        if (resting != null) {
            Require.within("detail.resting", resting, 0, taken);
        }
        if (fruits != null) {
            if (fruits < taken) {
                throw Refusal.of("detail.fruits", Text.of("refused.fewer-fruits", "fruits", fruits, "flowers", taken));
            }
            Require.within("detail.fruits", fruits, 0, Math.max(1, taken) * CheckOutcome.MOST_FRUITS_OF_A_FLOWER);
        }
        int shaped = orZero(whole) + orZero(oneSided) + orZero(crooked);
        int there = fruits == null ? taken : fruits;
        if (shaped > there) {
            throw Refusal.of("detail.whole", Text.of("refused.more-shapes", "shaped", shaped, "fruits", there));
        }
    }

    private static int orZero(Integer given) {
        return given == null ? 0 : given;
    }
}
