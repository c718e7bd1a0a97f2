package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.kit.Given;

/**
 * How a fruit ended, and what it was like.
 *
 * @param emptySeeds of the seeds, those without a kernel
 * @param sepalsMissing whether the sepals are missing, as where the calyx was cut
 * @param taste from 1, not to be eaten, to 5, the best
 */
public record FruitEnd(
        Kind kind,
        Instant at,
        @Schema(description = OPTIONAL) Double weightG,
        @Schema(description = OPTIONAL) Double lengthMm,
        @Schema(description = OPTIONAL) Double widthMm,
        @Schema(description = OPTIONAL) Shape shape,
        @Schema(description = OPTIONAL) Integer seeds,
        @Schema(description = OPTIONAL) Integer emptySeeds,
        @Schema(description = OPTIONAL) Boolean sepalsMissing,
        @Schema(description = OPTIONAL) Integer taste,
        @Schema(description = OPTIONAL) String note) {
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
        Given.required("end.kind", kind);
        Given.optionalWithin("end.weightG", weightG, 0.1, 50_000);
        Given.optionalWithin("end.lengthMm", lengthMm, 1, 1000);
        Given.optionalWithin("end.widthMm", widthMm, 1, 1000);
        if (seeds != null) {
            Require.within("end.seeds", seeds, 0, 100_000);
        }
        if (emptySeeds != null) {
            if (seeds == null || emptySeeds > seeds) {
                throw new InvalidInputException(
                        "end.emptySeeds",
                        seeds == null
                                ? "are some of the seeds; count all seeds first."
                                : "is " + emptySeeds + " of " + seeds + " seeds in all. Count again.");
            }
            Require.within("end.emptySeeds", emptySeeds, 0, 100_000);
        }
        if (taste != null) {
            Require.within("end.taste", taste, 1, 5);
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
                Given.optionalText("end.note", note, 2000));
    }
}
