package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/**
 * One look at a tree: flowers by stage of its crop sheet.
 *
 * @param limb the limb that was read; left out for the whole tree
 * @param share share of the crown (or limb) counted, up to 1; left out for all of it
 */
public record ReadingRequest(
        UUID treeId,
        Instant takenAt,
        Map<String, Integer> counts,
        @Schema(description = OPTIONAL) String note,
        @Schema(description = OPTIONAL) String limb,
        @Schema(description = OPTIONAL) Double share) {}
