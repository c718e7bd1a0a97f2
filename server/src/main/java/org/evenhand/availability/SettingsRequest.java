package org.evenhand.availability;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.util.List;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.kit.Within;

/** Hours and schools as they are sent; with a version it changes what is there. */
@Schema(name = "RoundSettingsRequest")
public record SettingsRequest(
        @NotNull PollenAge pollenAge,
        @NotNull Strokes strokes,
        @NotNull @Within(min = 1, max = 2000) Integer flowersPerHour,

        @NotNull @Size(max = 12) List<SettingsView.@NotNull @Valid Hours> everyDay,

        @NotNull @Size(max = 200) List<SettingsView.@NotNull @Valid SingleDay> singleDays,

        @NotNull @Size(max = 200) List<SettingsView.@NotNull @Valid Away> away,

        @Schema(description = OPTIONAL) Boolean keepPhotoPlace,
        @Schema(description = OPTIONAL) Boolean useLearned,
        @Schema(description = OPTIONAL) Boolean repeatVisits,

        @Schema(description = OPTIONAL) @Within(min = 0, max = 1000)
        Double worthGoing,

        @Schema(description = OPTIONAL) Rhythm.Kind rhythm,
        @Schema(description = OPTIONAL) List<DayOfWeek> weekdays,
        @Schema(description = OPTIONAL) Boolean onlyWhenWarm,
        @Schema(description = OPTIONAL) EarlyFlush earlyFlush,
        @Schema(description = OPTIONAL) Long version) {}
