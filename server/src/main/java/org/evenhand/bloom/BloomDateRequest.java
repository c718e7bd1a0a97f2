package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.UUID;

/** The days of a variety's season; with a version it changes one that is there. */
public record BloomDateRequest(
        @NotNull UUID varietyId,
        @NotNull Integer year,
        @Schema(description = OPTIONAL) LocalDate leafOut,
        @Schema(description = OPTIONAL) LocalDate firstBloom,
        @Schema(description = OPTIONAL) LocalDate fullBloom,
        @Schema(description = OPTIONAL) LocalDate lastBloom,
        @Schema(description = OPTIONAL) Long version) {}
