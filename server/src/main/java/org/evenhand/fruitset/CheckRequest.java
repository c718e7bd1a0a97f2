package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;

/** What a look at the flowers of one pollination found. */
public record CheckRequest(
        UUID pollinationId,
        Instant checkedAt,
        Integer taken,
        Integer failed,
        Integer unknown,
        @Schema(description = OPTIONAL) String note) {}
