package org.evenhand.crop;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;

/** All numbers an orchard wants of its own on a crop's sheets, by path; none is "as shipped". */
record OwnSheetRequest(
        @NotBlank @Size(max = 60) String crop,
        @NotNull Map<String, Double> numbers,
        @Schema(description = OPTIONAL) @Size(max = 2000) String note) {}
