package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;

/** A variety as it is sent; with a version it changes one that is there. Without breeding, what is known of it stays. */
public record VarietyRequest(
        String crop,
        String name,
        @Schema(description = OPTIONAL) Breeding breeding,
        @Schema(description = OPTIONAL) Long version) {}
