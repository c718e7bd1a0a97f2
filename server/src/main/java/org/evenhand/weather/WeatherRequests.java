package org.evenhand.weather;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.weather.WeatherSource;

/** What is sent about weather, and what is answered. Temperatures in °C, humidity in percent. */
final class WeatherRequests {
    private WeatherRequests() {}

    /** A CSV file; with {@code keepGood} its good rows are taken although others are bad. */
    @Schema(name = "WeatherImport")
    record Import(
            String name,
            String csv,
            boolean keepGood,
            @Schema(description = OPTIONAL) String block) {}

    /** A forecast typed by hand. */
    @Schema(name = "WeatherForecast")
    record Forecast(
            List<ForecastDay> days,
            @Schema(description = OPTIONAL) String block) {}

    @Schema(name = "WeatherForecastDay")
    record ForecastDay(
            LocalDate date,
            Double minimumC,
            Double maximumC,
            @Schema(description = OPTIONAL) Double humidity) {}

    @Schema(name = "StationRequest")
    record NewStation(
            String name, @Schema(description = OPTIONAL) String block) {}

    /** A station's key is told once. */
    @Schema(name = "StationKey")
    record StationKey(UUID id, String name, String key) {}

    /** Hours a station posts. */
    @Schema(name = "StationPost")
    record Post(List<PostedHour> hours) {}

    @Schema(name = "StationHour")
    record PostedHour(
            Instant at,
            Double celsius,
            @Schema(description = OPTIONAL) Double humidity) {}

    @Schema(name = "WeatherTaken")
    record Taken(UUID id, int rows, List<BadRow> bad) {}

    /** A row of a file that was not taken. */
    @Schema(name = "WeatherBadRow")
    record BadRow(long line, String problem) {}

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
