package org.evenhand.round;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.UUID;
import org.evenhand.core.crop.Mark;

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
        @Schema(description = OPTIONAL) Mark.Lasts markLasts,
        String colour,
        String tag,
        @Schema(description = OPTIONAL) String markWarning,
        @Schema(description = OPTIONAL) UUID walkId,
        @Schema(description = OPTIONAL) Integer stop,
        UUID recordedBy,
        long version) {}
