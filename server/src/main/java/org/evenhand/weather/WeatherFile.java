package org.evenhand.weather;

import java.io.IOException;
import java.io.StringReader;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.InputBounds;

/**
 * Weather out of a CSV file. Columns, in any order, named in the first line:
 *
 * <ul>
 *   <li>hours: {@code time} ({@code 2026-11-24T15:00}, local unless it carries an offset), {@code temperature_c} or
 *       {@code temperature_f}, and, if measured, {@code humidity} in percent;
 *   <li>days: {@code date}, {@code min_c} and {@code max_c} or {@code min_f} and {@code max_f}, and, if measured, {@code humidity}.
 * </ul>
 *
 * Columns that are not named here are left alone. Rows that cannot be right are listed with their line, never guessed.
 *
 * @param kind hours or days
 * @param hours rows of hours, on whole hours, each once
 * @param days rows of days, each once
 * @param bad what is wrong, by line
 */
record WeatherFile(WeatherKind kind, List<Hour> hours, List<Day> days, List<BadRow> bad) {
    private static final double LOWEST = -60;
    private static final double HIGHEST = 60;
    private static final int MOST_ROWS = 200_000;

    /** One hour; humidity in percent or null. */
    record Hour(Instant at, double celsius, Double humidity) {}

    /** One day; humidity in percent or null. */
    record Day(LocalDate date, double minimumC, double maximumC, Double humidity) {}

    /** A row that was not taken. */
    record BadRow(long line, String problem) {}

    static WeatherFile read(String csv, ZoneId zone) {
        String text = csv.startsWith("\uFEFF") ? csv.substring(1) : csv;
        char separator = separator(text);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            return new Reader(parser, zone, separator == ';').read();
        } catch (IOException | IllegalArgumentException | java.io.UncheckedIOException e) {
            throw new InvalidInputException(
                    "csv", "cannot be read as CSV: a quote is never closed, or two columns have one name.");
        }
    }

    /** Programs of countries with a decimal comma separate by semicolons. */
    private static char separator(String text) {
        String first = text.lines().findFirst().orElse("");
        return first.contains(";") ? ';' : first.contains("\t") ? '\t' : ',';
    }

    /** Reads the rows of one file. */
    private static final class Reader {
        private final CSVParser parser;
        private final Map<String, Integer> columns;
        private final ZoneId zone;
        private final boolean decimalComma;
        private final Map<Instant, Hour> hours = new TreeMap<>();
        private final Map<LocalDate, Day> days = new TreeMap<>();
        private final List<BadRow> bad = new ArrayList<>();

        Reader(CSVParser parser, ZoneId zone, boolean decimalComma) {
            this.parser = parser;
            this.columns = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
            this.columns.putAll(parser.getHeaderMap() == null ? Map.of() : parser.getHeaderMap());
            this.zone = zone;
            this.decimalComma = decimalComma;
        }

        WeatherFile read() {
            boolean hourly = columns.containsKey("time");
            if (hourly == columns.containsKey("date")) {
                throw new InvalidInputException(
                        "csv",
                        "needs a first line that names the columns, among them 'time' for hours or 'date' for days.");
            }
            if (hourly) {
                unit("temperature");
            } else {
                unit("min");
                unit("max");
            }
            for (CSVRecord row : parser) {
                if (row.getRecordNumber() > MOST_ROWS) {
                    throw new InvalidInputException("csv", "has more than " + MOST_ROWS + " rows; please split it.");
                }
                take(row, hourly);
            }
            return new WeatherFile(
                    hourly ? WeatherKind.HOURS : WeatherKind.DAYS,
                    List.copyOf(hours.values()),
                    List.copyOf(days.values()),
                    List.copyOf(bad));
        }

        private void take(CSVRecord row, boolean hourly) {
            try {
                if (!row.isConsistent()) {
                    throw new DateTimeException("has " + row.size() + " columns, the first line has " + columns.size());
                }
                if (hourly) {
                    hour(row);
                } else {
                    day(row);
                }
            } catch (DateTimeException | IllegalArgumentException e) {
                bad.add(new BadRow(parser.getCurrentLineNumber(), e.getMessage()));
            }
        }

        private void hour(CSVRecord row) {
            Instant at = moment(row.get("time"));
            if (!at.equals(at.truncatedTo(ChronoUnit.HOURS))) {
                throw new DateTimeException("'" + row.get("time") + "' is not on a whole hour; hourly rows are wanted");
            }
            Hour hour = new Hour(at, temperature(row, "temperature"), humidity(row));
            if (hours.putIfAbsent(at, hour) != null) {
                throw new DateTimeException("'" + row.get("time") + "' was there before; the first one counts");
            }
        }

        private void day(CSVRecord row) {
            LocalDate date;
            try {
                date = LocalDate.parse(row.get("date"));
            } catch (DateTimeException e) {
                throw new DateTimeException("'" + row.get("date") + "' is not a date like 2026-11-24");
            }
            if (!InputBounds.holds(date)) {
                throw new DateTimeException("'" + row.get("date") + "' is a day that no weather is known of");
            }
            double low = temperature(row, "min");
            double high = temperature(row, "max");
            if (high < low) {
                throw new DateTimeException("the lowest, " + low + " °C, is above the highest, " + high + " °C");
            }
            if (days.putIfAbsent(date, new Day(date, low, high, humidity(row))) != null) {
                throw new DateTimeException("'" + row.get("date") + "' was there before; the first one counts");
            }
        }

        private Instant moment(String text) {
            Instant at = written(text);
            if (!InputBounds.holds(at)) {
                throw new DateTimeException("'" + text + "' is a time that no weather is known of");
            }
            return at;
        }

        private Instant written(String text) {
            String iso = text.replace(' ', 'T');
            try {
                if (iso.endsWith("Z") || iso.matches(".*T.*[+-]\\d\\d:?\\d\\d")) {
                    return OffsetDateTime.parse(iso).toInstant();
                }
                LocalDateTime local = LocalDateTime.parse(iso);
                if (zone.getRules().getValidOffsets(local).isEmpty()) {
                    throw new DateTimeException(
                            "'" + text + "' does not exist: the clocks were put forward over it in " + zone);
                }
                return local.atZone(zone).toInstant();
            } catch (java.time.format.DateTimeParseException e) {
                throw new DateTimeException("'" + text + "' is not a time like 2026-11-24T15:00");
            }
        }

        /** The column of a temperature and whether it is in °F. */
        private String unit(String name) {
            boolean celsius = columns.containsKey(name + "_c");
            boolean fahrenheit = columns.containsKey(name + "_f");
            if (celsius == fahrenheit) {
                throw new InvalidInputException(
                        "csv",
                        "needs exactly one of the columns '" + name + "_c' (°C) and '" + name + "_f' (°F); found are "
                                + new HashSet<>(columns.keySet()) + ".");
            }
            return name + (celsius ? "_c" : "_f");
        }

        private double temperature(CSVRecord row, String name) {
            String column = unit(name);
            double given = number(row.get(column), column);
            double celsius = column.endsWith("_f") ? (given - 32) * 5 / 9 : given;
            if (!(celsius >= LOWEST && celsius <= HIGHEST)) {
                throw new DateTimeException(String.format(
                        Locale.ROOT, "%s is %s, which is %.1f °C; -60 to 60 °C is possible", column, given, celsius));
            }
            return celsius;
        }

        private Double humidity(CSVRecord row) {
            if (!columns.containsKey("humidity") || row.get("humidity").isEmpty()) {
                return null;
            }
            double percent = number(row.get("humidity"), "humidity");
            if (!(percent >= 0 && percent <= 100)) {
                throw new DateTimeException("humidity is " + percent + "; 0 to 100 percent is possible");
            }
            return percent;
        }

        private double number(String text, String column) {
            try {
                double value = Double.parseDouble(decimalComma ? text.replace(',', '.') : text);
                if (Double.isNaN(value) || Double.isInfinite(value)) {
                    throw new NumberFormatException();
                }
                return value;
            } catch (NumberFormatException e) {
                throw new DateTimeException(
                        text.isEmpty() ? column + " is empty" : column + " is '" + text + "', not a number");
            }
        }
    }
}
