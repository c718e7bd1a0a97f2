package org.evenhand.weather;

import java.time.LocalDate;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.InputBounds;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Component;

/** Lowest and highest temperatures of days out of a file. */
@Component
class WeatherDaysImport extends WeatherImport<WeatherRequests.ForecastDay> {
    private final WeatherRows rows;

    WeatherDaysImport(WeatherBook book, WeatherRecordRepository records, WeatherRows rows, Orchards orchards) {
        super(book, records, orchards);
        this.rows = rows;
    }

    @Override
    public String key() {
        return "weather-days";
    }

    @Override
    Column time() {
        return Column.needed("date", "date", Holds.DAY, "The day.", "day", "fecha", "día");
    }

    @Override
    List<Column> numbers() {
        return List.of(
                Column.optional("min_c", "minimumC", Holds.NUMBER, "Lowest temperature [°C]", "tmin", "minimum"),
                Column.optional("max_c", "maximumC", Holds.NUMBER, "Highest temperature [°C]", "tmax", "maximum"),
                Column.optional("min_f", "minimumC", Holds.NUMBER, "Or the lowest in [°F]"),
                Column.optional("max_f", "maximumC", Holds.NUMBER, "Or the highest in [°F]"));
    }

    @Override
    WeatherRequests.ForecastDay posted(ImportRow row) {
        LocalDate date = Given.required("date", row.dayOr("date", null));
        known("date", date, InputBounds.holds(date));
        WeatherRequests.ForecastDay day = new WeatherRequests.ForecastDay(
                date, celsius(row, "min"), celsius(row, "max"), row.numberOr("humidity", null));
        WeatherBook.day(day);
        return day;
    }

    @Override
    Temporal when(WeatherRequests.ForecastDay day) {
        return day.date();
    }

    @Override
    List<WeatherRequests.OfFile<WeatherRequests.ForecastDay>> known(UUID orchard) {
        return rows.daysOfFiles(orchard);
    }

    @Override
    void file(
            WeatherBook book,
            Caller caller,
            UUID id,
            String name,
            String block,
            List<WeatherRequests.ForecastDay> lines) {
        book.fileOfDays(
                caller, id, name, block, lines.stream().map(WeatherBook::day).toList());
    }
}
