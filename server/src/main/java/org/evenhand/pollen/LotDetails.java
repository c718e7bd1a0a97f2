package org.evenhand.pollen;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;

/**
 * What went into a jar.
 *
 * @param varietyId its father; null for a blend of several
 * @param sources flowers by tree, for a jar that was collected
 * @param parts doses by jar, for one that was poured from others
 */
record LotDetails(
        UUID varietyId,
        Instant collectedAt,
        Storage storage,
        CollectionMethod method,
        int doses,
        String note,
        Map<UUID, Integer> sources,
        Map<UUID, Integer> parts) {
    boolean poured() {
        return !parts.isEmpty();
    }
}
