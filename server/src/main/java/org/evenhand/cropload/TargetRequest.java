package org.evenhand.cropload;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Within;

/** A request for fruit as it is sent: of a tree or of a variety; with a version it changes what is there. */
@Schema(name = "FruitTargetRequest")
public record TargetRequest(
        @Schema(description = OPTIONAL) UUID treeId,
        @Schema(description = OPTIONAL) UUID varietyId,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 100_000)
        Integer fruits,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 1000)
        Double girthCm,

        @Schema(description = OPTIONAL) @Size(max = 500) List<@NotNull @Within(min = 1, max = 1000) Integer> limbsMm,

        @NotNull Integer confidence,
        @NotNull @Within(min = 0, max = 3) Integer priority,
        @Schema(description = OPTIONAL) @Size(max = 2000) String note,
        @Schema(description = OPTIONAL) Long version) {}
