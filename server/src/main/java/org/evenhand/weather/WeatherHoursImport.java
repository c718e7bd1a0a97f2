package org.evenhand.weather;

import java.time.Instant;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.InputBounds;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Component;

/** Measured hours out of a file, as a logger or a weather service writes them. */
@Component
class WeatherHoursImport extends WeatherImport<WeatherRequests.PostedHour> {
    private final WeatherRows rows;

    WeatherHoursImport(WeatherBook book, WeatherRecordRepository records, WeatherRows rows, Orchards orchards) {
        super(book, records, orchards);
        this.rows = rows;
    }

    @Override
    public String key() {
        return "weather-hours";
    }

    @Override
    Column time() {
        return Column.needed(
                "time",
                "at",
                Holds.MOMENT,
                "The whole hour; by the orchard's clock where it names no other.",
                "hora",
                "timestamp",
                "date_time");
    }

    @Override
    List<Column> numbers() {
        return List.of(
                Column.optional("temperature_c", "celsius", Holds.NUMBER, "Temperature [°C]", "temp_c", "temperatura"),
                Column.optional("temperature_f", "celsius", Holds.NUMBER, "Or in [°F]", "temp_f"));
    }

    @Override
    WeatherRequests.PostedHour posted(ImportRow row) {
        Instant at = Given.required("time", row.moment("time"));
        known("time", at, InputBounds.holds(at));
        WeatherRequests.PostedHour hour =
                new WeatherRequests.PostedHour(at, celsius(row, "temperature"), row.numberOr("humidity", null));
        WeatherBook.hour("", hour);
        return hour;
    }

    @Override
    Temporal when(WeatherRequests.PostedHour hour) {
        return hour.at();
    }

    @Override
    List<WeatherRequests.OfFile<WeatherRequests.PostedHour>> known(UUID orchard) {
        return rows.hoursOfFiles(orchard);
    }

    @Override
    void file(
            WeatherBook book,
            Caller caller,
            UUID id,
            String name,
            String block,
            List<WeatherRequests.PostedHour> lines) {
        book.fileOfHours(
                caller,
                id,
                name,
                block,
                lines.stream().map(h -> WeatherBook.hour("", h)).toList());
    }
}
