package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Within;

/** What is asked of single fruits. */
public final class FruitRequests {
    private FruitRequests() {}

    /**
     * A fruit that gets a number, or one without that has ended.
     *
     * @param pollinationId the flowers it came from; absent where nobody knows
     * @param number written on it; used once a season in an orchard
     * @param numberedAt when it was written
     * @param end how it ended; may be told later where it has a number
     * @param confirmed questions answered with yes
     */
    @Schema(name = "FruitRequest")
    public record Fruit(
            @NotNull UUID treeId,
            @Schema(description = OPTIONAL) UUID pollinationId,

            @Schema(description = OPTIONAL) @Within(min = 1, max = 1_000_000)
            Integer number,

            @Schema(description = OPTIONAL) Instant numberedAt,
            @Schema(description = OPTIONAL) @Valid FruitEnd end,
            @Schema(description = OPTIONAL) List<String> confirmed) {}

    /**
     * How a numbered fruit ended.
     *
     * @param confirmed questions answered with yes
     * @param version of the fruit whose end is corrected, as when its seeds are counted later
     */
    @Schema(name = "FruitEndRequest")
    public record End(
            @NotNull @Valid FruitEnd end,
            @Schema(description = OPTIONAL) List<String> confirmed,
            @Schema(description = OPTIONAL) Long version) {}
}
