package org.evenhand.mating;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Within;

/**
 * A set of mothers and a set of fathers.
 *
 * @param flowers flowers of each cross
 * @param leftOut crosses among them that are not meant
 * @param also crosses that are meant though it is not known whether they meet
 */
record ManyCrossesRequest(
        @NotNull @Size(min = 1, max = 2000) List<@NotNull UUID> mothers,
        @NotNull @Size(min = 1, max = 2000) List<@NotNull UUID> fathers,
        @NotNull @Within(min = 1, max = 20_000) Integer flowers,

        @Schema(description = OPTIONAL) @Size(max = 5000) List<@NotNull @Valid Cross> leftOut,

        @Schema(description = OPTIONAL) @Size(max = 5000) List<@NotNull @Valid Cross> also) {

    /** A father on a mother. */
    @Schema(name = "CrossOfMany")
    record Cross(@NotNull UUID motherId, @NotNull UUID fatherId) {}

    /** Wanted crosses to be written down together, all or none; each with an id of its own. */
    @Schema(name = "WantedCrosses")
    record Wanted(@NotNull @Size(min = 1, max = 500) List<@NotNull @Valid One> crosses) {}

    /** One of them. */
    @Schema(name = "WantedCrossOfMany")
    record One(
            @NotNull UUID id,
            @NotNull UUID motherId,
            @NotNull UUID fatherId,
            @NotNull @Within(min = 1, max = 20_000) Integer flowers) {}

    /** Wanted crosses that are removed together. */
    @Schema(name = "WantedCrossesRemoval")
    record Removal(
            @NotNull @Size(min = 1, max = 500) List<@NotNull UUID> ids,
            @NotBlank @Size(max = 500) String reason) {}
}
