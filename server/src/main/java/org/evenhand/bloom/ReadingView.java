package org.evenhand.bloom;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/** A reading as it is shown. */
public record ReadingView(
        UUID id, UUID treeId, Instant takenAt, Map<String, Integer> counts, int flowers, String note, long version) {}
