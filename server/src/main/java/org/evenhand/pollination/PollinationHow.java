package org.evenhand.pollination;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Size;
import org.evenhand.availability.Strokes;
import org.evenhand.core.cropload.LimbClass;
import org.evenhand.core.fruitset.Treatment;

/**
 * How flowers were treated, as far as somebody said.
 *
 * @param treatment by hand unless said otherwise
 * @param stage stage of the flowers, by its key on the crop sheet
 * @param strokes how the stigma was covered; the orchard's school where it is not said
 * @param tool brush or feather, by the name the grower gives it
 * @param limb where on the tree they sit
 */
public record PollinationHow(
        @Schema(description = OPTIONAL) Treatment treatment,
        @Schema(description = OPTIONAL) String stage,
        @Schema(description = OPTIONAL) Strokes strokes,
        @Schema(description = OPTIONAL) @Size(max = 60) String tool,
        @Schema(description = OPTIONAL) LimbClass limb) {
    /** By hand, and nothing else said. */
    public static final PollinationHow UNSAID = new PollinationHow(Treatment.HAND, null, null, null, null);

    public static PollinationHow of(Treatment treatment) {
        return new PollinationHow(treatment, null, null, null, null);
    }
}
