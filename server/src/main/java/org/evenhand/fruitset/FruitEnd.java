package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Given;
import org.evenhand.kit.Within;

/**
 * How a fruit ended, and what it was like.
 *
 * @param emptySeeds of the seeds, those without a kernel
 * @param sepalsMissing whether the sepals are missing, as where the calyx was cut
 * @param taste from 1, not to be eaten, to 5, the best
 */
public record FruitEnd(
        @NotNull Kind kind,
        @NotNull Instant at,

        @Schema(description = OPTIONAL) @Within(min = 0.1, max = 50_000)
        Double weightG,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 1000)
        Double lengthMm,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 1000)
        Double widthMm,

        @Schema(description = OPTIONAL) Shape shape,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer seeds,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer emptySeeds,

        @Schema(description = OPTIONAL) Boolean sepalsMissing,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 5)
        Integer taste,

        @Schema(description = OPTIONAL) @Size(max = 2000) String note) {
    /** What became of it. */
    public enum Kind {
        HARVESTED,
        FALLEN,
        TAKEN_OFF
    }

    /** Crooked or one-sided: the stigma was covered in part only. */
    public enum Shape {
        WHOLE,
        ONE_SIDED,
        CROOKED
    }

    /** The same with its moment and note as they are kept; refuses what cannot be. */
    FruitEnd checked(Instant moment) {
        if (emptySeeds != null && (seeds == null || emptySeeds > seeds)) {
            throw new InvalidInputException(
                    "end.emptySeeds",
                    seeds == null
                            ? "are some of the seeds; count all seeds first."
                            : "is " + emptySeeds + " of " + seeds + " seeds in all. Count again.");
        }
        return new FruitEnd(
                kind,
                moment,
                weightG,
                lengthMm,
                widthMm,
                shape,
                seeds,
                emptySeeds,
                sepalsMissing,
                taste,
                Given.stripped(note));
    }
}
