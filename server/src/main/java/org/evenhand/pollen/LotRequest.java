package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.CollectWay;
import org.evenhand.core.crop.Storage;

/**
 * Pollen as it was collected.
 *
 * @param way how it was got out of the flowers; one of the crop sheet's ways
 * @param doses doses it gave; left out, the crop sheet's yield is taken
 * @param confirmed questions that were asked before and answered with yes
 */
public record LotRequest(
        List<Source> sources,
        Instant collectedAt,
        Storage storage,
        @Schema(description = OPTIONAL) CollectWay way,
        @Schema(description = OPTIONAL) Integer doses,
        @Schema(description = OPTIONAL) String note,
        @Schema(description = OPTIONAL) List<String> confirmed) {

    /** Flowers taken from one tree. */
    @Schema(name = "LotSource")
    public record Source(UUID treeId, Integer flowers) {}

    boolean confirms(String key) {
        return confirmed != null && confirmed.contains(key);
    }
}
