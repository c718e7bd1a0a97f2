package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/** One look at a tree: flowers by stage of its crop sheet. */
public record ReadingRequest(
        UUID treeId,
        Instant takenAt,
        Map<String, Integer> counts,
        @Schema(description = OPTIONAL) String note) {}
