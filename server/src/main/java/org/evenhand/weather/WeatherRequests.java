package org.evenhand.weather;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.weather.WeatherSource;
import org.evenhand.kit.Within;

/** What is sent about weather, and what is answered. Temperatures in °C, humidity in percent. */
final class WeatherRequests {
    private WeatherRequests() {}

    /**
     * A line of a file.
     *
     * @param posted what was measured, as a form or a station sends it
     * @param block where; empty for the whole orchard
     */
    record OfFile<P>(
            @NotNull @Valid P posted,
            @NotNull @Size(max = 80) String block) {}

    /** A forecast typed by hand. */
    @Schema(name = "WeatherForecast")
    record Forecast(
            @NotNull @Size(min = 1, max = 16) List<@NotNull @Valid ForecastDay> days,

            @Schema(description = OPTIONAL) @Size(max = 80) String block) {}

    @Schema(name = "WeatherForecastDay")
    record ForecastDay(
            @NotNull LocalDate date,
            @NotNull Double minimumC,
            @NotNull Double maximumC,

            @Schema(description = OPTIONAL) @Within(min = 0, max = 100)
            Double humidity) {}

    @Schema(name = "StationRequest")
    record NewStation(
            @NotBlank @Size(max = 80) String name,
            @Schema(description = OPTIONAL) @Size(max = 80) String block) {}

    /** A station's key is told once. */
    @Schema(name = "StationKey")
    record StationKey(UUID id, String name, String key) {}

    /** Hours a station posts. */
    @Schema(name = "StationPost")
    record Post(@NotNull @Size(min = 1, max = 24 * 31) List<@NotNull @Valid PostedHour> hours) {}

    @Schema(name = "StationHour")
    record PostedHour(
            @NotNull Instant at,
            @NotNull @Within(min = -60, max = 60) Double celsius,

            @Schema(description = OPTIONAL) @Within(min = 0, max = 100)
            Double humidity) {}

    @Schema(name = "WeatherTaken")
    record Taken(UUID id, int rows) {}

    /** Everything an orchard's weather rests on. */
    @Schema(name = "WeatherOverview")
    record Overview(boolean underCover, List<Record> records, List<TimeWindow> stretches, List<Day> days) {}

    @Schema(name = "WeatherSource")
    record Record(
            UUID id,
            WeatherKind kind,
            String name,
            @Schema(description = OPTIONAL) String block,
            Instant recordedAt,
            int rows,
            @Schema(description = OPTIONAL) Instant first,
            @Schema(description = OPTIONAL) Instant last,
            long version) {}

    @Schema(name = "WeatherStretch")
    record TimeWindow(Instant from, Instant until, WeatherSource source) {}

    /** One day put together: lowest, highest, and the deficit at midday where humidity is known. */
    @Schema(name = "WeatherDay")
    record Day(
            LocalDate date,
            double minimumC,
            double maximumC,
            @Schema(description = OPTIONAL) Double middayDeficitKpa,
            WeatherSource source) {}
}
