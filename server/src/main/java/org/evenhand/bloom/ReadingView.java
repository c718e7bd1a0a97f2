package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/**
 * A reading as it is shown.
 *
 * @param flowers flowers counted
 * @param surpriseStage the stage that did not fit what was foreseen, where one did not
 * @param surpriseExpected flowers foreseen there
 */
public record ReadingView(
        UUID id,
        UUID treeId,
        Instant takenAt,
        Map<String, Integer> counts,
        int flowers,
        String note,
        String limb,
        double share,
        @Schema(description = OPTIONAL) String surpriseStage,
        @Schema(description = OPTIONAL) Double surpriseExpected,
        long version) {}
