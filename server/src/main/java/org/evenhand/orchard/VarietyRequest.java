package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;

/** A variety as it is sent; with a version it renames one that is there. */
public record VarietyRequest(
        String crop,
        String name,
        @Schema(description = OPTIONAL) Long version) {}
