package org.evenhand.weather;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.DayRange;
import org.evenhand.core.weather.WeatherSeries;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The rows of weather: thousands at a time, so they are written in batches and read as they are, not as objects with a life. */
@Component
class WeatherRows {
    private static final int BATCH = 1000;

    private final JdbcTemplate jdbc;

    WeatherRows(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    void addHours(UUID record, List<WeatherHour> hours) {
        String insert = "insert into weather_hour (record_id, at, celsius, humidity) values (?, ?, ?, ?)"
                + " on conflict (record_id, at) do update set celsius = excluded.celsius, humidity = excluded.humidity";
        jdbc.batchUpdate(insert, hours, BATCH, (s, h) -> {
            s.setObject(1, record);
            s.setObject(2, OffsetDateTime.ofInstant(h.at(), ZoneOffset.UTC));
            s.setDouble(3, h.celsius());
            optional(s, 4, h.humidity());
        });
    }

    void addDays(UUID record, List<WeatherDay> days) {
        String insert =
                "insert into weather_day (record_id, date, minimum_c, maximum_c, humidity) values (?, ?, ?, ?, ?)";
        jdbc.batchUpdate(insert, days, BATCH, (s, d) -> {
            s.setObject(1, record);
            s.setObject(2, d.date());
            s.setDouble(3, d.minimumC());
            s.setDouble(4, d.maximumC());
            optional(s, 5, d.humidity());
        });
    }

    private static void optional(PreparedStatement s, int index, Double value) throws SQLException {
        if (value == null) {
            s.setNull(index, Types.DOUBLE);
        } else {
            s.setDouble(index, value);
        }
    }

    /** A number that may be missing; never asked for by wasNull, which speaks of whatever column was read last. */
    private static OptionalDouble optional(ResultSet row, int column) throws SQLException {
        Double value = row.getObject(column, Double.class);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    /** Hours out of files that were not removed; where files overlap the latest comes last. */
    List<WeatherRequests.OfFile<WeatherRequests.PostedHour>> hoursOfFiles(UUID orchard) {
        return jdbc.query(
                "select coalesce(r.block, ''), h.at, h.celsius, h.humidity from weather_record r join weather_hour h on h.record_id = r.id"
                        + " where r.orchard_id = ? and r.voided_at is null and r.kind = 'HOURS' order by r.recorded_at, r.id",
                (row, i) -> new WeatherRequests.OfFile<>(
                        new WeatherRequests.PostedHour(
                                row.getObject(2, OffsetDateTime.class).toInstant(),
                                row.getDouble(3),
                                row.getObject(4, Double.class)),
                        row.getString(1)),
                orchard);
    }

    /** Days out of files that were not removed; where files overlap the latest comes last. */
    List<WeatherRequests.OfFile<WeatherRequests.ForecastDay>> daysOfFiles(UUID orchard) {
        return jdbc.query(
                "select coalesce(r.block, ''), d.date, d.minimum_c, d.maximum_c, d.humidity from weather_record r"
                        + " join weather_day d on d.record_id = r.id"
                        + " where r.orchard_id = ? and r.voided_at is null and r.kind = 'DAYS' order by r.recorded_at, r.id",
                (row, i) -> new WeatherRequests.OfFile<>(
                        new WeatherRequests.ForecastDay(
                                row.getObject(2, LocalDate.class),
                                row.getDouble(3),
                                row.getDouble(4),
                                row.getObject(5, Double.class)),
                        row.getString(1)),
                orchard);
    }

    /** Blocks that have records of their own. */
    Set<String> blocks(UUID orchard) {
        return Set.copyOf(jdbc.queryForList(
                "select distinct block from weather_record where orchard_id = ? and voided_at is null and block is not null",
                String.class,
                orchard));
    }

    /** Measured hours of a block, or of an orchard where it is null; where records overlap the latest counts. */
    Map<Instant, WeatherSeries.Measured> hours(UUID orchard, String block, Instant from, Instant until) {
        Map<Instant, WeatherSeries.Measured> hours = new HashMap<>();
        jdbc.query(
                "select h.at, h.celsius, h.humidity from weather_hour h join weather_record r on r.id = h.record_id"
                        + " where r.orchard_id = ? and r.block is not distinct from ? and r.voided_at is null and h.at between ? and ?"
                        + " order by r.recorded_at, r.id",
                row -> {
                    hours.put(
                            row.getObject(1, OffsetDateTime.class).toInstant(),
                            new WeatherSeries.Measured(row.getDouble(2), optional(row, 3)));
                },
                orchard,
                block,
                OffsetDateTime.ofInstant(from, ZoneOffset.UTC),
                OffsetDateTime.ofInstant(until, ZoneOffset.UTC));
        return hours;
    }

    /** Days of files, or of typed forecasts; where records overlap the latest counts. */
    Map<LocalDate, DayRange> days(UUID orchard, String block, WeatherKind kind, LocalDate from, LocalDate until) {
        Map<LocalDate, DayRange> days = new HashMap<>();
        jdbc.query(
                "select d.date, d.minimum_c, d.maximum_c, d.humidity from weather_day d"
                        + " join weather_record r on r.id = d.record_id"
                        + " where r.orchard_id = ? and r.block is not distinct from ? and r.kind = ? and r.voided_at is null and d.date between ? and ?"
                        + " order by r.recorded_at, r.id",
                row -> {
                    DailyTemperatures temperatures = new DailyTemperatures(row.getDouble(2), row.getDouble(3));
                    days.put(row.getObject(1, LocalDate.class), new DayRange(temperatures, optional(row, 4)));
                },
                orchard,
                block,
                kind.name(),
                from,
                until);
        return days;
    }

    /** How many rows each record of an orchard has, and from when to when. */
    Map<UUID, Extent> extents(UUID orchard) {
        Map<UUID, Extent> extents = new HashMap<>();
        jdbc.query(
                "select r.id, count(*), min(x.at), max(x.at) from weather_record r join"
                        + " (select record_id, at from weather_hour union all"
                        + "  select record_id, date::timestamp at time zone 'UTC' from weather_day) x on x.record_id = r.id"
                        + " where r.orchard_id = ? and r.voided_at is null group by r.id",
                row -> {
                    extents.put(
                            row.getObject(1, UUID.class),
                            new Extent(
                                    row.getInt(2),
                                    row.getObject(3, OffsetDateTime.class).toInstant(),
                                    row.getObject(4, OffsetDateTime.class).toInstant()));
                },
                orchard);
        return extents;
    }

    /** Rows of one record; empty where it has none. */
    Optional<Extent> extent(UUID record) {
        return jdbc
                .query(
                        "select count(*), min(x.at), max(x.at) from (select at from weather_hour where record_id = ? union all"
                                + " select date::timestamp at time zone 'UTC' from weather_day where record_id = ?) x"
                                + " having count(*) > 0",
                        (row, i) -> new Extent(
                                row.getInt(1),
                                row.getObject(2, OffsetDateTime.class).toInstant(),
                                row.getObject(3, OffsetDateTime.class).toInstant()),
                        record,
                        record)
                .stream()
                .findFirst();
    }

    /** Rows of a record; for days the moments are midnights in UTC and only their dates mean anything. */
    record Extent(int rows, Instant first, Instant last) {}
}
