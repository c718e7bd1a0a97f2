package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.Storage;

/** A jar on the shelf. */
public record LotView(
        UUID id,
        String code,
        UUID varietyId,
        String varietyName,
        String crop,
        Instant collectedAt,
        Storage storage,
        int flowers,
        List<SourceView> sources,
        int dosesCollected,
        int dosesLeft,
        Viability viability,
        String note,
        long version) {

    /** A tree it came from. */
    @Schema(name = "LotSourceView")
    public record SourceView(UUID treeId, String treeName, int flowers) {}

    /**
     * Estimated share of living grains now, and what it was reckoned from.
     *
     * @param low lower end of the interval that holds eight times in ten
     * @param high its upper end
     * @param advice why it should be tested before one counts on it; absent when it need not be
     * @param goodUntil when a quarter of the fresh viability is left, or when it spoils; absent when that has passed
     */
    @Schema(name = "Viability")
    public record Viability(
            double share,
            double low,
            double high,
            boolean spoiled,
            double fresh,
            double halfLifeHours,
            double hours,
            String halfLifeBasis,
            @Schema(description = OPTIONAL) String advice,
            @Schema(description = OPTIONAL) Instant goodUntil) {}
}
