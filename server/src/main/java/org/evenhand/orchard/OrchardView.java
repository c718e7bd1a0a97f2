package org.evenhand.orchard;

import java.time.Instant;
import java.util.UUID;
import org.evenhand.core.Units;

/**
 * An orchard as it is shown.
 *
 * @param now the moment it is there; in the demo orchard a moment of its own that stands still
 * @param demo whether it is the demo orchard
 */
public record OrchardView(
        UUID id,
        String name,
        double latitude,
        double longitude,
        String zone,
        double usualMinimumC,
        double usualMaximumC,
        Units units,
        boolean demo,
        Instant now,
        long version) {}
