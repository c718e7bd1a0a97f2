package org.evenhand.availability;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.DayOfWeek;
import java.util.List;
import org.evenhand.core.planning.Rhythm;

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
        @Schema(description = OPTIONAL) Rhythm.Kind rhythm,
        @Schema(description = OPTIONAL) List<DayOfWeek> weekdays,
        @Schema(description = OPTIONAL) Boolean onlyWhenWarm,
        @Schema(description = OPTIONAL) EarlyFlush earlyFlush,
        @Schema(description = OPTIONAL) Long version) {}
