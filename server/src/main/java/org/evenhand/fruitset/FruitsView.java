package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * Single fruits of a season.
 *
 * @param nextNumber the next number that is free
 * @param fruits those with a number by number, then those without
 * @param sources flowers that hold fruit which has neither number nor end
 */
@Schema(name = "Fruits")
record FruitsView(int year, int nextNumber, List<FruitView> fruits, List<Source> sources) {

    /**
     * A fruit.
     *
     * @param from the flowers it came from, in words
     * @param year the season it bloomed in, in which its number is used once
     * @param end absent while it hangs
     */
    @Schema(name = "Fruit")
    public record FruitView(
            UUID id,
            UUID treeId,
            String tree,
            String crop,
            @Schema(description = OPTIONAL) UUID pollinationId,
            String from,
            int year,
            @Schema(description = OPTIONAL) Integer number,
            @Schema(description = OPTIONAL) Instant numberedAt,
            @Schema(description = OPTIONAL) FruitEnd end,
            long version) {}

    /**
     * Flowers whose fruit hangs.
     *
     * @param from mother, father and day in words
     * @param hanging fruits by the latest check, without those that have ended
     * @param unnumbered of them, those without a number
     * @param calyxCut whether their fruit lacks its sepals
     * @param numberFrom day from which it can take a number, and whether that has come; absent where the crop sheet says nothing
     * @param ripeFrom day from which it may be ripe
     */
    @Schema(name = "FruitSource")
    record Source(
            UUID pollinationId,
            UUID treeId,
            String tree,
            String crop,
            String from,
            LocalDate on,
            int hanging,
            int unnumbered,
            boolean calyxCut,
            @Schema(description = OPTIONAL) LocalDate numberFrom,
            boolean numberNow,
            @Schema(description = OPTIONAL) LocalDate ripeFrom) {}

    /** Flowers a fruit without a number can have come from, with the chance of each. */
    @Schema(name = "FallenCandidate")
    record Candidate(UUID pollinationId, String from, int hanging, double share) {}
}
