package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;

/** A variety as it is sent; with a version it changes one that is there. Without breeding or numbers, what is known of them stays. */
public record VarietyRequest(
        String crop,
        String name,
        @Schema(description = OPTIONAL) Breeding breeding,
        @Schema(description = OPTIONAL) VarietyNumbers numbers,
        @Schema(description = OPTIONAL) Long version) {}
