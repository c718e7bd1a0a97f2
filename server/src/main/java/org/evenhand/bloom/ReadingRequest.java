package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.kit.Within;

/**
 * One look at a tree: flowers by stage of its crop sheet.
 *
 * @param limb the limb that was read; left out for the whole tree
 * @param share share of the crown (or limb) counted, up to 1; left out for all of it
 */
public record ReadingRequest(
        @NotNull UUID treeId,
        @NotNull Instant takenAt,
        @NotNull Map<String, Integer> counts,
        @Schema(description = OPTIONAL) @Size(max = 2000) String note,
        @Schema(description = OPTIONAL) @Size(max = 40) String limb,

        @Schema(description = OPTIONAL) @Within(min = FlowerReading.LEAST_SHARE, max = 1)
        Double share) {}
