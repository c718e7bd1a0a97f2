package org.evenhand.cross;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.SeedlingEvent;
import org.evenhand.core.cross.SeedlingLife;

/**
 * A seedling, with all that is known of it.
 *
 * @param inbreeding its coefficient, by the pedigree of the parents; absent where the father is not known
 * @param genotypes S alleles it can have, by those of its parents; none where they do not say
 * @param certainAlleles those it has for certain, as they are written; absent where none is certain
 * @param happened what happened to it, the earliest first
 * @param possible what can happen next
 */
@Schema(name = "Seedling")
public record SeedlingView(
        Row row,
        NurseryStage numberedAt,
        String numberedPlace,
        String note,
        @Schema(description = OPTIONAL) Double inbreeding,
        List<Genotype> genotypes,
        @Schema(description = OPTIONAL) String certainAlleles,
        List<Step> happened,
        List<SeedlingEvent> possible) {

    /**
     * A seedling in a list.
     *
     * @param number as 26-1-07
     * @param motherId variety of the tree that carried the fruit
     * @param fatherId pollen parent; absent where nobody knows it
     * @param stage where it is, or was last
     * @param place where it stands, in the words it was written down in; absent where nobody said
     * @param graftedOn the day its wood was grafted first
     * @param endedOn the day it died, was discarded or given away
     * @param fruitFrom the day from which its first fruit is expected; absent where it has fruited, has ended, or nobody knows
     * @param varietyId the variety it became
     */
    @Schema(name = "SeedlingRow")
    public record Row(
            UUID id,
            String number,
            UUID lotId,
            String lot,
            String crop,
            UUID motherId,
            String mother,
            @Schema(description = OPTIONAL) UUID fatherId,
            @Schema(description = OPTIONAL) String father,
            @Schema(description = OPTIONAL) UUID crossId,
            LocalDate numberedOn,
            NurseryStage stage,
            SeedlingLife.State state,
            @Schema(description = OPTIONAL) String place,
            @Schema(description = OPTIONAL) LocalDate graftedOn,
            @Schema(description = OPTIONAL) LocalDate fruitedOn,
            @Schema(description = OPTIONAL) LocalDate endedOn,
            @Schema(description = OPTIONAL) LocalDate fruitFrom,
            @Schema(description = OPTIONAL) UUID varietyId,
            @Schema(description = OPTIONAL) String variety,
            long version) {}

    /** A pair of S alleles, and how probable it is. */
    @Schema(name = "SeedlingGenotype")
    public record Genotype(String alleles, double share) {}

    /** What happened. */
    @Schema(name = "SeedlingStep")
    public record Step(
            UUID id,
            SeedlingEvent event,
            LocalDate on,
            @Schema(description = OPTIONAL) String place,
            @Schema(description = OPTIONAL) String rootstock,
            String note,
            long version) {}
}
