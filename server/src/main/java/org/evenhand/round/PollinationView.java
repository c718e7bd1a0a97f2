package org.evenhand.round;

import java.time.Instant;
import java.util.UUID;

/** A pollination as it is shown. */
public record PollinationView(
        UUID id,
        UUID treeId,
        String treeName,
        String crop,
        UUID lotId,
        String lotCode,
        String pollenParent,
        int flowers,
        Instant doneAt,
        String mark,
        long version) {}
