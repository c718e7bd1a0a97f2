package org.evenhand.mating;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.evenhand.kit.Within;

/**
 * A requested cross as it is sent; with a version it changes what is wanted of one that is there.
 *
 * @param flowers flowers to be crossed; absent where seeds are given and shall say it
 * @param seeds seeds wanted of it
 * @param priority 0 leave it, 1 as others, 2 before others, 3 first of all; 1 where absent
 */
@Schema(name = "WantedCrossRequest")
public record WantedCrossRequest(
        @NotNull UUID motherId,
        @NotNull UUID fatherId,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 20_000)
        Integer flowers,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 100_000)
        Integer seeds,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 3)
        Integer priority,

        @Schema(description = OPTIONAL) @Size(max = 2000) String note,
        @Schema(description = OPTIONAL) Long version) {
    /** So many flowers, as important as others. */
    public static WantedCrossRequest ofFlowers(UUID motherId, UUID fatherId, int flowers, String note) {
        return new WantedCrossRequest(motherId, fatherId, flowers, null, null, note, null);
    }
}
