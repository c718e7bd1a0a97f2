package org.evenhand.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.Text;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.SecretKeys;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Weather as it is written down: files, typed forecasts, stations. */
@Service
public class WeatherBook {
    private static final Duration SHOWN_BACK = Duration.ofDays(14);
    private static final Duration SHOWN_AHEAD = Duration.ofDays(10);

    private final WeatherRecordRepository records;
    private final WeatherRows rows;
    private final Weather weather;
    private final Orchards orchards;
    private final StationKeys stations;
    private final IdempotentWriter once;

    WeatherBook(
            WeatherRecordRepository records,
            WeatherRows rows,
            Weather weather,
            Orchards orchards,
            StationKeys stations,
            IdempotentWriter once) {
        this.stations = stations;
        this.records = records;
        this.rows = rows;
        this.weather = weather;
        this.orchards = orchards;
        this.once = once;
    }

    /** Writes down measured hours out of a file, in the caller's transaction. */
    void fileOfHours(Caller caller, UUID id, String name, String block, List<WeatherHour> hours) {
        record(
                caller,
                id,
                zone(caller),
                WeatherKind.HOURS,
                name,
                block(caller, block),
                null,
                () -> rows.addHours(id, hours));
    }

    /** Writes down measured days out of a file, in the caller's transaction. */
    void fileOfDays(Caller caller, UUID id, String name, String block, List<WeatherDay> days) {
        record(
                caller,
                id,
                zone(caller),
                WeatherKind.DAYS,
                name,
                block(caller, block),
                null,
                () -> rows.addDays(id, days));
    }

    /** Days in a row, as a file has them. */
    public void days(Caller caller, UUID id, String name, LocalDate first, List<DailyTemperatures> range) {
        List<WeatherDay> days = new ArrayList<>();
        for (DailyTemperatures d : range) {
            days.add(new WeatherDay(first.plusDays(days.size()), d.minimumC(), d.maximumC(), null));
        }
        fileOfDays(caller, id, name, null, days);
    }

    /** Takes a forecast of some days in a row. */
    public void typedForecast(Caller caller, UUID id, LocalDate first, List<DailyTemperatures> days) {
        List<WeatherRequests.ForecastDay> typed = new ArrayList<>();
        for (DailyTemperatures day : days) {
            typed.add(new WeatherRequests.ForecastDay(
                    first.plusDays(typed.size()), day.minimumC(), day.maximumC(), null));
        }
        forecast(caller, id, new WeatherRequests.Forecast(typed, null));
    }

    /** Sets up a station that is a stand-in, and lets it post its last hours. */
    public void fillFromStandIn(Caller caller, UUID id, String name, Instant until, int hours) {
        OrchardDetails orchard = orchards.details(caller);
        WeatherRequests.StationKey station = newStation(caller, id, new WeatherRequests.NewStation(name, null));
        post(
                station.key(),
                new WeatherRequests.Post(new StationStandIn(7, orchard.site(), orchard.usual()).hours(until, hours)));
    }

    /** Takes a forecast that somebody typed. */
    public WeatherRequests.Taken forecast(Caller caller, UUID id, WeatherRequests.Forecast request) {
        List<WeatherDay> days = Require.each("days", request.days(), WeatherBook::day);
        if (days.stream().map(WeatherDay::date).distinct().count() < days.size()) {
            throw new InvalidInputException("days", "names a date twice.");
        }
        record(
                caller,
                id,
                zone(caller),
                WeatherKind.FORECAST,
                "Forecast typed in",
                block(caller, request.block()),
                null,
                () -> rows.addDays(id, days));
        return new WeatherRequests.Taken(id, days.size());
    }

    static WeatherDay day(WeatherRequests.ForecastDay d) {
        DailyTemperatures range = new DailyTemperatures(d.minimumC(), d.maximumC());
        return new WeatherDay(d.date(), range.minimumC(), range.maximumC(), d.humidity());
    }

    /** Makes a station and tells its key, this once. */
    public WeatherRequests.StationKey newStation(Caller caller, UUID id, WeatherRequests.NewStation request) {
        String name = request.name().strip();
        String key = SecretKeys.newKey();
        record(
                caller,
                id,
                zone(caller),
                WeatherKind.STATION,
                name,
                block(caller, request.block()),
                SecretKeys.hash(key),
                found -> {
                    throw new ConflictException(Text.of("conflict.station-shown"));
                },
                () -> {});
        return new WeatherRequests.StationKey(id, name, key);
    }

    /** Takes hours that a station posts; an hour posted again replaces the one before. */
    @Transactional
    public int post(String key, WeatherRequests.Post request) {
        WeatherRecord station = stations.require(key);
        List<WeatherRequests.PostedHour> posted = request.hours();
        List<WeatherHour> hours = new ArrayList<>();
        for (int i = 0; i < posted.size(); i++) {
            hours.add(hour("hours[" + i + "].", posted.get(i)));
        }
        rows.addHours(station.id(), hours);
        weather.changed(
                station.orchardId(),
                hours.stream()
                        .map(WeatherHour::at)
                        .min(Comparator.naturalOrder())
                        .orElseThrow(),
                hours.stream()
                        .map(WeatherHour::at)
                        .max(Comparator.naturalOrder())
                        .orElseThrow());
        return hours.size();
    }

    static WeatherHour hour(String at, WeatherRequests.PostedHour h) {
        Instant moment = h.at();
        if (!moment.equals(moment.truncatedTo(ChronoUnit.HOURS))) {
            throw new InvalidInputException(at + "at", "is " + moment + ", not on a whole hour.");
        }
        return new WeatherHour(moment, h.celsius(), h.humidity());
    }

    @Transactional
    public void voidRecord(Caller caller, UUID id, VoidRequest request) {
        records.voidOnce(caller, id, request, orchards.now(caller))
                .flatMap(r -> rows.extent(id))
                .ifPresent(e -> weather.changed(caller.orchardId(), e.first(), e.last()));
    }

    /** One that a tree stands in; null for the whole orchard. */
    String block(Caller caller, String given) {
        String block = Given.stripped(given);
        if (block.isEmpty()) {
            return null;
        }
        if (orchards.trees(caller).stream().noneMatch(t -> t.block().equals(block))) {
            throw new InvalidInputException("block", "is '" + block + "', where no tree stands.");
        }
        return block;
    }

    private void record(
            Caller caller,
            UUID id,
            ZoneId zone,
            WeatherKind kind,
            String name,
            String block,
            String keyHash,
            Runnable addRows) {
        record(caller, id, zone, kind, name, block, keyHash, WeatherRecord::id, addRows);
    }

    /** @param again what is answered where it is there already */
    private void record(
            Caller caller,
            UUID id,
            ZoneId zone,
            WeatherKind kind,
            String name,
            String block,
            String keyHash,
            Function<WeatherRecord, UUID> again,
            Runnable addRows) {
        once.write(records, caller, id, again, () -> {
            records.saveAndFlush(new WeatherRecord(id, caller, orchards.now(caller), zone, kind, name, block, keyHash));
            addRows.run();
            return id;
        });
        rows.extent(id).ifPresent(e -> weather.changed(caller.orchardId(), e.first(), e.last()));
    }

    /** Everything the weather of the last two weeks and the next ten days rests on. */
    @Transactional(readOnly = true)
    public WeatherRequests.Overview overview(Caller caller, String block) {
        OrchardDetails orchard = orchards.details(caller);
        Instant now = orchards.now(caller);
        Instant from = now.minus(SHOWN_BACK);
        Instant until = now.plus(SHOWN_AHEAD);
        Places places = weather.places(caller);
        String place = places.of(block == null ? Places.ORCHARD : block);
        WeatherSeries air = weather.air(caller, place, from, until);
        Map<UUID, WeatherRows.Extent> extents = rows.extents(caller.orchardId());
        return new WeatherRequests.Overview(
                places.underCover(place),
                records.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(caller.orchardId()).stream()
                        .map(r -> view(r, extents.get(r.id())))
                        .toList(),
                Weather.stretches(air, from, until).stream()
                        .map(s -> new WeatherRequests.TimeWindow(s.from(), s.until(), s.source()))
                        .toList(),
                days(air, from, until, orchard.site().zone()));
    }

    private static List<WeatherRequests.Day> days(WeatherSeries air, Instant from, Instant until, ZoneId zone) {
        List<WeatherRequests.Day> days = new ArrayList<>();
        LocalDate last = until.atZone(zone).toLocalDate();
        for (LocalDate date = from.atZone(zone).toLocalDate().plusDays(1);
                date.isBefore(last);
                date = date.plusDays(1)) {
            double low = Double.POSITIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            Instant end = date.plusDays(1).atStartOfDay(zone).toInstant();
            for (Instant at = date.atStartOfDay(zone).toInstant();
                    at.isBefore(end);
                    at = at.plus(1, ChronoUnit.HOURS)) {
                double celsius = air.temperatures().celsiusAt(at);
                low = Math.min(low, celsius);
                high = Math.max(high, celsius);
            }
            Instant midday = date.atTime(13, 0).atZone(zone).toInstant();
            days.add(new WeatherRequests.Day(
                    date,
                    low,
                    high,
                    air.deficitAt(midday).isPresent() ? air.deficitAt(midday).getAsDouble() : null,
                    air.sourceAt(midday)));
        }
        return days;
    }

    private static WeatherRequests.Record view(WeatherRecord r, WeatherRows.Extent extent) {
        return new WeatherRequests.Record(
                r.id(),
                r.kind(),
                r.name(),
                r.block(),
                r.recordedAt(),
                extent == null ? 0 : extent.rows(),
                extent == null ? null : extent.first(),
                extent == null ? null : extent.last(),
                r.version());
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
