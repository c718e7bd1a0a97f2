package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;

/** The days of a variety's season, as they are shown. */
public record BloomDateView(
        UUID id,
        UUID varietyId,
        int year,
        @Schema(description = OPTIONAL) LocalDate leafOut,
        @Schema(description = OPTIONAL) LocalDate firstBloom,
        @Schema(description = OPTIONAL) LocalDate fullBloom,
        @Schema(description = OPTIONAL) LocalDate lastBloom,
        long version) {
    static BloomDateView of(BloomDate d) {
        BloomDate.Dates dates = d.dates();
        return new BloomDateView(
                d.id(),
                d.varietyId(),
                d.year(),
                dates.leafOut(),
                dates.firstBloom(),
                dates.fullBloom(),
                dates.lastBloom(),
                d.version());
    }
}
