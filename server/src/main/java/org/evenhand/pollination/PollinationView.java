package org.evenhand.pollination;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;
import org.evenhand.core.crop.Mark;

/**
 * A pollination as it is shown.
 *
 * @param lotId absent where the brush went from flower to flower; the code then says so
 * @param crossLabel number of the cross whose flowers they are
 * @param again whether the same flowers had pollen before
 * @param againOf when they had, outside crosses
 */
public record PollinationView(
        UUID id,
        UUID treeId,
        String treeName,
        String crop,
        @Schema(description = OPTIONAL) UUID lotId,
        String lotCode,
        String pollenParent,
        int flowers,
        Instant doneAt,
        String mark,
        @Schema(description = OPTIONAL) Mark.Lasts markLasts,
        String colour,
        String tag,
        @Schema(description = OPTIONAL) String markWarning,
        @Schema(description = OPTIONAL) UUID walkId,
        @Schema(description = OPTIONAL) Integer stop,
        @Schema(description = OPTIONAL) UUID crossId,
        @Schema(description = OPTIONAL) String crossLabel,
        boolean again,
        @Schema(description = OPTIONAL) UUID againOf,
        PollinationHow how,
        @Schema(description = OPTIONAL) UUID comparisonId,
        @Schema(description = OPTIONAL) Integer slot,
        UUID recordedBy,
        long version) {}
