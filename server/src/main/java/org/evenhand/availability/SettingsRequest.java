package org.evenhand.availability;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/** Hours and schools as they are sent; with a version it changes what is there. */
@Schema(name = "RoundSettingsRequest")
public record SettingsRequest(
        PollenAge pollenAge,
        Strokes strokes,
        Integer flowersPerHour,
        List<SettingsView.Hours> everyDay,
        List<SettingsView.SingleDay> singleDays,
        List<SettingsView.Away> away,
        @Schema(description = OPTIONAL) Boolean keepPhotoPlace,
        @Schema(description = OPTIONAL) Boolean useLearned,
        @Schema(description = OPTIONAL) Boolean repeatVisits,
        @Schema(description = OPTIONAL) Double worthGoing,
        @Schema(description = OPTIONAL) Long version) {}
