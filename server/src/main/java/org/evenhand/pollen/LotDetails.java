package org.evenhand.pollen;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;
import org.jspecify.annotations.Nullable;

/**
 * What went into a jar.
 *
 * @param varietyId its father; null for a blend of several
 * @param collectedAt when it was collected or blended; where that is not known of pollen from elsewhere, when it came
 * @param sources flowers by tree, for a jar that was collected
 * @param parts doses by jar, for one that was poured from others
 * @param received where it came from, for one that was not filled here
 */
record LotDetails(
        UUID varietyId,
        Instant collectedAt,
        Storage storage,
        CollectionMethod method,
        int doses,
        String note,
        Map<UUID, Integer> sources,
        Map<UUID, Integer> parts,
        @Nullable Received received) {
    boolean poured() {
        return !parts.isEmpty();
    }

    /** Since when it is in the orchard. */
    Instant hereSince() {
        return received == null ? collectedAt : received.pollen().receivedAt();
    }
}
