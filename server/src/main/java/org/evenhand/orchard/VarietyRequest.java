package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/** A variety as it is sent; with a version it changes one that is there. Without breeding or numbers, what is known of them stays. */
public record VarietyRequest(
        @NotBlank @Size(max = 60) String crop,
        @NotBlank @Size(max = 80) String name,
        @Schema(description = OPTIONAL) @Valid Breeding breeding,
        @Schema(description = OPTIONAL) @Valid VarietyNumbers numbers,
        @Schema(description = OPTIONAL) Long version) {}
