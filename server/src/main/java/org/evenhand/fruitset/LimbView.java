package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.fruitset.LimbTally;

/**
 * The counts of one limb.
 *
 * @param now fruits by the latest count; it stands for the limb
 * @param counts the latest first
 */
@Schema(name = "Limb")
record LimbView(UUID treeId, String tree, String limb, int now, List<Count> counts) {

    /**
     * A count and what lies between it and the one before.
     *
     * @param before the count before; absent at the first
     * @param flowersSince flowers pollinated on the tree that could first show since the count before
     */
    @Schema(name = "LimbCount")
    record Count(
            UUID id,
            Instant countedAt,
            int fruits,
            int takenOff,
            @Schema(description = OPTIONAL) Integer before,
            int flowersSince,
            LimbTally.Kind kind,
            String say,
            String note,
            long version) {}
}
