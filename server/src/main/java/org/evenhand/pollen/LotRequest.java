package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;
import org.evenhand.kit.Within;

/**
 * Pollen as it was collected.
 *
 * @param method how it was got out of the flowers; one of the crop sheet's ways
 * @param doses doses it gave; left out, the crop sheet's yield is taken
 * @param confirmed questions that were asked before and answered with yes
 */
public record LotRequest(
        @NotNull List<@NotNull @Valid Source> sources,
        @NotNull Instant collectedAt,
        @NotNull Storage storage,
        @Schema(description = OPTIONAL) CollectionMethod method,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 1_000_000)
        Integer doses,

        @Schema(description = OPTIONAL) @Size(max = 2000) String note,
        @Schema(description = OPTIONAL) List<String> confirmed) {

    /** Flowers taken from one tree. */
    @Schema(name = "LotSource")
    public record Source(
            @NotNull UUID treeId,

            @NotNull @Within(min = 1, max = FlowerReading.MOST_FLOWERS)
            Integer flowers) {}

    boolean confirms(String key) {
        return confirmed != null && confirmed.contains(key);
    }
}
