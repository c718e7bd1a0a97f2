package org.evenhand.cropload;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;

/** A request for fruit as it is sent: of a tree or of a variety; with a version it changes what is there. */
@Schema(name = "FruitTargetRequest")
public record TargetRequest(
        @Schema(description = OPTIONAL) UUID treeId,
        @Schema(description = OPTIONAL) UUID varietyId,
        @Schema(description = OPTIONAL) Integer fruits,
        @Schema(description = OPTIONAL) Double girthCm,
        @Schema(description = OPTIONAL) List<Integer> limbsMm,
        Integer confidence,
        Integer priority,
        @Schema(description = OPTIONAL) String note,
        @Schema(description = OPTIONAL) Long version) {}
