package org.evenhand.crop;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Map;

/** All numbers an orchard wants of its own on a crop's sheets, by path; none is "as shipped". */
record OwnSheetRequest(
        String crop,
        Map<String, Double> numbers,
        @Schema(description = OPTIONAL) String note) {}
