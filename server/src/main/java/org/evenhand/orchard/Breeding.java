package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.evenhand.kit.Within;

/**
 * What is known of a variety's breeding and habit; everything may be unknown.
 *
 * @param alleles S alleles as they are written, one for each set of chromosomes, or one of two; empty when unknown
 * @param ploidy chromosome sets, where it differs from the crop's usual number
 * @param motherId seed parent
 * @param fatherId pollen parent
 * @param sportOfId what it is a sport or grafted copy of; it then has no parents or alleles of its own
 * @param raisedIn year
 * @param smallFlowered whether its flowers are small for the crop and give less pollen
 * @param figRightFromMm for figs: diameter from which they take pollen, mm; given together with the next
 * @param figLateFromMm for figs: diameter from which it is too late, mm
 */
public record Breeding(
        @Schema(description = OPTIONAL) @Size(max = 60) String alleles,

        @Schema(description = OPTIONAL) @Within(min = 2, max = 8)
        Integer ploidy,

        @Schema(description = OPTIONAL) UUID motherId,
        @Schema(description = OPTIONAL) UUID fatherId,
        @Schema(description = OPTIONAL) UUID sportOfId,
        @Schema(description = OPTIONAL) Integer raisedIn,
        @Schema(description = OPTIONAL) Boolean smallFlowered,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 200)
        Double figRightFromMm,

        @Schema(description = OPTIONAL) @Within(min = 1, max = 200)
        Double figLateFromMm) {
    /** Nothing known. */
    public static final Breeding UNKNOWN = new Breeding("", null, null, null, null, null, false, null, null);
}
