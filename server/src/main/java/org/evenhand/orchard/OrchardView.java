package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Units;

/**
 * An orchard as it is shown.
 *
 * @param zoneDoubt what is odd about the time zone at this longitude; absent where nothing is
 * @param typicalMonths ordinary days of January to December; empty where one day stands for the year
 * @param now the moment it is there; in the demo orchard a moment of its own that stands still
 * @param demo whether it is the demo orchard
 */
public record OrchardView(
        UUID id,
        String name,
        double latitude,
        double longitude,
        String zone,
        @Schema(description = OPTIONAL) String zoneDoubt,
        double typicalMinimumC,
        double typicalMaximumC,
        List<TypicalMonth> typicalMonths,
        Units units,
        boolean demo,
        Instant now,
        long version) {}
