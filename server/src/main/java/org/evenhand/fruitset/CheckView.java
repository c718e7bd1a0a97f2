package org.evenhand.fruitset;

import java.time.Instant;
import java.util.UUID;

/** A check as it is shown. */
public record CheckView(
        UUID id,
        UUID pollinationId,
        Instant checkedAt,
        int taken,
        int failed,
        int dropped,
        int unknown,
        int thinned,
        int lost,
        int notFound,
        CheckDetail detail,
        String note,
        UUID recordedBy,
        long version) {}
