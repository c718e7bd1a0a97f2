package org.evenhand.judging;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.evenhand.core.judging.TraitScale;
import org.evenhand.kit.Within;

/**
 * A trait as it is sent.
 *
 * @param unit of its numbers, in one's own words; absent on a plain scale
 * @param low least number of the scale
 * @param high greatest
 * @param better which end is wanted
 * @param weight for a shortlist, 0 to 10
 * @param version of the trait that is corrected; absent for a new one
 */
public record TraitRequest(
        @NotBlank @Size(max = 60) String crop,
        @NotBlank @Size(max = 60) String name,

        @Schema(description = OPTIONAL) @Size(max = 30) String unit,

        @NotNull @Within(min = -TraitScale.FARTHEST, max = TraitScale.FARTHEST)
        Double low,

        @NotNull @Within(min = -TraitScale.FARTHEST, max = TraitScale.FARTHEST)
        Double high,

        @NotNull TraitScale.Better better,
        @NotNull @Within(min = 0, max = 10) Double weight,
        @Schema(description = OPTIONAL) Long version) {}
