package org.evenhand.round;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;

/** Flowers of one tree given pollen of one lot, one dose each. */
public record PollinationRequest(
        UUID treeId,
        UUID lotId,
        Integer flowers,
        Instant doneAt,
        @Schema(description = OPTIONAL) String mark) {}
