package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;

/**
 * A jar on the shelf.
 *
 * @param varietyName name of its father, or of all its fathers
 * @param fathers every variety whose pollen it holds, the greatest share first
 * @param collectedAt when it was collected, or poured from other jars; where that is not known of pollen from elsewhere, when it came
 * @param storage where it is now
 * @param open whether it lies open in a tray
 * @param dry whether it is dry, by sight or by the hours it has dried
 * @param received where it came from, when it was not filled here
 * @param dryBy when it should be dry where it is; absent when it is, or does not dry there
 */
public record LotView(
        UUID id,
        String code,
        String varietyName,
        String crop,
        List<Father> fathers,
        Instant collectedAt,
        Storage storage,
        boolean open,
        boolean dry,
        @Schema(description = OPTIONAL) Instant dryBy,
        @Schema(description = OPTIONAL) CollectionMethod method,
        int flowers,
        List<SourceView> sources,
        List<PartView> parts,
        int dosesCollected,
        int dosesLeft,
        Viability viability,
        String note,
        @Schema(description = OPTIONAL) ReceivedView received,
        long version) {

    /** Since when it is in the orchard. */
    public Instant hereSince() {
        return received == null ? collectedAt : received.receivedAt();
    }

    /** A variety whose pollen is in the jar, with its share of the doses. */
    @Schema(name = "Father")
    public record Father(UUID varietyId, String varietyName, double share) {}

    /** A tree it came from. */
    @Schema(name = "LotSourceView")
    public record SourceView(UUID treeId, String treeName, int flowers) {}

    /** Where pollen came from that was not collected here, and what was known of it then. */
    @Schema(name = "ReceivedPollen")
    public record ReceivedView(
            Received.How how,
            String from,
            Instant receivedAt,
            boolean dry,
            @Schema(description = OPTIONAL) Instant collectedAt,
            @Schema(description = OPTIONAL) Storage keptBefore,
            @Schema(description = OPTIONAL) Double statedAlive) {}

    /** A jar it was poured from. */
    @Schema(name = "LotPart")
    public record PartView(UUID lotId, String code, String varietyName, int doses) {}

    /**
     * Estimated share of living grains now, and what it was reckoned from.
     *
     * @param low lower end of the interval that holds eight times in ten
     * @param high its upper end
     * @param fresh the crop's share when fresh
     * @param from share at the moment from which it was reckoned
     * @param fromAt that moment: collection, pouring or the last test
     * @param tested whether it was a test
     * @param halvings how often it has halved since then
     * @param halfLifeHours half-life where it is now, hours
     * @param advice why it should be tested before one counts on it; absent when it need not be
     * @param goodUntil when a quarter of the fresh viability is left, or when it spoils; absent when that has passed
     * @param evenings sunsets from now until then
     */
    @Schema(name = "Viability")
    public record Viability(
            double share,
            double low,
            double high,
            boolean spoiled,
            double fresh,
            double from,
            Instant fromAt,
            boolean tested,
            double halvings,
            double halfLifeHours,
            String halfLifeBasis,
            @Schema(description = OPTIONAL) String advice,
            @Schema(description = OPTIONAL) Instant goodUntil,
            int evenings) {}
}
